import { totalHeads, type ResolvedSpecies } from '@freshet/core/stock';
import type { HouseRoom } from '@freshet/core/rounds';
import { groupBy, type Who } from '../platform';
import type { RoomService } from '../room';
import type { LoaderDeps } from './loaderDeps';

type Rooms = Awaited<ReturnType<RoomService['repository']['all']>>;
interface Living {
  tankId: string | null;
  speciesKey: string;
  males: number;
  females: number;
  unsexed: number;
}

/** How old a nitrate reading may be to be shown over the room. */
const NITRATE_DAYS = 90;
const DAY_MS = 86_400_000;

/** The temperature wanted in each tank: where the ranges of all that live there overlap, or else the first's. */
export function wantedByTank(
  living: readonly Living[],
  kinds: ReadonlyMap<string, ResolvedSpecies>,
): Map<string, readonly [number, number]> {
  const wanted = new Map<string, readonly [number, number]>();
  for (const lot of living) {
    const range = kinds.get(lot.speciesKey)?.figures.tempC;
    if (!lot.tankId || !range) continue;
    const known = wanted.get(lot.tankId);
    const both = known ? ([Math.max(known[0], range[0]), Math.min(known[1], range[1])] as const) : range;
    wanted.set(lot.tankId, both[0] <= both[1] ? both : (known ?? range));
  }
  return wanted;
}

/** Reads what a round needs to know of water, readiness and biosecurity; the number of queries is fixed. */
export function createRoomLoader({ clock, room, readiness, water, probes, biosecurity, stock }: LoaderDeps) {
  return async (
    who: Who,
    rooms: Rooms,
    living: readonly Living[],
    cultures: readonly { tankId: string | null }[],
    kinds: ReadonlyMap<string, ResolvedSpecies>,
  ) => {
    const { houseId } = who;
    const heads = new Map<string, number>();
    for (const lot of living) if (lot.tankId) heads.set(lot.tankId, (heads.get(lot.tankId) ?? 0) + totalHeads(lot));
    for (const { tankId } of cultures) if (tankId) heads.set(tankId, (heads.get(tankId) ?? 0) + 1);
    const since = new Date(Date.parse(clock.now()) - NITRATE_DAYS * DAY_MS).toISOString();
    const [ready, due, meters, judged, nitrate, seen] = await Promise.all([
      readiness.load(who, heads, rooms),
      water.regimesDue(who),
      water.metersDue(who),
      probes.judge(houseId, wantedByTank(living, kinds)),
      room.repository.newestOf(houseId, ['nitratePpm'], since),
      biosecurity.illnesses.find(houseId, {}, { order: [['at', 'ASC']] }),
    ]);
    const illnesses = new Map(seen.map((row) => [row.tankId, row.at]));
    const [quarantines, breaches] = await Promise.all([
      stock.quarantines.load(who, ready.quarantined, illnesses, rooms),
      stock.quarantines.breaches(who, ready.quarantineRacks, rooms),
    ]);
    const facts: HouseRoom = {
      readiness: ready.readiness,
      cycling: ready.cycling,
      regimes: due.regimes,
      lastChanges: due.lastChanges,
      nitrate: new Map(
        [...groupBy(nitrate, (row) => row.tankId)].flatMap(([tankId, rows]) => {
          const last = rows.at(-1);
          return last ? [[tankId, { ppm: last.value, at: last.at }] as const] : [];
        }),
      ),
      meters: meters.map(({ id, name, dueOn }) => ({ id, name, dueOn })),
      probes: judged.map(({ probe, verdicts }) => ({ tankId: probe.tankId, name: probe.name, verdicts })),
      quarantines,
      risks: biosecurity.risks(rooms, new Set([...ready.quarantined].filter((id) => heads.has(id)))),
      breaches,
    };
    return { facts, quarantined: ready.quarantined };
  };
}
