import type { LarderView } from '../larder';
import type { Day, Instant } from '../time';

/** A move of the plan that was taken: so many of a lot into a tank on a day. */
export interface PlacedMove {
  id: string;
  lotId: string;
  /** The brood they are of; null for others. */
  broodId: string | null;
  toTankId: string;
  heads: number;
  on: Day;
  takenAt: Instant;
}

/** What grow-out adds to the house as it is now. */
export interface GrowoutFacts {
  /** Moves of the newest plan. */
  moves: readonly PlacedMove[];
  /** Heads of each brood that were chosen to be kept as breeders, by its newest selection. */
  held: Readonly<Record<string, number>>;
  /** The class each lot was sorted into last, by lot id, in the keeper's words. */
  grades: Readonly<Record<string, string>>;
}
export const NO_GROWOUT: GrowoutFacts = { moves: [], held: {}, grades: {} };

/** A house with the moves that are still to be made. */
export interface GrowoutView extends LarderView {
  /** Moves of the plan that nobody made yet, by the tank they go to. */
  movesTo: ReadonlyMap<string, readonly PlacedMove[]>;
  moves: readonly PlacedMove[];
  /** By brood id. */
  held: ReadonlyMap<string, number>;
  /** By lot id. */
  grades: ReadonlyMap<string, string>;
}

/** Whether a move was made: somebody of the brood came into its tank since, or the lot itself stands there; or it is gone. */
function isMade(before: LarderView, { lotId, broodId, toTankId, takenAt }: PlacedMove): boolean {
  const here = before.lotsByTank.get(toTankId) ?? [];
  const lives = before.stock.lots.some(({ id }) => id === lotId);
  return !lives || here.some((lot) => lot.id === lotId || (broodId !== null && lot.broodId === broodId && lot.since >= takenAt));
}

/** Works out which moves are still to be made. */
export function readGrowout(before: LarderView, facts: GrowoutFacts): GrowoutView {
  const moves = facts.moves.filter((move) => !isMade(before, move));
  const movesTo = new Map<string, PlacedMove[]>();
  for (const move of moves) movesTo.set(move.toTankId, [...(movesTo.get(move.toTankId) ?? []), move]);
  return { ...before, moves, movesTo, held: new Map(Object.entries(facts.held)), grades: new Map(Object.entries(facts.grades)) };
}
