import { addDays, daysBetween, type Day } from '../../time';

/** How long newcomers stay apart when the keeper sets nothing else, days. */
export const QUARANTINE_DAYS = 28;

/** Where a tank's quarantine stands. */
export interface Quarantine {
  /** Day from which it counts: the last arrival starts it again. */
  from: Day;
  /** First day on which it may end. */
  endsOn: Day;
  daysLeft: number;
}

/**
 * The end of a tank's quarantine: so many days after the last arrival or the last sign of illness, whichever is later.
 * @param days - length by the house's rule, ≥ 1
 * @returns null when nobody arrived and nothing was seen
 */
export function decideQuarantine(lastArrival: Day | null, lastIllness: Day | null, days: number, today: Day): Quarantine | null {
  const from = [lastArrival, lastIllness]
    .filter((day) => day !== null)
    .sort()
    .at(-1);
  if (!from) return null;
  const endsOn = addDays(from, days);
  return { from, endsOn, daysLeft: Math.max(0, daysBetween(today, endsOn)) };
}
