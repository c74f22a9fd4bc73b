import type { SavedSpecies } from '@freshet/core/species';
import { declareTable, houseTable, json, text, type Database, type RowOf } from '../platform';

const SPECIES = declareTable('species_profiles', { speciesKey: text(), profile: json<SavedSpecies>() });
export type SpeciesRow = RowOf<typeof SPECIES>;

export const createSpeciesRepository = (database: Database) => ({ species: houseTable(database, SPECIES) });
