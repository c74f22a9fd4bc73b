import { FOOD_NAMES } from '../species';
import { addDays, formatDay, inARow, type Day } from '../time';
import { planStarts } from './planStarts';
import { FOOD_CLASSES } from './foodClasses';
import type { NewVessel, TideClass, TideVessel } from './tide';
import { firstDay } from './demand';
import type { CultureFood } from './keys';

/** Supply and demand on each day, ml of the leading food; `safe` is what is given by vessels that are surely ripe. */
export interface TideDay {
  demand: number;
  low: number;
  high: number;
  supply: number;
  short: number;
  /** How many vessels give. */
  sources: number;
}

/** What vessels give and what is needed, by day. */
export function tideDays(tide: Pick<TideClass, 'rows' | 'vessels' | 'tin'>, days: number): TideDay[] {
  return Array.from({ length: days }, (_, day) => {
    const sum = (pick: 'mid' | 'low' | 'high') => tide.rows.reduce((total, row) => total + (row[pick][day] ?? 0), 0);
    const giving = tide.vessels.filter((vessel) => vessel.ripeDay <= day && day <= vessel.lastDay);
    const supply = giving.reduce((total, { perDay }) => total + perDay, 0) + (tide.tin?.perDay[day] ?? 0);
    const demand = sum('mid');
    return {
      demand,
      low: sum('low'),
      high: sum('high'),
      supply,
      short: Math.max(0, demand - supply) > demand * 0.02 + 1e-9 ? demand - supply : 0,
      sources: giving.length,
    };
  });
}

/** What a keeper wants of a plan. */
export interface TideWishes {
  food: NewVessel;
  /** Two vessels on each day that needs food. */
  secondSource: boolean;
  /** More than the expected need, as a share of it. */
  margin: number;
  /** At most so many vessels of the class at once; null for no limit. */
  mostVessels: number | null;
}

/** Starts that cover the need, and what is left open. */
export interface TidePlan {
  starts: { day: number; food: CultureFood; needKey: string | null; needFrom: number | null }[];
  /** Days on which less is given than is needed, or than was wished for. */
  shortDays: number[];
  /** Days from today on which nothing started now can be ripe. */
  tooSoon: number[];
  words: string;
  why: string[];
  offers: string[];
}

/**
 * The fewest and latest starts that cover the demand of a class, by `larder.plan` in whole vessels: on each day as many as the need and the
 * margin ask for, and two where a second source is wished. Source: docs/sources.md#plan-starts
 * @param tide - its `vessels` are those that count: running ones, and planned ones the keeper holds on to
 * @param today - for the words
 */
