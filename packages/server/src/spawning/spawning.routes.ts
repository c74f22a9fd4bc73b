import type { spawningEndpoints } from '@freshet/contract/spawning';
import type { Handlers } from '../platform';
import type { BroodIdsBy, SpawningService } from './spawning.service';

/** @param broodIdsBy - broods of attempts, from the area that knows them */
export const spawningHandlers = (spawning: SpawningService, broodIdsBy: BroodIdsBy): Handlers<typeof spawningEndpoints> => ({
  attempts: ({ who, query }) => spawning.attempts(who, query, broodIdsBy),
  attempt: ({ who, params }) => spawning.attempt(who, params.attemptId ?? '', broodIdsBy),
  addAttempt: ({ who, body }) => spawning.addAttempt(who, body),
  trigger: ({ who, body }) => spawning.trigger(who, body),
  endAttempt: ({ who, body }) => spawning.endAttempt(who, body),
});
