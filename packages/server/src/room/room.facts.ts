import type { RoomFacts, RoomTank } from '@freshet/core/room';
import { groupBy, type Clock, type Who } from '../platform';
import type { BiosecurityService } from './biosecurity.service';
import type { ProbesService } from './probes.service';
import type { ReadinessService } from './readiness.service';
import type { RoomService } from './room.service';
import type { WaterService } from './water.service';

export type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;
/** Ranges of temperature by tank, from who lives there. */
export type WantedByTank = ReadonlyMap<string, readonly [number, number]>;

/** How old a nitrate reading may be to be shown over the room. */
const NITRATE_DAYS = 90;
const DAY_MS = 86_400_000;

function toTanks({ racks, shelves, tanks }: Rooms, quarantined: ReadonlySet<string>): RoomTank[] {
  const rackById = new Map(racks.map((rack) => [rack.id, rack]));
  const shelfById = new Map(shelves.map((shelf) => [shelf.id, shelf]));
  return tanks.flatMap((tank) => {
    const shelf = shelfById.get(tank.shelfId);
    const rack = rackById.get(shelf?.rackId ?? '');
    if (!shelf || !rack) return [];
    const { id, code, litres, leftCm } = tank;
    return [
      {
        id,
        code,
        litres,
        leftCm,
        rackCode: rack.code,
        rackName: rack.name,
        rackPosition: rack.position,
        quarantine: quarantined.has(id),
        outdoor: rack.kind === 'yard',
        shelfLevel: shelf.level,
      },
    ];
  });
}

/** Reads the room's slice of a house; the number of queries is fixed, and each is bounded by what stands there now. */
export function createRoomFacts({
  clock,
  room,
  readiness,
  water,
  probes,
  biosecurity,
}: {
  clock: Clock;
  room: RoomService;
  readiness: ReadinessService;
  water: WaterService;
  probes: ProbesService;
  biosecurity: BiosecurityService;
}) {
  /**
   * @param heads - animals and cultures by tank id, from later areas
   * @param wanted - from later areas, too
   */
  return async (who: Who, rooms: Rooms, heads: ReadonlyMap<string, number>, wanted: WantedByTank) => {
    const since = new Date(Date.parse(clock.now()) - NITRATE_DAYS * DAY_MS).toISOString();
    const tankIds = rooms.tanks.map(({ id }) => id);
    const [latest, ready, due, meters, judged, nitrate] = await Promise.all([
      room.repository.latestTemperatures(who),
      readiness.load(who, heads, rooms),
      water.regimesDue(who, tankIds),
      water.metersDue(who),
      probes.judge(who, wanted),
      room.repository.newestOf(who, ['nitratePpm'], since),
    ]);
    const facts: RoomFacts = {
      tanks: toTanks(rooms, ready.quarantined),
      temperatures: Object.fromEntries(latest.map(({ tankId, value, at }) => [tankId, { at, tempC: value }])),
      readiness: Object.fromEntries(ready.readiness),
      cycling: Object.fromEntries(ready.cycling),
      regimes: due.regimes,
      lastChanges: Object.fromEntries(due.lastChanges),
      nitrate: Object.fromEntries(
        [...groupBy(nitrate, (row) => row.tankId)].flatMap(([tankId, rows]) => {
          const last = rows.at(-1);
          return last ? [[tankId, { ppm: last.value, at: last.at }] as const] : [];
        }),
      ),
      meters: meters.map(({ id, name, dueOn }) => ({ id, name, dueOn })),
      probes: judged.map(({ probe, verdicts }) => ({ tankId: probe.tankId, name: probe.name, verdicts })),
      risks: biosecurity.risks(rooms, new Set([...ready.quarantined].filter((id) => heads.has(id)))),
      heads: Object.fromEntries(heads),
    };
    return { facts, quarantined: ready.quarantined, quarantineRacks: ready.quarantineRacks };
  };
}
export type RoomFactsLoader = ReturnType<typeof createRoomFacts>;
