import type { ReadBrood } from '../broods';
import { FOOD_SIZE_UM, foodsOn, type Food } from '../species';
import { dayNumber, type Day } from '../time';
import { isLost } from './cultures';
import type { LarderView } from './facts';
import { foodClassOf } from './foodClasses';

/** A new food is at most so much wider than what they take already, and not much finer. */
const WIDER = 1.5;
const FINER = 0.4;
const DAYS_A_WEEK = 7;

/**
 * One more food of their size for young that are to know many: of those from the shelf, and of those that live in the larder, another
 * each week; null where there is none. Source: docs/sources.md#food-sizes
 */
export function newFoodFor(view: LarderView, { species, state }: ReadBrood, main: Food, day: Day): Food | null {
  const size = FOOD_SIZE_UM[main];
  if (!size || state.feedingDays === null) return null;
  const { main: leading, beside } = foodsOn(species.figures, Math.max(0, Math.floor(state.feedingDays + state.aheadDays)));
  const known = new Set<Food>([main, leading, ...beside.map(({ food }) => food)]);
  const alive = new Set<Food>(view.cultures.flatMap(({ culture }) => (isLost(culture) ? [] : [culture.food])));
  const fitting = (Object.entries(FOOD_SIZE_UM) as [Food, readonly [number, number]][]).flatMap(([food, [width]]) =>
    known.has(food) || width > size[0] * WIDER || width < size[0] * FINER || (foodClassOf(food) !== null && !alive.has(food))
      ? []
      : [food],
  );
  return fitting[Math.floor(dayNumber(day) / DAYS_A_WEEK) % Math.max(1, fitting.length)] ?? null;
}
