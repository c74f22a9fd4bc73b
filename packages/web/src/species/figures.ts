import { FIGURES, FOOD_NAMES, type FigureKey, type Figures } from '@freshet/core/species';
import { formatNumber, formatRange } from '@freshet/core/units';

/** How well a figure is known, in words. */
export const GRADE_WORDS = { recorded: 'well established', relative: 'from a relative', guess: 'a guess' } as const;

/** A figure in words. */
export function showFigure(key: FigureKey, figures: Figures): string {
  const value = figures[key];
  const { unit } = FIGURES[key];
  if (value === null) return 'does not apply';
  if (key === 'bodyGPerMm3') return `${formatNumber(figures.bodyGPerMm3 * 1e5)} × 10⁻⁵ ${unit}`;
  if (typeof value === 'number') return `${formatNumber(value)} ${unit}`.trim();
  if (typeof value === 'string') return FIGURES[key].choices?.[value] ?? value;
  if (key === 'adultFoods') return figures.adultFoods.map((food) => FOOD_NAMES[food]).join(', ');
  if (key === 'adultFeedShare') return `${formatRange([figures.adultFeedShare[0] * 100, figures.adultFeedShare[1] * 100])} %`;
  if (key === 'ladder')
    return figures.ladder.map((rung) => `${FOOD_NAMES[rung.food]}${rung.fromMm > 0 ? ` from ${rung.fromMm} mm` : ''}`).join(', ');
  if ('atC' in value) return `${formatRange(value.days)} days at ${formatNumber(value.atC)} °C`;
  return `${formatRange(value as readonly [number, number])} ${unit}`.trim();
}
