import type { BroodRecord, LearnedSpecies } from '@freshet/core/broods';
import { tryCompute } from '@freshet/core/errors';
import { learnHatch } from '@freshet/core/spawning';
import { groupBy, type Reading } from '../platform';
import type { RoomService } from '../room';
import type { SpeciesService } from '../species';
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
 * The hatch of species still waited for as the breeder's own newest broods have shown it; a figure the breeder set goes before.
 * @param waiting - broods of which some have not hatched yet
 */
export function createLearner({ room, species, repository }: Deps) {
  return async (at: Reading, waiting: readonly BroodRecord[]): Promise<LearnedSpecies[]> => {
    const kinds = await species.all(at);
    const keys = [
      ...new Set(waiting.filter((brood) => !brood.hatched && !brood.freeSwimming).map((brood) => brood.speciesKey)),
    ].filter((key) => kinds.get(key)?.start === 'laid' && kinds.get(key)?.origins.hatch !== 'own');
    if (keys.length === 0) return [];
    const iso = (at: Date, plusMs = 0) => new Date(Date.parse(new Date(at).toISOString()) + plusMs).toISOString();
    const past = [...groupBy(await repository.hatchesOf(at, keys), (row) => row.speciesKey)].flatMap(([, rows]) =>
      rows.slice(0, LEARN_FROM).map((row) => ({
        ...row,
        laid: { from: iso(row.laidFrom), to: iso(row.laidTo) },
        hatched: { from: iso(row.hatchedFrom), to: iso(row.hatchedTo) },
        span: { tankId: row.tankId, from: iso(row.laidFrom, -DAY_MS), to: iso(row.hatchedTo) },
      })),
    );
    if (past.length === 0) return [];
    const readings = groupBy(
      await room.repository.temperaturesWithin(
        at,
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
    return [...groupBy(samples, (sample) => sample.speciesKey)].flatMap(([speciesKey, own]) => {
      const kind = kinds.get(speciesKey);
      const found = kind ? tryCompute(() => learnHatch(kind.figures, own)) : null;
      return found?.ok && found.value ? [{ speciesKey, hatch: found.value.duration, broods: found.value.broods }] : [];
    });
  };
}
