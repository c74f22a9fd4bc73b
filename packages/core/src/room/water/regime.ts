import { addDays, daysBetween, type Day } from '../../time';

/** How a tank's water is changed: a share every so many days; `everyDays` null is as little as possible, on demand. */
export interface Regime {
  changeFraction: number;
  everyDays: number | null;
  /** Ceiling the keeper wants held, mg/L; null when none. */
  ceilingPpm: number | null;
  from: Day;
}
/** A value measured or changed on a day; several of one day keep their order. */
export interface DayValue {
  day: Day;
  ppm: number;
}
export interface DayChange {
  day: Day;
  fraction: number;
}

/** The day the next change is due; null when the regime asks for none. @param lastChange - null when none was logged */
export function nextChangeDay(regime: Regime, lastChange: Day | null): Day | null {
  if (regime.everyDays === null) return null;
  if (lastChange === null) return regime.from;
  const next = addDays(lastChange, regime.everyDays);
  return next < regime.from ? regime.from : next;
}

/**
 * What comes into the water each day, from readings and changes: between two readings the substance grows by an equal amount a
 * day and is diluted at each change; the daily amount is fitted by least squares over all stretches. Never below zero.
 * Source: docs/sources.md#dilution
 * @param readings - by day, ascending
 * @param changes - by day, ascending; a change on the day of a reading is taken to come after it
 * @param sourcePpm - content of the new water
 * @returns null with fewer than two readings on different days
 */
export function estimateProduction(
  readings: readonly DayValue[],
  changes: readonly DayChange[],
  sourcePpm: number,
): { ppmPerDay: number; stretches: number } | null {
  let [top, bottom, stretches] = [0, 0, 0];
  for (const [i, to] of readings.entries()) {
    const from = readings[i - 1];
    if (!from || daysBetween(from.day, to.day) === 0) continue;
    // The value at the later reading is `base + slope × production`.
    let [base, slope] = [from.ppm, 0];
    let at = from.day;
    for (const change of changes) {
      if (change.day < from.day || change.day >= to.day) continue;
      slope += daysBetween(at, change.day);
      at = change.day;
      base = base * (1 - change.fraction) + sourcePpm * change.fraction;
      slope *= 1 - change.fraction;
    }
    slope += daysBetween(at, to.day);
    top += slope * (to.ppm - base);
    bottom += slope * slope;
    stretches++;
  }
  return stretches === 0 || bottom === 0 ? null : { ppmPerDay: Math.max(0, top / bottom), stretches };
}

/**
 * The coming days under a regime: each day's end, after the change of that day.
 * @param lastChange - day of the last change; the next falls `everyDays` later, an overdue one on the first day
 * @returns `exceedsOn` is the first day whose value before a change is above the ceiling; null when it holds
 */
export function forecastRegime(input: {
  start: DayValue;
  ppmPerDay: number;
  sourcePpm: number;
  regime: Regime;
  lastChange: Day | null;
  days: number;
}): { curve: DayValue[]; exceedsOn: Day | null } {
  const { start, ppmPerDay, sourcePpm, regime, days } = input;
  const curve: DayValue[] = [start];
  let exceedsOn: Day | null = null;
  let { ppm } = start;
  let { lastChange } = input;
  for (let i = 1; i <= days; i++) {
    const day = addDays(start.day, i);
    ppm += ppmPerDay;
    if (exceedsOn === null && regime.ceilingPpm !== null && ppm > regime.ceilingPpm + 1e-9) exceedsOn = day;
    const due = nextChangeDay(regime, lastChange);
    if (due !== null && day >= due) {
      ppm = ppm * (1 - regime.changeFraction) + sourcePpm * regime.changeFraction;
      lastChange = day;
    }
    curve.push({ day, ppm });
  }
  return { curve, exceedsOn };
}
