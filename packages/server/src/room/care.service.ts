import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { careEndpoints } from '@freshet/contract/room';
import { CARE_WORDS, type CareKind } from '@freshet/core/room';
import { exactly } from '@freshet/core/time';
import { formatAmount } from '@freshet/core/units';
import type { TickHandler, Ticks } from '../agenda';
import type { Applied, LogService, Scope } from '../log';
import type { Database, Reading, Who } from '../platform';
import { createCareRepository } from './care.repository';
import type { RoomService } from './room.service';

type Body = BodyOf<(typeof careEndpoints)['logCare']>;
/** Food, dye, clearings out, looks and signs: what was done at a tank or seen in it. */
export function createCare({
  database,
  log,
  ticks,
  room,
}: {
  database: Database;
  log: LogService;
  ticks: Ticks;
  room: RoomService;
}) {
  const repository = createCareRepository(database);
  const { care: table } = repository;
  log.register({ care: { tables: [table] } });

  async function applyCare(scope: Scope, { tankId, care, what, amount, unit, at }: Omit<Body, 'id'>): Promise<Applied> {
    const tank = await room.getTank(scope, tankId, '#/tankId');
    await table.insert(scope, { id: newId(), entryId: scope.entryId, tankId, kind: care, what, amount, unit, at });
    return { text: `${tank.code}: ${CARE_WORDS[care](what)} ${formatAmount(amount, unit)}`.trimEnd(), tankId, subjectId: tankId };
  }
  /** A tick at a tank's stop: what was given is named by the tick, or by the chore's own words. */
  const ticked = (care: CareKind): TickHandler => ({
    entry: 'care',
    apply: async (scope, { what, text: words, amount, unit, at, tankId }) =>
      tankId ? applyCare(scope, { tankId, care, what: what || words, amount, unit, at }) : null,
  });
  ticks.register({ fed: ticked('fed'), dyed: ticked('dyed'), clearedOut: ticked('clearedOut') });

  return {
    applyCare,
    since: (at: Reading, from: string) => repository.since(at, from),
    logCare: (who: Who, body: Body) =>
      log.record(who, { kind: 'care', asked: body, when: exactly(body.at) }, (scope) => applyCare(scope, body)),
  };
}
export type CareService = ReturnType<typeof createCare>;
