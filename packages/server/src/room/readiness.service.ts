import { decideReadiness, READINESS_RULES, type Readiness, type TankEventKind } from '@freshet/core/room';
import { houseDay, type Day } from '@freshet/core/time';
import { v7 as newId } from 'uuid';
import type { Applied, LogService, Scope } from '../log';
import { DomainError, groupBy, type Clock, type Database, type Who } from '../platform';
import { createRackOf } from './rackOf';
import { createReadinessRepository } from './readiness.repository';
import type { RoomService } from './room.service';

type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;

/** What the log says of each. */
const WORDS: Record<TankEventKind, string> = {
  running: 'runs',
  setUp: 'is being set up',
  filled: 'filled, the filter starts',
  fed: 'filter fed',
  seeded: 'seeded with a mature filter',
  soilLaid: 'active soil laid',
  heaterTested: 'heater tested',
  emptied: 'emptied',
  refilled: 'refilled',
  disinfected: 'disinfected',
  rinsed: 'rinsed, re-seeded and refilled',
  quarantineBegan: 'in quarantine',
  quarantineEnded: 'quarantine ended',
};
/** Start-ups that take longer than this are judged by their newest readings. */
const LOOK_BACK_DAYS = 200;
const DAY_MS = 86_400_000;

/** Whether tanks are ready, and why not; worked out from what was logged, never stored. */
export function createReadiness({
  database,
  clock,
  log,
  roomOf,
}: {
  database: Database;
  clock: Clock;
  log: LogService;
  /** The room, which itself tells of new tanks; asked for when it is needed. */
  roomOf: () => RoomService;
}) {
  const repository = createReadinessRepository(database);
  const { tankEvents } = repository;
  async function applyEvent(
    scope: Scope,
    body: { tankId: string; kind: TankEventKind; at: string; note?: string | undefined },
  ): Promise<Applied> {
    const tank = await roomOf().getTank(scope, body.tankId);
    const { kind, at, note } = body;
    await tankEvents.insert(scope, { id: newId(), entryId: scope.entryId, tankId: tank.id, kind, at, note: note ?? null });
    return { text: `${tank.code}: ${WORDS[kind]}${note ? `, ${note}` : ''}`, tankId: tank.id, subjectId: tank.id };
  }

  /** Readiness of every tank. @param heads - animals by tank id @param known - the room, when it was read already */
  async function load(
    who: Who,
    heads: ReadonlyMap<string, number>,
    known?: Rooms,
  ): Promise<{
    readiness: Map<string, Readiness>;
    cycling: Map<string, { lastFed: Day | null; lastTest: Day | null }>;
    quarantined: Set<string>;
    /** Tanks of quarantine racks, whatever the keeper said of them. */
    quarantineRacks: Set<string>;
  }> {
    const now = clock.now();
    const since = new Date(Date.parse(now) - LOOK_BACK_DAYS * DAY_MS).toISOString();
    const room = roomOf();
    const [rooms, events, readings] = await Promise.all([
      known ?? room.repository.all(who),
      repository.since(who, since),
      room.repository.newestOf(who, ['ammoniaPpm', 'nitritePpm'], since),
    ]);
    const eventsBy = groupBy(events, (event) => event.tankId);
    const readingsBy = groupBy(readings, (reading) => reading.tankId);
    const readiness = new Map<string, Readiness>();
    const quarantined = new Set<string>();
    const quarantineRacks = new Set<string>();
    const cycling = new Map<string, { lastFed: Day | null; lastTest: Day | null }>();
    const rackOf = createRackOf(rooms);
    const day = (at: string) => houseDay(at, who.timeZone);
    for (const tank of rooms.tanks) {
      // What was said when the tank was entered comes before what was done to it, even earlier.
      const told = eventsBy.get(tank.id) ?? [];
      const own = [
        ...told.filter((event) => event.entryId === tank.entryId),
        ...told.filter((event) => event.entryId !== tank.entryId),
      ];
      const { heaterW, zeroDays, restDays } = room.equipmentOf(rooms.equipped.get(tank.id));
      // A box, a bag or a jar has no filter that would have to start.
      if (tank.kind === 'tank')
        readiness.set(
          tank.id,
          decideReadiness({
            events: own.map(({ kind, at }) => ({ kind, day: day(at) })),
            readings: (readingsBy.get(tank.id) ?? []).map(({ quantity, value, at }) => ({
              quantity: quantity as 'ammoniaPpm' | 'nitritePpm',
              ppm: value,
              day: day(at),
            })),
            heads: heads.get(tank.id) ?? 0,
            heaterW,
            rules: { ...READINESS_RULES, zeroDays, restDays },
            today: day(now),
          }),
        );
      if (rackOf(tank)?.rack.quarantine) quarantineRacks.add(tank.id);
      const fed = own.findLast((event) => event.kind === 'fed')?.at;
      const test = readingsBy.get(tank.id)?.at(-1)?.at;
      cycling.set(tank.id, { lastFed: fed ? day(fed) : null, lastTest: test ? day(test) : null });
      const word = own.findLast((event) => event.kind === 'quarantineBegan' || event.kind === 'quarantineEnded');
      if (word ? word.kind === 'quarantineBegan' : quarantineRacks.has(tank.id)) quarantined.add(tank.id);
    }
    return { readiness, cycling, quarantined, quarantineRacks };
  }

  log.declare({
    tankEvent: {
      apply: (scope, body) => applyEvent(scope, body),
      undo: { tables: [tankEvents] },
      ticks: { filterFed: (_scope, { id, at }) => ({ tankId: id, kind: 'fed' as const, at }) },
    },
  });
  log.alsoUndone({ tank: { tables: [tankEvents] } });

  return {
    repository,
    applyEvent,
    load,
    /** A new tank: it is already running, or its set-up begins. */
    onTank: async (scope: Scope, tankId: string, state: 'running' | 'setUp') => {
      const row = { id: newId(), entryId: scope.entryId, tankId, kind: state, at: scope.now, note: null };
      await tankEvents.insert(scope, row);
    },

    /** Stock goes in only where it may, or with a reason. */
    async mustBeReady(who: Who, tankId: string, pointer = '#/toTankId'): Promise<void> {
      const { readiness } = await load(who, new Map());
      const found = readiness.get(tankId);
      const [first] = found?.hindrances ?? [];
      if (first) throw new DomainError('room/not-ready', { detail: `${first.what} ${first.remedy}`, pointer });
    },
  };
}
export type ReadinessService = ReturnType<typeof createReadiness>;
