import { groupBy } from '../agenda';
import type { StockView } from '../stock';
import type { Day, TimeRange } from '../time';
import type { Recipe } from './recipeFields';

/** An attempt that is going on, or whose brood lives. */
export interface SpawningAttempt {
  id: string;
  name: string;
  speciesKey: string;
  tankId: string;
  recipe: Recipe;
  conditioningFrom: Day | null;
  setUpOn: Day | null;
  triggerOn: Day | null;
  triggered: TimeRange | null;
  parentLotIds: readonly string[];
  hasBrood: boolean;
  from: Day;
  to: Day | null;
}

/** The attempts that matter now: those not ended, and those of broods that live. */
export interface SpawningFacts {
  attempts: readonly SpawningAttempt[];
}

/** Attempts, to be looked up by tank and id. */
export interface SpawningView extends StockView {
  attempts: ReadonlyMap<string, SpawningAttempt>;
  attemptsByTank: ReadonlyMap<string, readonly SpawningAttempt[]>;
}

/** Looks up the attempts. */
export const readSpawning = (before: StockView, { attempts }: SpawningFacts): SpawningView => ({
  ...before,
  attempts: new Map(attempts.map((attempt) => [attempt.id, attempt])),
  attemptsByTank: groupBy(attempts, (attempt) => attempt.tankId),
});

/** Attempts of a tank that hold it on a day or later. */
export const holdsFrom = (attempts: readonly SpawningAttempt[], day: Day): SpawningAttempt[] =>
  attempts.filter((attempt) => attempt.to === null || attempt.to >= day);

/** Open attempts of a tank that eggs seen now could belong to: those begun; those without a brood before those with one. */
export function clutchCandidates(attempts: readonly SpawningAttempt[], today: Day): SpawningAttempt[] {
  const begun = holdsFrom(attempts, today).filter((attempt) => attempt.from <= today);
  const waiting = begun.filter((attempt) => !attempt.hasBrood);
  return waiting.length > 0 ? waiting : begun;
}
