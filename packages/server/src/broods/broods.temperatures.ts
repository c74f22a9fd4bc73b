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
    const placements = groupBy(await stock.repository.placementsOf(at, lotIds), (row) => row.lotId);
    const stays = new Map<string, { tankId: string; from: string; to: string }[]>();
    for (const brood of waiting) {
      const placed = (lotsBy.get(brood.id) ?? [])
        .flatMap((lot) => placements.get(lot.id) ?? [])
        .sort((a, b) => (a.at < b.at ? -1 : 1));
      const before = new Date(Date.parse(brood.laid.from) - LEAD_MS).toISOString();
      stays.set(
        brood.id,
        placed.map(({ tankId, at: from }, i) => ({
          tankId,
          from: i === 0 || from < before ? before : from,
          to: placed[i + 1]?.at ?? clock.now(),
        })),
      );
    }
    const readings = groupBy(await room.repository.temperaturesWithin(at, [...stays.values()].flat()), (row) => row.tankId);
    const found: Record<string, TemperatureReading[]> = {};
    for (const brood of waiting) {
      const seen: TemperatureReading[] = [];
      for (const { tankId, from, to } of stays.get(brood.id) ?? [])
        for (const { at: time, value } of readings.get(tankId) ?? [])
          if (time >= from && time <= to && time > (seen.at(-1)?.at ?? '')) seen.push({ at: time, tempC: value });
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
