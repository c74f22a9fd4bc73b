import type { BroodRecord, LearnedSpecies } from '@freshet/core/broods';
import { tryCompute } from '@freshet/core/errors';
import { learnStage, type StageSample } from '@freshet/core/spawning';
import type { StageDuration } from '@freshet/core/species';
import type { TimeRange } from '@freshet/core/time';
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

/** A past stage with both its ends, in the tank it went through. */
interface Past {
  speciesKey: string;
  tankId: string;
  from: TimeRange;
  to: TimeRange;
}
const range = (from: Date, to: Date): TimeRange => ({ from: new Date(from).toISOString(), to: new Date(to).toISOString() });

/**
 * Hatch and swimming of species still waited for as the breeder's own newest broods have shown them; a figure the breeder set goes
 * before. The number of queries does not grow with the broods.
 * @param waiting - broods of which some do not swim yet
 */
export function createLearner({ room, species, repository }: Deps) {
  return async (at: Reading, waiting: readonly BroodRecord[]): Promise<LearnedSpecies[]> => {
    const kinds = await species.all(at);
    const keys = [...new Set(waiting.filter((brood) => !brood.freeSwimming).map((brood) => brood.speciesKey))].filter(
      (key) => kinds.get(key)?.start === 'laid',
    );
    const open = (figure: 'hatch' | 'freeSwimming') => keys.filter((key) => kinds.get(key)?.origins[figure] !== 'own');
    const [hatching, swimming] = [open('hatch'), open('freeSwimming')];
    if (hatching.length + swimming.length === 0) return [];
    const newest = (rows: readonly Past[]) =>
      [...groupBy(rows, (row) => row.speciesKey)].flatMap(([, own]) => own.slice(0, LEARN_FROM));
    const [hatches, swims] = await Promise.all([
      hatching.length === 0 ? [] : repository.hatchesOf(at, hatching),
      swimming.length === 0 ? [] : repository.swimsOf(at, swimming),
    ]);
    const hatched = newest(
      hatches.map(({ speciesKey, tankId, ...row }) => ({
        speciesKey,
        tankId,
        from: range(row.laidFrom, row.laidTo),
        to: range(row.hatchedFrom, row.hatchedTo),
      })),
    );
    const swum = newest(
      swims.map(({ speciesKey, tankId, ...row }) => ({
        speciesKey,
        tankId,
        from: range(row.hatchedFrom, row.hatchedTo),
        to: range(row.swimFrom, row.swimTo),
      })),
    );
    const spanOf = ({ tankId, from, to }: Past) => ({
      tankId,
      from: new Date(Date.parse(from.from) - DAY_MS).toISOString(),
      to: to.to,
    });
    const past = [...hatched, ...swum];
    if (past.length === 0) return [];
    const readings = groupBy(await room.repository.temperaturesWithin(at, past.map(spanOf)), (row) => row.tankId);
    const samplesOf = (speciesKey: string, of: readonly Past[]): StageSample[] =>
      of.flatMap((one) => {
        if (one.speciesKey !== speciesKey) return [];
        const span = spanOf(one);
        const values = (readings.get(span.tankId) ?? [])
          .filter(({ at }) => at >= span.from && at <= span.to)
          .map(({ value }) => value);
        return values.length === 0
          ? []
          : [{ from: one.from, to: one.to, meanTempC: values.reduce((total, value) => total + value, 0) / values.length }];
      });
    return keys.flatMap((speciesKey) => {
      const figures = kinds.get(speciesKey)?.figures;
      if (!figures) return [];
      const learned = (duration: StageDuration | null, of: readonly Past[]) => {
        const found = tryCompute(() => learnStage(duration, figures.developmentZeroC, samplesOf(speciesKey, of)));
        return found.ok ? found.value : null;
      };
      const [hatch, swim] = [learned(figures.hatch, hatched), learned(figures.freeSwimming, swum)];
      return hatch || swim
        ? [
            {
              speciesKey,
              hatch: hatch?.duration ?? null,
              broods: hatch?.broods ?? 0,
              swim: swim && { duration: swim.duration, broods: swim.broods },
            },
          ]
        : [];
    });
  };
}
