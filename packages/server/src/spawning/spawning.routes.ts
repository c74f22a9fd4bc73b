import type { ReplyOf } from '@freshet/contract/endpoints';
import type { spawningEndpoints } from '@freshet/contract/spawning';
import type { Handlers, Who } from '../platform';
import type { BroodsBy } from './spawning.replies';
import type { SpawningService } from './spawning.service';

/** Attempts as evidence, of one species or of all. */
type Evidence = (
  who: Who,
  speciesKey: string | undefined,
  limit: number | undefined,
  isNewestSpawned: boolean,
) => Promise<ReplyOf<typeof spawningEndpoints.evidence>>;

/** @param broodsBy - broods of attempts, from the area that knows them @param evidence - from the same */
export const spawningHandlers = (
  spawning: SpawningService,
  broodsBy: BroodsBy,
  evidence: Evidence,
): Handlers<typeof spawningEndpoints> => ({
  evidence: ({ who, query }) => evidence(who, query.speciesKey, query.limit, query.newestSpawned === 'true'),
  attempts: ({ who, query }) => spawning.attempts(who, query, broodsBy),
  attempt: ({ who, params }) => spawning.attempt(who, params.attemptId ?? '', broodsBy),
  recipes: ({ who }) => spawning.recipes.list(who),
});
