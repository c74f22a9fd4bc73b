import { CalculationError } from '../errors';
import { studentQuantile } from '../numerics';

/** A whole estimated from some squares of a grid, with the range it lies in with 95 %. */
export interface SubsampleCount {
  estimate: number;
  low95: number;
  high95: number;
}

/**
 * How many there are, from counts of some squares of a grid chosen at random. Source: docs/sources.md#subsample
 * @param input.counts - of each square counted
 * @throws CalculationError `countMismatch`, `outOfRange` - no square, or more than there are; `notEnoughData` - one of several
 */
export function subsampleCount({
  squaresCounted: n,
  squaresTotal: total,
  counts,
}: {
  squaresCounted: number;
  squaresTotal: number;
  counts: readonly number[];
}): SubsampleCount {
  if (n === 0 || n > total)
    throw new CalculationError('outOfRange', 'squaresCounted', 'At least one square, and no more than there are.');
  if (counts.length !== n) throw new CalculationError('countMismatch', 'counts', 'A count for each square.');
  const seen = counts.reduce((sum, count) => sum + count, 0);
  if (n === total) return { estimate: seen, low95: seen, high95: seen };
  if (n === 1) throw new CalculationError('notEnoughData', 'counts', 'One square says nothing of the others: count two.');
  const mean = seen / n;
  const variance = counts.reduce((sum, count) => sum + (count - mean) ** 2, 0) / (n - 1);
  const reach = studentQuantile(0.975, n - 1) * total * Math.sqrt(((1 - n / total) * variance) / n);
  const estimate = total * mean;
  return { estimate, low95: Math.max(seen, estimate - reach), high95: estimate + reach };
}

/** What happened to a brood on a day, counted from its start. */
export interface SurvivalEvent {
  day: number;
  deaths?: number | null | undefined;
  /** Sold or moved elsewhere: no longer watched, not lost. */
  removedAlive?: number | null | undefined;
}

/** Survival after a day with deaths. */
export interface SurvivalStep {
  day: number;
  atRisk: number;
  deaths: number;
  survival: number;
  low95: number | null;
  high95: number | null;
}

const Z95 = 1.959964;

/**
 * The share alive by day, with those moved or sold taken out of the count as alive. On a day deaths come before removals.
 * Source: docs/sources.md#survival
 * @throws CalculationError `moreThanStock` - more gone on a day than there were
 */
export function survival({ start, events }: { start: number; events: readonly SurvivalEvent[] }): {
  steps: SurvivalStep[];
  finalSurvival: number;
  remaining: number;
} {
  const days = new Map<number, { deaths: number; removed: number }>();
  for (const { day, deaths, removedAlive } of events) {
    const sum = days.get(day) ?? { deaths: 0, removed: 0 };
    days.set(day, { deaths: sum.deaths + (deaths ?? 0), removed: sum.removed + (removedAlive ?? 0) });
  }
  const steps: SurvivalStep[] = [];
  let [atRisk, share, spread] = [start, 1, 0];
  for (const [day, { deaths, removed }] of [...days].sort(([a], [b]) => a - b)) {
    if (deaths + removed > atRisk)
      throw new CalculationError('moreThanStock', 'events', `On day ${day} more are gone than there were.`);
    if (deaths > 0) {
      share *= 1 - deaths / atRisk;
      spread += atRisk > deaths ? deaths / (atRisk * (atRisk - deaths)) : 0;
      const width = share > 0 ? (Z95 * Math.sqrt(spread)) / Math.abs(Math.log(share)) : 0;
      steps.push({
        day,
        atRisk,
        deaths,
        survival: share,
        low95: share > 0 ? share ** Math.exp(width) : null,
        high95: share > 0 ? share ** Math.exp(-width) : null,
      });
    }
    atRisk -= deaths + removed;
  }
  return { steps, finalSurvival: share, remaining: atRisk };
}
