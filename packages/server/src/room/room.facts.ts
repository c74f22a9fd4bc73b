import { errorBand, type Quantity, type RoomFacts, type RoomTank } from '@freshet/core/room';
import { createRackOf } from './rackOf';
import type { ReadingRow } from './room.repository';
import { groupBy, type Clock, type Who } from '../platform';
import type { BiosecurityService } from './biosecurity.service';
import type { CareService } from './care.service';
import type { HoursService } from './hours.service';
import type { ProbesService } from './probes.service';
import type { ReadinessService } from './readiness.service';
import type { RoomService } from './room.service';
import type { WaterService } from './water.service';

export type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;
/** Ranges of temperature by tank, from who lives there. */
export type WantedByTank = ReadonlyMap<string, readonly [number, number]>;

/** How old a nitrate reading may be to be shown over the room. */
const NITRATE_DAYS = 90;
/** What was done or seen at a tank matters for so long. */
const ILLNESS_DAYS = 60;
const CARE_DAYS = 3;
/** Looks that are asked for weekly are kept a little longer than a week. */
const LOOK_DAYS = 8;
const daysAgo = (now: string, days: number) => new Date(Date.parse(now) - days * DAY_MS).toISOString();
const DAY_MS = 86_400_000;

/** Vessels at places of their own are walked after the racks. */
const PLACES_POSITION = 700;

function toTanks(rooms: Rooms, quarantined: ReadonlySet<string>): RoomTank[] {
  const { tanks, equipped } = rooms;
  const rackOf = createRackOf(rooms);
  return tanks.flatMap((tank) => {
    const found = rackOf(tank);
    const { id, kind, code, litres, leftCm, lengthCm, widthCm, inTankId, place } = tank;
    // A tank without a shelf, or a vessel in a tank that is gone, is nowhere.
    if (!found && place === null) return [];
    return [
      {
        id,
        code,
        litres,
        floorM2: (lengthCm * widthCm) / 10_000,
        leftCm: found?.host.leftCm ?? leftCm,
        sump: found?.sump ?? null,
        rackCode: found?.rack.code ?? '',
        rackName: found?.rack.name ?? place ?? '',
        rackPosition: found?.rack.position ?? PLACES_POSITION,
        quarantine: quarantined.has(id),
        outdoor: found?.rack.kind === 'yard',
        shelfLevel: found?.shelf.level ?? 1,
        vessel: kind === 'tank' ? null : kind,
        inTankId,
        growsAlgae: equipped.get(id)?.growsAlgae ?? false,
        furnishing: equipped.get(id)?.furnishing ?? null,
        heaterW: equipped.get(id)?.heaterW ?? null,
      },
    ];
  });
}

/** A value with how far off it may be; rows from before methods were told are taken as by drops. */
const toBanded = ({ quantity, method, value, at }: ReadingRow) => ({
  value,
  error: errorBand(quantity, method ?? 'drops', value),
  at,
});

/** Reads the room's slice of a house; the number of queries is fixed, and each is bounded by what stands there now. */
export function createRoomFacts({
  clock,
  room,
  readiness,
  water,
  probes,
  biosecurity,
  care,
  hours,
}: {
  clock: Clock;
  room: RoomService;
  readiness: ReadinessService;
  water: WaterService;
  probes: ProbesService;
  biosecurity: BiosecurityService;
  care: CareService;
  hours: HoursService;
}) {
  /**
   * @param heads - animals and cultures by tank id, from later areas
   * @param wanted - from later areas, too
   */
  return async (who: Who, rooms: Rooms, heads: ReadonlyMap<string, number>, wanted: WantedByTank) => {
    const since = new Date(Date.parse(clock.now()) - NITRATE_DAYS * DAY_MS).toISOString();
    const tankIds = rooms.tanks.map(({ id }) => id);
    const [latest, ready, due, meters, judged, measured, illnesses, cares, { version: _version, ...houseHours }] =
      await Promise.all([
        room.repository.latestTemperatures(who),
        readiness.load(who, heads, rooms),
        water.regimesDue(who, tankIds),
        water.metersDue(who),
        probes.judge(who, wanted),
        room.repository.newestOf(who, ['nitratePpm', 'ammoniaPpm', 'ph', 'ghDeg'], since),
        biosecurity.repository.illnessesSince(who, new Date(Date.parse(clock.now()) - ILLNESS_DAYS * DAY_MS).toISOString()),
        care.since(who, daysAgo(clock.now(), CARE_DAYS), daysAgo(clock.now(), LOOK_DAYS)),
        hours.current(who),
      ]);
    const newest = <Value>(quantity: Quantity, toValue: (row: ReadingRow) => Value): Record<string, Value> =>
      Object.fromEntries(measured.filter((row) => row.quantity === quantity).map((row) => [row.tankId, toValue(row)] as const));
    const facts: RoomFacts = {
      tanks: toTanks(rooms, ready.quarantined),
      temperatures: Object.fromEntries(latest.map(({ tankId, value, at }) => [tankId, { at, tempC: value }])),
      readiness: Object.fromEntries(ready.readiness),
      cycling: Object.fromEntries(ready.cycling),
      regimes: due.regimes,
      lastChanges: Object.fromEntries(due.lastChanges),
      nitrate: newest('nitratePpm', ({ value, at }) => ({ ppm: value, at })),
      ammonia: newest('ammoniaPpm', ({ value, at }) => ({ ppm: value, at })),
      ph: newest('ph', toBanded),
      ghDeg: newest('ghDeg', toBanded),
      meters: meters.map(({ id, name, dueOn }) => ({ id, name, dueOn })),
      probes: judged.map(({ probe, verdicts }) => ({ tankId: probe.tankId, name: probe.name, verdicts })),
      illnesses: illnesses.map(({ tankId, at, what }) => ({ tankId, at, what })),
      risks: biosecurity.risks(rooms, new Set([...ready.quarantined].filter((id) => heads.has(id)))),
      care: Object.fromEntries(
        [...groupBy(cares, (row) => row.tankId)].map(([tankId, rows]) => [
          tankId,
          rows.map(({ kind, what, at }) => ({ kind, what, at })),
        ]),
      ),
      hours: houseHours,
      heads: Object.fromEntries(heads),
    };
    return { facts, quarantined: ready.quarantined, quarantineRacks: ready.quarantineRacks };
  };
}
export type RoomFactsLoader = ReturnType<typeof createRoomFacts>;
