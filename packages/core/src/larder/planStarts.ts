import { CalculationError } from '../errors';
import { minCut } from '../numerics';

/** What a culture started on a day gives, and when. */
export interface CultureSpan {
  ripeDays: number;
  lastsDays: number;
  yieldPerDay: number;
}

/** One that is already running; days from today. */
export interface RunningCulture {
  fromDay: number;
  toDay: number;
  yieldPerDay: number;
}

/** Amounts are reckoned in millionths, as whole numbers: plans that come to the same compare as the same. */
const UNIT = 1e6;
const toWhole = (value: number): bigint => BigInt(Math.round(value * UNIT));
/** More than any plan can cost: what may not be. */
const NEVER = 1n << 200n;
/** A missing millionth weighs more than all starts, a start more than all of its days. */
const SHORT = 1n << 60n;
const START = 1n << 30n;

/** A convex cost of how many were started between two days: of P[to] - P[from], P the number started before a day. */
interface Term {
  from: number;
  to: number;
  cost: (count: number) => bigint;
}

/**
 * When to start cultures so that food is ripe on the days it is needed: the least shortfall, of those the fewest starts, of those the
 * latest. What is given and what runs on a day are starts of consecutive days, so that the whole cost is a sum of convex costs of
 * differences; it is climbed by the best set of days at a time (Murota 2003), each found as a cut. Source: docs/sources.md#plan-starts
 * @param input.demand - by day from today
 * @throws CalculationError `outOfRange` - a running one that ends before it begins; `tooManyRunning`
 */
export function planStarts(input: {
  demand: readonly number[];
  culture: CultureSpan;
  existing?: readonly RunningCulture[] | null | undefined;
  maxStartsPerDay?: number | null | undefined;
  maxRunning?: number | null | undefined;
}): { starts: { day: number; count: number }[]; shortfall: number; started: number; startDaySum: number } {
  const { demand, culture } = input;
  const existing = input.existing ?? [];
  const perDay = input.maxStartsPerDay ?? 1;
  const days = demand.length;
  if (existing.some(({ fromDay, toDay }) => toDay < fromDay))
    throw new CalculationError('outOfRange', 'existing', 'A culture ends after it begins.');
  const running = demand.map((_, day) => existing.filter(({ toDay }) => toDay >= day).length);
  const limit = input.maxRunning ?? null;
  if (limit !== null && running.some((count) => count > limit))
    throw new CalculationError('tooManyRunning', 'maxRunning', 'More run already than may.');
  const { ripeDays, lastsDays } = culture;
  const each = toWhole(culture.yieldPerDay);
  const missing = demand.map((wanted, day) => {
    const given = existing
      .filter(({ fromDay, toDay }) => fromDay <= day && day <= toDay)
      .reduce((sum, { yieldPerDay }) => sum + toWhole(yieldPerDay), 0n);
    return toWhole(wanted) - given;
  });
  const terms: Term[] = [];
  for (let day = 0; day < days; day++) {
    // Started on this day: not below 0, not above what may be.
    terms.push({
      from: day,
      to: day + 1,
      cost: (count) => (count < 0 || count > perDay ? NEVER : BigInt(count) * (START - BigInt(day))),
    });
    const wanted = missing[day] ?? 0n;
    const [first, last] = [Math.max(0, day - ripeDays - lastsDays + 1), day - ripeDays];
    if (wanted > 0n && last >= first)
      terms.push({
        from: first,
        to: last + 1,
        cost: (count) => {
          const short = wanted - BigInt(count) * each;
          return short > 0n ? short * SHORT : 0n;
        },
      });
    if (limit !== null)
      terms.push({ from: first, to: day + 1, cost: (count) => (count > limit - (running[day] ?? 0) ? NEVER : 0n) });
  }
  const before = new Array<number>(days + 1).fill(0);
  const countOf = ({ from, to }: Term) => (before[to] ?? 0) - (before[from] ?? 0);
  for (;;) {
    // Raising P on a set of days: what each term gains when only its end, or only its beginning, is raised. Day 0 never is.
    const gain = new Array<bigint>(days + 1).fill(0n);
    gain[0] = NEVER * 4n;
    const edges = terms.map((term) => {
      const count = countOf(term);
      const now = term.cost(count);
      const [up, down] = [term.cost(count + 1) - now, term.cost(count - 1) - now];
      gain[term.to] = (gain[term.to] ?? 0n) + up;
      gain[term.from] = (gain[term.from] ?? 0n) - up;
      return { from: term.from, to: term.to, weight: up + down };
    });
    const { inSet, value } = minCut(gain, edges);
    if (value >= 0n) break;
    inSet.forEach((isIn, day) => {
      if (isIn) before[day] = (before[day] ?? 0) + 1;
    });
  }
  const counts = demand.map((_, day) => (before[day + 1] ?? 0) - (before[day] ?? 0));
  const shortfall = demand.reduce((sum, wanted, day) => {
    const own = counts.reduce(
      (given, count, start) =>
        start + ripeDays <= day && day <= start + ripeDays + lastsDays - 1 ? given + count * culture.yieldPerDay : given,
      0,
    );
    const old = existing
      .filter(({ fromDay, toDay }) => fromDay <= day && day <= toDay)
      .reduce((given, { yieldPerDay }) => given + yieldPerDay, 0);
    return sum + Math.max(0, wanted - own - old);
  }, 0);
  return {
    starts: counts.flatMap((count, day) => (count > 0 ? [{ day, count }] : [])),
    shortfall,
    started: counts.reduce((sum, count) => sum + count, 0),
    startDaySum: counts.reduce((sum, count, day) => sum + count * day, 0),
  };
}
