/** A culture on one day, after what was taken. */
export interface CultureDay {
  day: number;
  count: number;
  harvested: number;
}

/**
 * A culture that grows towards what its vessel carries and is harvested by a share every so many days, and what it gives for good.
 * Source: docs/sources.md#culture-yield
 * @param input.harvestFraction - 0..1 @param input.lagDays - before it grows
 */
export function cultureYield(input: {
  startCount: number;
  ratePerDay: number;
  capacity: number;
  harvestFraction: number;
  everyDays: number;
  lagDays?: number | null | undefined;
  days: number;
}): { series: CultureDay[]; totalHarvested: number; sustainablePerDay: number; steadyCountAfterHarvest: number } {
  const { startCount, ratePerDay, capacity, harvestFraction: share, everyDays, days } = input;
  const lag = input.lagDays ?? 0;
  const growth = Math.exp(ratePerDay);
  const series: CultureDay[] = [];
  let [count, total] = [startCount, 0];
  for (let day = 1; day <= days; day++) {
    if (day > lag) count = (capacity * count * growth) / (capacity + count * (growth - 1));
    const harvested = day > lag && (day - lag) % everyDays === 0 ? share * count : 0;
    count -= harvested;
    total += harvested;
    series.push({ day, count, harvested });
  }
  const between = Math.exp(ratePerDay * everyDays);
  const isKept = (1 - share) * between > 1;
  // A growth beyond all numbers fills the vessel each time.
  const steady = isKept
    ? between === Infinity
      ? capacity * (1 - share)
      : (capacity * ((1 - share) * between - 1)) / (between - 1)
    : 0;
  return {
    series,
    totalHarvested: total,
    sustainablePerDay: isKept ? ((share / (1 - share)) * steady) / everyDays : 0,
    steadyCountAfterHarvest: steady,
  };
}
