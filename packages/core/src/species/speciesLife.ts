import { CalculationError } from '../errors';
import { readSpecies } from './facts';
import { lifeOf, type SpeciesLife } from './life';

/** The life of a shipped species by its key. @throws CalculationError unknownSpecies, outOfRange, never */
export function speciesLife({ species: key, tempC }: { species: string; tempC: number }): SpeciesLife {
  const species = readSpecies({ saved: [] }).get(key);
  if (!species) throw new CalculationError('unknownSpecies', 'species', `There is no species "${key}".`);
  return lifeOf(species, tempC);
}
