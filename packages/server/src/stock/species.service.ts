import type { BodyOf } from '@freshet/contract/endpoints';
import type { speciesEndpoints } from '@freshet/contract/stock';
import { resolveSpecies, SHIPPED_SPECIES, type Figures, type ResolvedSpecies, type SpeciesProfile } from '@freshet/core/stock';
import type { LogService } from '../log';
import { DomainError, type Clock, type Database, type Who } from '../platform';
import { createStockRepository, type SpeciesRow } from './stock.repository';

const shippedByKey = new Map(SHIPPED_SPECIES.map((profile) => [profile.key, profile]));
const resolvedShipped = new Map(SHIPPED_SPECIES.map((profile) => [profile.key, resolveSpecies(profile)]));

function resolveRow(row: SpeciesRow): ResolvedSpecies {
  const profile = row.profile as unknown as SpeciesProfile;
  const shipped = shippedByKey.get(row.speciesKey);
  return shipped ? resolveSpecies(shipped, profile.figures) : resolveSpecies({ ...profile, figures: {} }, profile.figures, false);
}

/** Species profiles: the shipped ones with the breeder's own figures over them, and species of their own. */
export function createSpecies({ database, clock, log }: { database: Database; clock: Clock; log: LogService }) {
  const { species } = createStockRepository(database);
  log.onUndo({ tables: [species] });

  /** Every species of a house by key; the newest saved figures count. */
  async function all(houseId: string): Promise<ReadonlyMap<string, ResolvedSpecies>> {
    const rows = await species.find(houseId, {}, { order: [['id', 'ASC']] });
    if (rows.length === 0) return resolvedShipped;
    const found = new Map(resolvedShipped);
    for (const row of rows) found.set(row.speciesKey, resolveRow(row));
    return found;
  }

  return {
    all,
    async get(who: Who, key: string): Promise<ResolvedSpecies> {
      const found = (await all(who.houseId)).get(key);
      if (!found)
        throw new DomainError('stock/unknown-species', { detail: `There is no species "${key}".`, pointer: '#/speciesKey' });
      return found;
    },
    save: (who: Who, body: BodyOf<typeof speciesEndpoints.saveSpecies>) =>
      log.record(who, { id: body.id, kind: 'species', when: { from: clock.now(), to: clock.now() } }, async ({ tx, entryId }) => {
        const { id, ...profile } = body;
        const figures = Object.fromEntries(
          Object.entries(profile.figures).filter(([, value]) => value !== undefined),
        ) as Partial<Figures>;
        await species.insert(who.houseId, { id, entryId, speciesKey: profile.key, profile: { ...profile, figures } }, tx);
        return { text: `${profile.commonName}: ${Object.keys(figures).length} own figures saved`, subjectId: id };
      }),
  };
}
export type SpeciesService = ReturnType<typeof createSpecies>;
