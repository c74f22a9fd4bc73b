/** Rounds to a number of significant figures; 0 stays 0. */
export function roundToFigures(value: number, figures: number): number {
  if (value === 0 || !Number.isFinite(value)) return value;
  return Number(value.toPrecision(figures));
}

/** A number as shown: `figures` significant figures (default 2), whole from 10^figures upwards, thin space in thousands. */
export function formatNumber(value: number, figures = 2): string {
  const size = Math.abs(value);
  const shown = size >= 10 ** figures ? Math.round(value) : roundToFigures(value, figures);
  const [whole = '', fraction] = String(shown).split('.');
  const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, '\u202f') : whole;
  return fraction ? `${grouped}.${fraction}` : grouped;
}

/** An amount as it was logged, "8 L"; empty when none was said. */
export const formatAmount = (amount: number | null, unit: string | null): string =>
  amount === null ? '' : `${formatNumber(amount, 3)} ${unit ?? ''}`.trimEnd();

/** A range as shown, "3 – 5", or a single number when both ends look alike. */
export function formatRange(range: readonly [number, number], figures = 2): string {
  const [low, high] = [formatNumber(range[0], figures), formatNumber(range[1], figures)];
  return low === high ? low : `${low} – ${high}`;
}
