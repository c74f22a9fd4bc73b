export { FOOD_NAMES, FOOD_SIZE_UM } from './foodNames';
export {
  METHODS,
  FOODS,
  GRADES,
  type Method,
  type Start,
  type Food,
  type Range,
  type StageDuration,
  type LadderRung,
  type Grade,
  type Leave,
  type EggSite,
  type EggCare,
  type Larvae,
  type Strip,
  type BreederHabits,
  type Figures,
  type FigureKey,
  type MethodTemplate,
  type SpeciesProfile,
  type ResolvedSpecies,
} from './profile';
export { METHOD_TEMPLATES, SHIPPED_SPECIES, resolveSpecies } from './resolveSpecies';
export {
  bodyG,
  canSwallow,
  expectedAgeDays,
  expectedLengthMm,
  growthPace,
  LENGTH_SPREAD,
  meanOfTenthMm,
  middle,
  smallestTenthMm,
  growthCurve,
} from './growth';
export { firstFood, foodsOn, foodSpans, SIZE_CLASSES, substitutesFor, type FoodsOfDay, type FoodSpan } from './foods';
export { lifeOf, type SpeciesLife } from './life';
export { speciesLife } from './speciesLife';
export { readSpecies, type SavedSpecies, type SpeciesFacts, type SpeciesView } from './facts';
export { findContradiction, type Contradiction } from './findContradiction';
