export { FOOD_NAMES } from './foodNames';
export {
  METHODS,
  FOODS,
  type Method,
  type Start,
  type Food,
  type Range,
  type StageDuration,
  type LadderRung,
  type Figures,
  type FigureKey,
  type MethodTemplate,
  type SpeciesProfile,
  type ResolvedSpecies,
} from './profile';
export { METHOD_TEMPLATES, SHIPPED_SPECIES, resolveSpecies, foodFor, expectedLengthMm, expectedAgeDays } from './resolveSpecies';
export { readSpecies, type SavedSpecies, type SpeciesFacts, type SpeciesView } from './facts';
export { findContradiction, type Contradiction } from './findContradiction';
