import type { BroodRecord } from '@freshet/core/broods';
import type { TemperatureReading } from '@freshet/core/spawning';
import { groupBy, type Clock, type Reading } from '../platform';
import type { RoomService } from '../room';
import type { SpeciesService } from '../species';
import type { LotRow, StockService } from '../stock';

/** A temperature from before the laying counts for as long. */
const LEAD_MS = 2 * 86_400_000;

/**
 * The temperatures a brood went through from laying to swimming: each tank's readings for as long as it stood there. Nothing develops
 * before it is laid, after it swims, or when it is born.
 */
export function createTemperatures({
  clock,
  room,
  species,
  stock,
}: {
  clock: Clock;
  room: RoomService;
  species: SpeciesService;
  stock: StockService;
}) {
  return async (
    at: Reading,
    facts: readonly BroodRecord[],
    lotsBy: ReadonlyMap<string, LotRow[]>,
  ): Promise<Record<string, TemperatureReading[]>> => {
    const kinds = await species.all(at);
    const waiting = facts.filter((brood) => !brood.freeSwimming && kinds.get(brood.speciesKey)?.start !== 'born');
    if (waiting.length === 0) return {};
    const lotIds = waiting.flatMap((brood) => (lotsBy.get(brood.id) ?? []).map((lot) => lot.id));
    const [placed, tanks] = await Promise.all([stock.repository.placementsOf(at, lotIds), room.repository.tanks.find(at)]);
    const placements = groupBy(placed, (row) => row.lotId);
    const hostOf = new Map(tanks.map(({ id, inTankId }) => [id, inTankId]));
    const stays = new Map<string, { tankId: string; from: string; to: string }[]>();
    for (const brood of waiting) {
      const own = (lotsBy.get(brood.id) ?? [])
        .flatMap((lot) => placements.get(lot.id) ?? [])
        .sort((a, b) => (a.at < b.at ? -1 : 1));
      const before = new Date(Date.parse(brood.laid.from) - LEAD_MS).toISOString();
      stays.set(
        brood.id,
        own.flatMap(({ tankId, at: from }, i) => {
          const stay = { from: i === 0 || from < before ? before : from, to: own[i + 1]?.at ?? clock.now() };
          const host = hostOf.get(tankId);
          // A box that hangs in a tank is as warm as that tank.
          return [{ tankId, ...stay }, ...(host ? [{ tankId: host, ...stay }] : [])];
        }),
      );
    }
    const readings = groupBy(await room.repository.temperaturesWithin(at, [...stays.values()].flat()), (row) => row.tankId);
    const found: Record<string, TemperatureReading[]> = {};
    for (const brood of waiting) {
      const seen: TemperatureReading[] = [];
      const went = (stays.get(brood.id) ?? []).flatMap(({ tankId, from, to }) =>
        (readings.get(tankId) ?? []).filter(({ at: time }) => time >= from && time <= to),
      );
      for (const { at: time, value } of went.sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0)))
        if (time > (seen.at(-1)?.at ?? '')) seen.push({ at: time, tempC: value });
      found[brood.id] = fromLaying(seen, brood.laid.from);
    }
    return found;
  };
}

/** The last reading before a brood was laid, and all after it. */
function fromLaying(readings: readonly TemperatureReading[], laidFrom: string): TemperatureReading[] {
  const first = readings.findLastIndex((reading) => reading.at <= laidFrom);
  return readings.slice(Math.max(0, first));
}
