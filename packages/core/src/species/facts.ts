import type { Moment } from '../agenda';
import type { Figures } from './figures';
import type { ResolvedSpecies, SpeciesProfile } from './profile';
import { resolveSpecies, SHIPPED_SPECIES } from './resolveSpecies';

/** A profile as a house saved it: its own figures over a shipped species, or a species of its own. */
export interface SavedSpecies extends Omit<SpeciesProfile, 'figures'> {
  figures: Partial<Figures>;
}

/** What a house knows of species besides what ships: the newest saved profile of each. */
export interface SpeciesFacts {
  saved: readonly SavedSpecies[];
}

/** Every species of a house by key. */
export interface SpeciesView extends Moment {
  species: ReadonlyMap<string, ResolvedSpecies>;
}

const shippedByKey = new Map(SHIPPED_SPECIES.map((profile) => [profile.key, profile]));
const resolvedShipped: ReadonlyMap<string, ResolvedSpecies> = new Map(
  SHIPPED_SPECIES.map((profile) => [profile.key, resolveSpecies(profile)]),
);

/** A saved profile with every figure filled in. */
function resolveSaved(saved: SavedSpecies): ResolvedSpecies {
  const shipped = shippedByKey.get(saved.key);
  return shipped ? resolveSpecies(shipped, saved.figures) : resolveSpecies({ ...saved, figures: {} }, saved.figures, false);
}

/** The shipped species with the house's own figures over them, and its own species. */
export function readSpecies(facts: SpeciesFacts): ReadonlyMap<string, ResolvedSpecies> {
  if (facts.saved.length === 0) return resolvedShipped;
  const found = new Map(resolvedShipped);
  for (const saved of facts.saved) found.set(saved.key, resolveSaved(saved));
  return found;
}
