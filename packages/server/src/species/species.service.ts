import { v7 as newId } from 'uuid';
import { findContradiction, readSpecies, type Figures, type ResolvedSpecies, type SpeciesFacts } from '@freshet/core/species';
import type { LogService } from '../log';
import { DomainError, type Database, type Reading, type Who } from '../platform';
import { createSpeciesRepository, type SpeciesRow } from './species.repository';

/** Species profiles: the shipped ones with the breeder's own figures over them, and species of their own. */
export function createSpecies({ database, log }: { database: Database; log: LogService }) {
  const { species } = createSpeciesRepository(database);

  /** The newest saved profile of each species. */
  async function saved(at: Reading): Promise<Map<string, SpeciesRow>> {
    const rows = await species.find(at, {}, { asWritten: true });
    return new Map(rows.map((row) => [row.speciesKey, row]));
  }

  const toFacts = (rows: ReadonlyMap<string, SpeciesRow>): SpeciesFacts => ({
    saved: [...rows.values()].map(({ profile }) => profile),
  });

  const all = async (at: Reading): Promise<ReadonlyMap<string, ResolvedSpecies>> => readSpecies(toFacts(await saved(at)));

  log.declare({
    species: {
      apply: async (scope, body) => {
        const { id: _id, version, override: _override, ...profile } = body;
        const figures = Object.fromEntries(
          Object.entries(profile.figures).filter(([, value]) => value !== undefined),
        ) as Partial<Figures>;
        // One figure against another: what is saved must be computable with what its method and the shipped profile fill in.
        const wrong = findContradiction(readSpecies({ saved: [{ ...profile, figures }] }).get(profile.key)?.figures);
        if (wrong) throw new DomainError('request/invalid', { detail: wrong.message, pointer: `#/figures/${wrong.figure}` });
        const words = (own: object) => `own figures for ${Object.keys(own).join(', ') || 'nothing'}`;
        const before = (await saved(scope)).get(profile.key);
        await log.mustBeNewest(scope, version, before, {
          theirs: words(before?.profile.figures ?? {}),
          yours: words(figures),
        });
        await species.insert(scope, {
          id: newId(),
          entryId: scope.entryId,
          speciesKey: profile.key,
          profile: { ...profile, figures },
        });
        return { text: `${profile.commonName}: ${Object.keys(figures).length} own figures saved`, subjectId: scope.entryId };
      },
      undo: { tables: [species] },
    },
  });

  return {
    all,
    /** What the house knows of species besides what ships. */
    facts: async (at: Reading): Promise<SpeciesFacts> => toFacts(await saved(at)),

    async get(at: Reading, key: string): Promise<ResolvedSpecies> {
      const found = (await all(at)).get(key);
      if (!found) throw new DomainError('species/unknown', { detail: `There is no species "${key}".`, pointer: '#/speciesKey' });
      return found;
    },

    /** Every species as it is shown, with the entry that last saved it. */
    async list(who: Who) {
      const rows = await saved(who);
      return [...readSpecies(toFacts(rows)).values()].map((kind) => ({ ...kind, version: rows.get(kind.key)?.entryId ?? null }));
    },
  };
}
export type SpeciesService = ReturnType<typeof createSpecies>;
