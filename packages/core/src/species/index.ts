export { FOOD_NAMES, FOOD_SIZE_UM } from './foodNames';
export {
  CONDITION_SIGNS,
  EGG_PLAN_WORDS,
  EGG_PLANS,
  FOODS,
  GRADES,
  METHODS,
  type ConditionSign,
  type EggPlan,
  type Food,
  type Grade,
  type Method,
} from './kinds';
export {
  FIGURES,
  FIGURE_KEYS,
  FiguresSchema,
  OwnFiguresSchema,
  type FigureKey,
  type Figures,
  type LadderRung,
  type Range,
  type StageDuration,
} from './figures';
export {
  EGG_SITES,
  EggCareSchema,
  LarvaeSchema,
  SpeciesProfileSchema,
  STARTS,
  StripSchema,
  type BreederHabits,
  type EggCare,
  type EggSite,
  type Larvae,
  type Leave,
  type ResolvedSpecies,
  type SpeciesProfile,
  type Start,
  type Strip,
} from './profile';
export type { MethodTemplate } from './method';
export { METHOD_TEMPLATES, methodOf, SHIPPED_SPECIES, resolveSpecies } from './resolveSpecies';
export {
  bodyG,
  expectedAgeDays,
  expectedLengthMm,
  growthPace,
  LENGTH_SPREAD,
  meanOfTenthMm,
  middle,
  smallestTenthMm,
  growthCurve,
} from './growth';
export { oneEatsOther, wouldEat, wouldSeize, type Sized } from './mouths';
export { firstFood, foodsOn, foodSpans, SIZE_CLASSES, substitutesFor, type FoodsOfDay, type FoodSpan } from './foods';
export { lifeOf, type SpeciesLife } from './life';
export { speciesLife } from './speciesLife';
export { readSpecies, type SavedSpecies, type SpeciesFacts, type SpeciesView } from './facts';
export { findContradiction, type Contradiction } from './findContradiction';
