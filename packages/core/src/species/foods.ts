import { expectedAgeDays, meanOfTenthMm } from './growth';
import type { Food } from './kinds';
import type { Figures } from './figures';

/** Foods of one size stand in for one another; others stand alone. */
export const SIZE_CLASSES: readonly (readonly Food[])[] = [
  ['infusoria', 'paramecium', 'rotifer'],
  ['vinegarEel', 'microworm'],
  ['brineShrimp', 'moina'],
  ['grindal', 'whiteWorm'],
  ['daphnia', 'pondCatch', 'scud'],
];

/** The foods that can stand in for a food, itself first. */
export const substitutesFor = (food: Food): readonly Food[] => [
  food,
  ...(SIZE_CLASSES.find((members) => members.includes(food)) ?? []).filter((other) => other !== food),
];

/** Given beside live food for as long as that is taken, not instead of it. */
const ADDED: ReadonlySet<Food> = new Set(['finePowder', 'crushedDry', 'pellets', 'wafers', 'vegetables', 'frozen', 'biofilm']);
/** Found in the tank or nibbled at: they end with nothing. */
const GRAZED: ReadonlySet<Food> = new Set(['vegetables', 'biofilm']);
/** Brine shrimp is worth giving until young are this long, mm. */
const BRINE_SHRIMP_UNTIL_MM = 22;
/** The old food goes on beside the new one, since the smallest are behind. */
const OVERLAP_DAYS = 7;

/** A food of a brood, in days from the first feed, `toDay` excluded. */
export interface FoodSpan {
  food: Food;
  fromDay: number;
  toDay: number;
}

/**
 * The foods of a brood by day: each from the day the smallest tenth can take it, the old one going on beside the new, brine shrimp until
 * they are long; what is added goes on to the sale. Source: docs/sources.md#first-food
 */
export function foodSpans(figures: Figures, pace = 1): FoodSpan[] {
  const end = Math.ceil(figures.saleDays[1] / pace);
  const dayOf = (tenthMm: number) => {
    if (tenthMm <= 0) return 0;
    const age = expectedAgeDays(figures, meanOfTenthMm(tenthMm), pace);
    return age === null ? null : Math.ceil(age);
  };
  const begins = figures.ladder.flatMap(({ food, fromMm, days }) => {
    const fromDay = dayOf(fromMm);
    return fromDay === null || fromDay >= end ? [] : [{ food, fromDay, days }];
  });
  return begins.map(({ food, fromDay, days }, i) => {
    const next = begins.slice(i + 1).find((rung) => rung.fromDay > fromDay && !GRAZED.has(rung.food));
    const until =
      days !== undefined
        ? fromDay + days
        : food === 'brineShrimp'
          ? (dayOf(BRINE_SHRIMP_UNTIL_MM) ?? end)
          : GRAZED.has(food)
            ? end
            : next
              ? next.fromDay + OVERLAP_DAYS
              : end;
    return { food, fromDay, toDay: Math.min(end, Math.max(until, fromDay + 1)) };
  });
}

/** What a brood eats on a day of feeding: the main food, and what goes on or begins beside it. */
export interface FoodsOfDay {
  main: Food;
  beside: readonly FoodSpan[];
}

/** The foods of one day, counted from the first feed. */
export function foodsOn(figures: Figures, ageDays: number): FoodsOfDay {
  const spans = foodSpans(figures);
  const here = spans.filter(({ fromDay, toDay }) => fromDay <= ageDays && ageDays < toDay);
  const live = here.filter(({ food }) => !ADDED.has(food));
  const among = live.length > 0 ? live : here;
  // Of those that begin on one day the first on the ladder leads.
  const latest = Math.max(...among.map(({ fromDay }) => fromDay));
  const main = among.find(({ fromDay }) => fromDay === latest) ?? spans.at(-1);
  return { main: main?.food ?? 'finePowder', beside: here.filter((span) => span !== main) };
}

/** The first food of a species' young. */
export const firstFood = (figures: Pick<Figures, 'ladder'>): Food => figures.ladder[0]?.food ?? 'finePowder';
