import { v7 as newId } from 'uuid';
import { houseDay } from '@freshet/core/time';
import type { LogService, Scope, Undoing } from '../log';
import { DomainError, OLDEST_FIRST } from '../platform';
import type { SpawningService } from '../spawning';
import type { BroodsRepository, BroodRow } from './broods.repository';

/** Says which attempt a brood is of, when it was found without one or logged with the wrong one. */
export function createJoin({
  log,
  spawning,
  repository,
  getBrood,
}: {
  log: LogService;
  spawning: SpawningService;
  repository: BroodsRepository;
  getBrood: (scope: Scope, broodId: string) => Promise<{ brood: BroodRow }>;
}): void {
  const { broods, joins } = repository;
  /** After an undo the newest joining that still stands says it, or what the first of them found. */
  const after: Undoing['after'] = async (scope, entry) => {
    const broodId = entry.subjectId;
    if (!broodId) return;
    const standing = await joins.find(scope, { broodId }, OLDEST_FIRST);
    const [first] = await joins.find(scope, { broodId }, { ...OLDEST_FIRST, limit: 1, all: true });
    const attemptId = standing.at(-1)?.attemptId ?? first?.fromAttemptId ?? null;
    await broods.update(scope, { id: broodId }, { attemptId });
  };

  log.declare({
    join: {
      apply: async (scope, body) => {
        const { brood } = await getBrood(scope, body.broodId);
        const attempt = await spawning.getAttempt(scope, body.attemptId);
        const wrong = (detail: string) => new DomainError('request/invalid', { detail, pointer: '#/attemptId' });
        if (attempt.speciesKey !== brood.speciesKey) throw wrong('That spawning is of another species.');
        if (attempt.id === brood.attemptId) throw wrong('It’s part of that spawning already.');
        if (attempt.fromDay > houseDay(brood.laidTo, scope.timeZone)) throw wrong('That spawning began after these were laid.');
        await joins.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          broodId: brood.id,
          attemptId: attempt.id,
          fromAttemptId: brood.attemptId,
          at: scope.now,
        });
        await broods.update(scope, { id: brood.id }, { attemptId: attempt.id });
        return {
          text: `${brood.name}: joined to ${attempt.name}`,
          tankId: attempt.tankId,
          subjectId: brood.id,
          about: [attempt.id],
        };
      },
      undo: { tables: [joins], after },
    },
  });
}
