import * as v from 'valibot';
import type { FoodLadder, PourList, Tide } from '@freshet/core/larder';
import type { Day } from '@freshet/core/time';

/** What core worked out, as plain JSON: its shape is core's own type, and the first page need not carry it twice. */
const workedOut = <T>() =>
  v.custom<T>((value) => typeof value === 'object' && value !== null, 'This is not what was worked out.');

/** Supply and demand of live food by class and day, in ml of the class's leading food. */
export const TideReply = workedOut<Tide>();

/** The morning's pouring. */
export const PourReply = workedOut<PourList & { day: Day }>();

/** A brood's foods by size, with their days, and where it lives. */
export interface BroodLadder extends FoodLadder {
  broodId: string;
  name: string;
  codes: string;
}
/** Every brood's foods. */
export const LadderReply = workedOut<BroodLadder[]>();
