import { v7 as newId } from 'uuid';
import { methodOf } from '@freshet/core/species';
import { PEST_KINDS, treatmentWarnings, type LarderView, type PestSighting } from '@freshet/core/larder';
import { addDays, houseDay } from '@freshet/core/time';
import type { LogService } from '../log';
import { DomainError, groupBy, OLDEST_FIRST, type Who } from '../platform';
import type { RoomService } from '../room';
import type { Housed, LarderRepository } from './larder.repository';

/** Pests that were seen longer ago and not again are not shown. */
const SHOWN_DAYS = 120;

/** Pests: seen, treated, gone. */
export function createPests({
  log,
  room,
  repository,
  viewOf,
}: {
  log: LogService;
  room: RoomService;
  repository: LarderRepository;
  viewOf: (at: Who) => Promise<LarderView>;
}) {
  const { pests, pestEvents, cultures } = repository;

  /** What was seen lately, with what was done. */
  async function sightings(at: Housed, now: string) {
    const since = new Date(Date.parse(now) - SHOWN_DAYS * 86_400_000);
    const rows = await repository.pestsSince(at, since);
    if (rows.length === 0) return [];
    const found = groupBy(
      await pestEvents.find(at, { sightingId: rows.map(({ id }) => id) }, OLDEST_FIRST),
      ({ sightingId }) => sightingId,
    );
    return rows.map((row) => {
      const events = found.get(row.id) ?? [];
      const treated = events.findLast(({ kind }) => kind === 'treated');
      const treatment = treated && PEST_KINDS[row.pest].treatments.find(({ key }) => key === treated.treatment);
      const changesOn =
        treated && treatment ? treatment.changesAfterDays.map((days) => addDays(houseDay(treated.at, at.timeZone), days)) : [];
      return { row, events, changesOn, isGone: events.at(-1)?.kind === 'gone' };
    });
  }

  log.declare({
    pest: {
      apply: async (scope, body) => {
        const { sightingId, pest, cameBy, at } = body;
        const tank = body.tankId ? await room.getTank(scope, body.tankId) : null;
        const culture = body.cultureId ? await cultures.get(scope, body.cultureId) : null;
        if (body.cultureId && !culture)
          throw new DomainError('request/not-found', { detail: 'There’s no such culture.', pointer: '#/cultureId' });
        await pests.insert(scope, {
          id: sightingId,
          entryId: scope.entryId,
          pest,
          tankId: tank?.id ?? null,
          cultureId: culture?.id ?? null,
          cameBy,
          at,
        });
        return {
          text: `${PEST_KINDS[pest].words} seen in ${tank?.code ?? culture?.name ?? ''}`,
          tankId: tank?.id ?? culture?.tankId ?? null,
          subjectId: sightingId,
        };
      },
      undo: {
        tables: [pests],
        async before(scope, entry) {
          const [seen] = await pests.find(scope, { entryId: entry.id });
          if (seen && (await pestEvents.find(scope, { sightingId: seen.id }, { limit: 1 })).length > 0)
            throw new DomainError('log/later-entries', { detail: 'It was treated since; undo that first.' });
        },
      },
    },
    pestEvent: {
      apply: async (scope, body) => {
        const seen = await pests.get(scope, body.sightingId);
        if (!seen) throw new DomainError('request/not-found', { detail: 'There’s no such sighting.', pointer: '#/sightingId' });
        if (body.at < seen.at)
          throw new DomainError('request/invalid', { detail: 'It was seen later than that.', pointer: '#/at' });
        const { words, treatments } = PEST_KINDS[seen.pest];
        const treatment = treatments.find(({ key }) => key === body.treatment);
        if (body.kind === 'treated' && !treatment)
          throw new DomainError('request/invalid', { detail: `That is not given against ${words}.`, pointer: '#/treatment' });
        const invertebrates = hasInvertebrates(await viewOf(scope), seen.tankId);
        if (treatment?.isDosed && invertebrates && !body.half && !scope.override)
          throw new DomainError('larder/invertebrates', {
            detail: `${treatmentWarnings(treatment, { invertebrates, isCulture: seen.cultureId !== null })
              .slice(0, 2)
              .join(' ')} If the full dose is meant, say why.`,
            pointer: '#/half',
          });
        const { kind, half, at } = body;
        await pestEvents.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          sightingId: seen.id,
          kind,
          treatment: treatment?.key ?? null,
          half,
          at,
        });
        const tank = seen.tankId ? await room.getTank(scope, seen.tankId) : null;
        return {
          text:
            kind === 'gone'
              ? `${words} gone${tank ? ` from ${tank.code}` : ''}`
              : `${words}: ${treatment?.words ?? ''}${half ? ', half dose' : ''}`,
          tankId: tank?.id ?? null,
          subjectId: seen.id,
        };
      },
      undo: { tables: [pestEvents] },
    },
  });

  return {
    sightings,
    /** Those that are not gone, as the snapshot has them. */
    async facts(at: Housed, now: string): Promise<PestSighting[]> {
      return (await sightings(at, now)).flatMap(({ row, events, changesOn, isGone }) =>
        isGone
          ? []
          : [
              {
                id: row.id,
                pest: PEST_KINDS[row.pest].words,
                tankId: row.tankId,
                cultureId: row.cultureId,
                at: row.at,
                changesOn,
                treatedWith: events.findLast(({ kind }) => kind === 'treated')?.treatment ?? null,
              },
            ],
      );
    },
  };
}
export type PestsService = ReturnType<typeof createPests>;

/** Whether shrimp, crayfish or scuds live in a tank. */
export const hasInvertebrates = (view: LarderView, tankId: string | null): boolean =>
  tankId !== null &&
  (view.lotsByTank.get(tankId) ?? []).some(({ speciesKey }) => {
    const species = view.species.get(speciesKey);
    return species !== undefined && methodOf(species).invertebrate;
  });
