import type { Day } from '../../time';

/** What is known of a source water. */
export const SOURCE_VALUES = ['tempC', 'ghDeg', 'khDeg', 'tdsPpm', 'ph', 'nitratePpm'] as const;
export type SourceValue = (typeof SOURCE_VALUES)[number];
export type Analysis = { day: Day } & Record<SourceValue, number | null>;

const MONTHS = 12;
const monthOf = (day: Day) => Number(day.slice(5, 7));

/**
 * A source water's values to reckon with: the newest of each, or the mean of what was measured around this month in any year
 * (one month before to one after), since tap water drifts with the season. A value without a measurement is null.
 * @param analyses - oldest first
 */
export function sourceValues(
  analyses: readonly Analysis[],
  basis: 'newest' | 'season',
  today: Day,
): Record<SourceValue, number | null> {
  const near = (day: Day) => {
    const apart = Math.abs(monthOf(day) - monthOf(today));
    return Math.min(apart, MONTHS - apart) <= 1;
  };
  const pool = basis === 'season' ? analyses.filter(({ day }) => near(day)) : analyses;
  return Object.fromEntries(
    SOURCE_VALUES.map((key) => {
      const known = pool.map((analysis) => analysis[key]).filter((value) => value !== null);
      const mean = known.reduce((sum, value) => sum + value, 0) / Math.max(1, known.length);
      return [key, known.length === 0 ? null : basis === 'newest' ? (known.at(-1) ?? null) : mean];
    }),
  ) as Record<SourceValue, number | null>;
}
