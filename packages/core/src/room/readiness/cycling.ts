import { addDays, daysBetween, type Day } from '../../time';

/** Ammonia or nitrite on a day, mg/L. */
export interface CyclingReading {
  day: Day;
  quantity: 'ammoniaPpm' | 'nitritePpm';
  ppm: number;
}

/** At or below this a test shows nothing. */
export const ZERO_PPM = 0.05;
/** Longest gap between two feedings of a cycling filter. */
const FED_EVERY_DAYS = 4;
const LEAST_POINTS = 3;
/** Usual length of a start without seeding, days. */
const USUAL_DAYS = [28, 56] as const;

/** How a start-up stands. */
export interface CyclingVerdict {
  done: boolean;
  /** First day of the unbroken run of zeros in both; null when the newest of either is above zero or missing. */
  zeroSince: Day | null;
  /** What stands in the way, in words fit for the keeper. */
  missing: string[];
  /** Window in which it is expected to be done; null when done. `basis` says on what it rests. */
  expected: { from: Day; to: Day; basis: 'zeros' | 'curve' | 'usual' } | null;
}

const of = (readings: readonly CyclingReading[], quantity: CyclingReading['quantity']) =>
  readings.filter((reading) => reading.quantity === quantity);

/** First day of the run of zeros at the end; null when the last is not zero. */
function zeroRun(readings: readonly CyclingReading[]): Day | null {
  const lastAbove = readings.findLastIndex((reading) => reading.ppm > ZERO_PPM);
  return readings[lastAbove + 1]?.day ?? null;
}

/**
 * Days from `today` until the falling end of a curve reaches zero, as a window: a straight line through the logarithms of the
 * points since the peak, and its 95 % band. Null while it does not fall or with fewer than three points.
 */
function daysToZero(readings: readonly CyclingReading[], today: Day): { from: number; to: number } | null {
  const peak = readings.reduce((best, reading, i) => (reading.ppm >= (readings[best]?.ppm ?? 0) ? i : best), 0);
  const fall = readings.slice(peak).filter((reading) => reading.ppm > 0);
  const first = fall[0];
  if (!first || fall.length < LEAST_POINTS) return null;
  const xs = fall.map((reading) => daysBetween(first.day, reading.day));
  const ys = fall.map((reading) => Math.log(reading.ppm));
  const n = xs.length;
  const meanX = xs.reduce((a, b) => a + b, 0) / n;
  const meanY = ys.reduce((a, b) => a + b, 0) / n;
  const sxx = xs.reduce((sum, x) => sum + (x - meanX) ** 2, 0);
  if (sxx === 0) return null;
  const slope = xs.reduce((sum, x, i) => sum + (x - meanX) * ((ys[i] ?? 0) - meanY), 0) / sxx;
  const residual = xs.reduce((sum, x, i) => sum + ((ys[i] ?? 0) - meanY - slope * (x - meanX)) ** 2, 0);
  const error = Math.sqrt(residual / Math.max(1, n - 2) / sxx);
  if (slope >= 0) return null;
  const now = meanY + slope * (daysBetween(first.day, today) - meanX);
  const drop = Math.log(ZERO_PPM) - now;
  if (drop >= 0) return { from: 0, to: 3 };
  const fast = drop / (slope - 2 * error);
  const slow = slope + 2 * error < -1e-6 ? drop / (slope + 2 * error) : USUAL_DAYS[1];
  return { from: Math.max(0, Math.floor(fast + 1e-9)), to: Math.min(USUAL_DAYS[1], Math.ceil(slow - 1e-9)) };
}

/**
 * Judges a filter's start from its readings: both reactions are there once ammonia and nitrite show nothing for `zeroDays` in a
 * row while it is being fed. Zeros without food prove nothing. The expected day comes from the falling end of the curves.
 * Source: docs/sources.md#cycling
 * @param readings - since it was filled, oldest first
 * @param fedOn - days on which the filter was fed, ascending
 * @param zeroDays - length of the run that is asked for, ≥ 1
 */
export function judgeCycling(input: {
  readings: readonly CyclingReading[];
  fedOn: readonly Day[];
  filledOn: Day;
  zeroDays: number;
  today: Day;
}): CyclingVerdict {
  const { readings, fedOn, filledOn, zeroDays, today } = input;
  const missing: string[] = [];
  const ammonia = of(readings, 'ammoniaPpm');
  const nitrite = of(readings, 'nitritePpm');
  const runs = [zeroRun(ammonia), zeroRun(nitrite)];
  const zeroSince = runs[0] && runs[1] ? (runs[0] > runs[1] ? runs[0] : runs[1]) : null;
  for (const [i, [list, name]] of (
    [
      [ammonia, 'Ammonia'],
      [nitrite, 'Nitrite'],
    ] as const
  ).entries()) {
    const last = list.at(-1);
    if (!last) missing.push(`${name} has not been measured since it was filled. Measure it.`);
    else if (!runs[i]) missing.push(`${name} was ${Number(last.ppm.toPrecision(2))} mg/L on its last test; it must be zero.`);
  }
  const fedSince = zeroSince ?? filledOn;
  const stops = [fedSince, ...fedOn.filter((day) => day > fedSince), today];
  const hungry = stops.some((day, i) => i > 0 && daysBetween(stops[i - 1] ?? day, day) > FED_EVERY_DAYS);
  if (fedOn.length === 0) missing.push('The filter has not been fed. Feed it as if fish lived there, and log it.');
  else if (hungry)
    missing.push(`It was not fed for more than ${FED_EVERY_DAYS} days; zeros without food prove nothing. Feed it and log it.`);
  const lastTest = [ammonia.at(-1)?.day, nitrite.at(-1)?.day].sort()[0];
  const run = zeroSince && lastTest ? daysBetween(zeroSince, lastTest) : 0;
  if (zeroSince && run < zeroDays)
    missing.push(`Both at zero for ${run} ${run === 1 ? 'day' : 'days'}; ${zeroDays} needed. Test again on the last day.`);
  if (missing.length === 0) return { done: true, zeroSince, missing, expected: null };
  if (zeroSince) {
    const day = [addDays(zeroSince, zeroDays), today].sort().at(-1) ?? today;
    return { done: false, zeroSince, missing, expected: { from: day, to: addDays(day, hungry ? zeroDays : 2), basis: 'zeros' } };
  }
  const falls = [ammonia, nitrite].filter((list) => (list.at(-1)?.ppm ?? 0) > ZERO_PPM).map((list) => daysToZero(list, today));
  if (falls.length > 0 && falls.every((fall) => fall !== null)) {
    const from = Math.max(...falls.map((fall) => fall.from)) + zeroDays;
    const to = Math.max(from, Math.max(...falls.map((fall) => fall.to)) + zeroDays);
    return { done: false, zeroSince, missing, expected: { from: addDays(today, from), to: addDays(today, to), basis: 'curve' } };
  }
  const usual = USUAL_DAYS.map((days) => [addDays(filledOn, days), addDays(today, zeroDays)].sort().at(-1) ?? today);
  return {
    done: false,
    zeroSince,
    missing,
    expected: { from: usual[0] ?? today, to: usual[1] ?? today, basis: 'usual' },
  };
}
