import type { BroodRecord } from '@freshet/core/broods';
import { learnHatch } from '@freshet/core/spawning';
import type { ResolvedSpecies } from '@freshet/core/stock';
import { groupBy } from '../platform';
import type { RoomService } from '../room';
import type { SpeciesService } from '../stock';
import type { createBroodsRepository } from './broods.repository';

const DAY_MS = 86_400_000;
/** The newest broods tell most of how this house keeps them. */
const LEARN_FROM = 12;

interface Deps {
  room: RoomService;
  species: SpeciesService;
  repository: ReturnType<typeof createBroodsRepository>;
}

/**
 * Species with the hatch of those still waited for narrowed by the breeder's own newest broods; a figure the breeder set goes before.
 * @param waiting - broods of which some have not hatched yet
 */
export function createLearner({ room, species, repository }: Deps) {
  return async (houseId: string, waiting: readonly BroodRecord[]): Promise<ReadonlyMap<string, ResolvedSpecies>> => {
    const kinds = await species.all(houseId);
    const keys = [
      ...new Set(waiting.filter((brood) => !brood.hatched && !brood.freeSwimming).map((brood) => brood.speciesKey)),
    ].filter((key) => kinds.get(key)?.start === 'laid' && kinds.get(key)?.origins.hatch !== 'own');
    if (keys.length === 0) return kinds;
    const iso = (at: Date, plusMs = 0) => new Date(Date.parse(new Date(at).toISOString()) + plusMs).toISOString();
    const past = [...groupBy(await repository.hatchesOf(houseId, keys), (row) => row.speciesKey)].flatMap(([, rows]) =>
      rows.slice(0, LEARN_FROM).map((row) => ({
        ...row,
        laid: { from: iso(row.laidFrom), to: iso(row.laidTo) },
        hatched: { from: iso(row.hatchedFrom), to: iso(row.hatchedTo) },
        span: { tankId: row.tankId, from: iso(row.laidFrom, -DAY_MS), to: iso(row.hatchedTo) },
      })),
    );
    if (past.length === 0) return kinds;
    const readings = groupBy(
      await room.repository.temperaturesWithin(
        houseId,
        past.map(({ span }) => span),
      ),
      (row) => row.tankId,
    );
    const samples = past.flatMap(({ speciesKey, laid, hatched, span }) => {
      const values = (readings.get(span.tankId) ?? [])
        .filter(({ at }) => at >= span.from && at <= span.to)
        .map(({ value }) => value);
      return values.length === 0
        ? []
        : [{ speciesKey, laid, hatched, meanTempC: values.reduce((total, value) => total + value, 0) / values.length }];
    });
    const found = new Map(kinds);
    for (const [key, own] of groupBy(samples, (sample) => sample.speciesKey)) {
      const kind = kinds.get(key);
      const learned = kind ? learnHatch(kind.figures, own) : null;
      if (kind && learned)
        found.set(key, { ...kind, figures: { ...kind.figures, hatch: learned.duration }, hatchBroods: learned.broods });
    }
    return found;
  };
}
