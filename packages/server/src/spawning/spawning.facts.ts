import type { SpawningAttempt, SpawningFacts } from '@freshet/core/spawning';
import type { Reading } from '../platform';
import type { AttemptFacts } from './spawning.repository';
import type { SpawningService } from './spawning.service';

const toAttempt = (attempt: AttemptFacts, hasBrood: boolean): SpawningAttempt => ({
  id: attempt.id,
  name: attempt.name,
  speciesKey: attempt.speciesKey,
  tankId: attempt.tankId,
  recipe: attempt.recipe,
  conditioningFrom: attempt.conditioningFrom,
  setUpOn: attempt.setUpOn,
  triggerOn: attempt.triggerOn,
  triggered: attempt.triggered ? { from: attempt.triggered.fromAt, to: attempt.triggered.toAt } : null,
  parentLotIds: attempt.parents.map((parent) => parent.lotId),
  hasBrood,
  from: attempt.from,
  to: attempt.ended?.day ?? attempt.to,
});

/**
 * Attempts as they are now: those that go on, and those whose broods live.
 * @param living - ids of attempts whose broods live
 * @param withBrood - of some attempts those that have a brood, as a later area knows
 */
export const createSpawningFacts =
  ({ spawning }: { spawning: SpawningService }) =>
  async (
    at: Reading,
    living: readonly string[],
    withBrood: (attemptIds: readonly string[]) => Promise<ReadonlySet<string>>,
  ): Promise<SpawningFacts> => {
    const rows = await spawning.repository.openOr(at, living);
    const [facts, has] = await Promise.all([spawning.withFacts(at, rows), withBrood(rows.map(({ id }) => id))]);
    return { attempts: facts.map((attempt) => toAttempt(attempt, has.has(attempt.id))) };
  };
