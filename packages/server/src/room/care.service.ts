import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { careEndpoints } from '@freshet/contract/room';
import { CARE_WORDS, type CareKind } from '@freshet/core/room';
import { formatAmount } from '@freshet/core/units';
import type { Applied, LogService, Scope, ToBody } from '../log';
import type { Database } from '../platform';
import { createCareRepository } from './care.repository';
import type { RoomService } from './room.service';

type Body = BodyOf<(typeof careEndpoints)['logCare']>;
/** Food, dye, clearings out, looks and signs: what was done at a tank or seen in it. */
export function createCare({ database, log, room }: { database: Database; log: LogService; room: RoomService }) {
  const repository = createCareRepository(database);
  const { care: table } = repository;

  async function applyCare(scope: Scope, { tankId, care, what, amount, unit, at }: Omit<Body, 'id'>): Promise<Applied> {
    const tank = await room.getTank(scope, tankId, '#/tankId');
    await table.insert(scope, { id: newId(), entryId: scope.entryId, tankId, kind: care, what, amount, unit, at });
    return { text: `${tank.code}: ${CARE_WORDS[care](what)} ${formatAmount(amount, unit)}`.trimEnd(), tankId, subjectId: tankId };
  }
  /** A tick at a tank's stop: what was given is named by the tick, or by the chore's own words. */
  const ticked =
    (care: CareKind): ToBody<'care'> =>
    (_scope, { what, text: words, amount, unit, at, tankId }) =>
      tankId ? { tankId, care, what: what || words, amount, unit, at } : null;

  log.declare({
    care: {
      apply: (scope, body) => applyCare(scope, body),
      undo: { tables: [table] },
      ticks: { fed: ticked('fed'), dyed: ticked('dyed'), clearedOut: ticked('clearedOut'), looked: ticked('looked') },
    },
  });

  return {
    applyCare,
    since: repository.since,
  };
}
export type CareService = ReturnType<typeof createCare>;
