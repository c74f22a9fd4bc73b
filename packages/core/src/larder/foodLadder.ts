import type { ReadBrood } from '../broods';
import { expectedLengthMm, FOOD_SIZE_UM, foodSpans, smallestTenthMm, type Food } from '../species';
import { addDays, houseDay, type Day } from '../time';

/** One rung of a brood's ladder with its days. */
export interface FoodRung {
  food: Food;
  fromMm: number;
  /** Width and length of the food, µm; null where it is none, as biofilm. */
  sizeUm: readonly [number, number] | null;
  /** First day the smallest tenth can take it, and the last day it is given. */
  from: Day;
  to: Day;
  state: 'over' | 'now' | 'coming';
  /** Days on which the one before goes on beside it. */
  overlapDays: number;
}

/** Where a brood stands on its ladder. */
export interface FoodLadder {
  smallestMm: number;
  meanMm: number;
  /** Lengths are measured and grown on, or by the curve alone. */
  isMeasured: boolean;
  /** They feed; else all days are counted from the first day they may. */
  isFeeding: boolean;
  rungs: FoodRung[];
}

/** A brood's foods by size with their days; null when nothing says when it feeds. */
export function foodLadder({ brood, species, state }: ReadBrood, today: Day, timeZone: string): FoodLadder | null {
  const feed = state.windows.find((window) => window.stage === 'firstFeed');
  if (state.feedingDays === null && !feed?.earliest) return null;
  const { figures } = species;
  const age = state.feedingDays === null ? 0 : Math.floor(state.feedingDays) + state.aheadDays;
  const from =
    state.feedingDays === null && feed?.earliest ? houseDay(feed.earliest, timeZone) : addDays(today, -Math.round(age));
  const meanMm = state.lengthMm ?? expectedLengthMm(figures, 0);
  const spans = foodSpans(figures);
  const rungs = spans.map((span, i): FoodRung => {
    const [first, last] = [addDays(from, span.fromDay), addDays(from, span.toDay - 1)];
    const before = spans[i - 1];
    return {
      food: span.food,
      fromMm: figures.ladder.find((rung) => rung.food === span.food)?.fromMm ?? 0,
      sizeUm: FOOD_SIZE_UM[span.food] ?? null,
      from: first,
      to: last,
      state: last < today ? 'over' : first <= today ? 'now' : 'coming',
      overlapDays: before ? Math.max(0, before.toDay - span.fromDay) : 0,
    };
  });
  return {
    smallestMm: state.smallestMm ?? smallestTenthMm(meanMm),
    meanMm,
    isMeasured: (brood.measured ?? null) !== null,
    isFeeding: state.feedingDays !== null,
    rungs,
  };
}