export function planTide(tide: TideClass, days: number, wishes: TideWishes, today: Day): TidePlan {
  const { food, secondSource, margin, mostVessels } = wishes;
  const before = tideDays(tide, days);
  const wanted = before.map(({ demand }) =>
    demand <= 0 ? 0 : Math.max(secondSource ? 2 : 1, Math.ceil((demand * (1 + margin)) / food.perDay - 1e-9)),
  );
  const existing = tide.vessels
    .filter(({ lastDay }) => lastDay >= 0)
    .map((vessel) => ({
      fromDay: Math.max(0, vessel.ripeDay),
      toDay: Math.max(0, vessel.lastDay, vessel.ripeDay),
      yieldPerDay: Math.max(1, vessel.perDay / food.perDay),
    }));
  const limit = mostVessels === null ? null : Math.max(mostVessels, existing.length);
  const { starts } = planStarts({
    demand: wanted,
    culture: { ripeDays: food.ripeDays, lastsDays: food.lastsDays, yieldPerDay: 1 },
    existing,
    maxStartsPerDay: 3,
    maxRunning: limit,
  });
  const list = starts.flatMap(({ day, count }) => new Array<number>(count).fill(day));
  const vessels: TideVessel[] = list.map((day, i) => madeVessel(food, day, `new:${i}`, tide.key));
  const after = tideDays({ ...tide, vessels: [...tide.vessels, ...vessels] }, days);
  const shortDays = after.flatMap(({ short, sources, demand }, day) =>
    short > 0 || (demand > 0 && secondSource && sources < 2) ? [day] : [],
  );
  const tooSoon = shortDays.filter((day) => day < food.ripeDays);
  const name = FOOD_NAMES[food.food];
  const dayWords = (day: number) => formatDay(addDays(today, day), today);
  const isNeeded = wanted.some((count) => count > 0);
  const whose = (day: number) => {
    const row = tide.rows.find(({ high }) => (high[day] ?? 0) > 0);
    return row?.label ?? 'the young';
  };
  const opened = after.flatMap(({ short }, day) => (short > 0 ? [day] : []));
  const words = !isNeeded
    ? 'Nothing needs it in these weeks.'
    : list.length === 0 && shortDays.length === 0
      ? 'You have enough running. Nothing to start.'
      : list.length === 0
        ? opened.length > 0
          ? `Too late to start anything: ${range(opened, dayWords)} ${opened.length === 1 ? 'stays' : 'stay'} short for ${whose(opened[0] ?? 0)}.`
          : `Enough, but from one culture only: no back-up on ${range(shortDays, dayWords)}.`
        : `${count(list.length)} of ${name} ${list.length === 1 ? 'covers' : 'cover'} ${opened.length > 0 ? 'the rest' : 'it'}: ${inARow(list.map(dayWords))}.${opened.length > 0 ? ` ${range(opened, dayWords, true)} ${opened.length === 1 ? 'stays' : 'stay'} short for ${whose(opened[0] ?? 0)}.` : ''}`;
  const peak = Math.max(0, ...before.map(({ demand }) => demand));
  return {
    starts: list.map((day) => {
      const first = after.findIndex(
        ({ demand }, at) => demand > 0 && at >= day + food.ripeDays && at < day + food.ripeDays + food.lastsDays,
      );
      const row = first < 0 ? null : tide.rows.find(({ high }) => (high[first] ?? 0) > 0);
      return { day, food: food.food, needKey: row?.key ?? null, needFrom: row ? firstDay(row) : null };
    }),
    shortDays,
    tooSoon,
    words,
    why: [
      `The fewest starts, as late as they can be${secondSource ? ', with two vessels on each day that needs food' : ''}${margin > 0 ? `, and ${Math.round(margin * 100)} % extra` : ''}.`,
      `A vessel of ${name} is ripe after ${food.ripeDays} days, gives for ${food.lastsDays} and counts as ${round(food.perDay)} ml a day.`,
      `The most needed is ${round(peak)} ml a day.`,
      ...(limit !== null ? [`Never more than ${limit} vessels at once.`] : []),
    ],
    offers: opened.length === 0 ? [] : offersFor(tide, opened, before, dayWords),
  };
}

const round = (value: number) =>
  value >= 100 ? Math.round(value / 10) * 10 : value >= 10 ? Math.round(value) : Math.round(value * 10) / 10;
const NUMBERS = ['No start', 'One start', 'Two starts', 'Three starts', 'Four starts', 'Five starts', 'Six starts'];
const count = (n: number) => NUMBERS[n] ?? `${n} starts`;

/** Days in words: first and last, as they are mostly in a row. */
function range(days: readonly number[], words: (day: number) => string, atStart = false): string {
  const [first, last] = [days[0] ?? 0, days.at(-1) ?? 0];
  const text = first === last ? words(first) : `${words(first)} to ${words(last)}`;
  return atStart ? text.charAt(0).toUpperCase() + text.slice(1) : text;
}

/** What can be done about days that stay short. */
function offersFor(
  tide: TideClass,
  short: readonly number[],
  days: readonly TideDay[],
  words: (day: number) => string,
): string[] {
  const { bridge } = FOOD_CLASSES[tide.key];
  const worst = Math.max(...short.map((day) => 1 - (days[day]?.supply ?? 0) / Math.max(1e-9, days[day]?.demand ?? 1)));
  const most = Math.max(...short.map((day) => (days[day]?.demand ?? 0) - (days[day]?.supply ?? 0)));
  return [
    `Meanwhile give ${bridge}.`,
    `Ask a friend for ${round(most)} ml a day, ripe by ${words(short[0] ?? 0)}.`,
    ...(worst < 0.95 && worst > 0.02 ? [`Keep ${Math.round((1 - worst) * 100)} % of the fry; there’s food for that many.`] : []),
  ];
}

/** A vessel that would be started on a day. */
export const madeVessel = (food: NewVessel, day: number, id: string, classKey: TideClass['key']): TideVessel => ({
  id,
  name: FOOD_NAMES[food.food],
  food: food.food,
  classKey,
  state: 'planned',
  startDay: day,
  mayRipeDay: day + food.ripeFrom,
  ripeDay: day + food.ripeDays,
  lastDay: day + food.ripeDays + food.lastsDays - 1,
  perDay: food.perDay,
  basis: 'book',
  movedDays: 0,
});
