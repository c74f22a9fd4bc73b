import type { spawningEndpoints } from '@freshet/contract/spawning';
import type { Handlers, Who } from '../platform';
import type { SpawningService } from './spawning.service';

/** @param broodIdsBy - broods of each attempt, from the area that knows them */
export const spawningHandlers = (
  spawning: SpawningService,
  broodIdsBy: (who: Who) => Promise<ReadonlyMap<string, string[]>>,
): Handlers<typeof spawningEndpoints> => ({
  attempts: async ({ who }) => spawning.attempts(who, await broodIdsBy(who)),
  addAttempt: ({ who, body }) => spawning.addAttempt(who, body),
  trigger: ({ who, body }) => spawning.trigger(who, body),
  endAttempt: ({ who, body }) => spawning.endAttempt(who, body),
});
