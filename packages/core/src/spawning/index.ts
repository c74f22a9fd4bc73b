export { stageTimes, type DevelopmentModel, type TemperatureReading } from './stageTimes';
export {
  developmentWindows,
  birthWindow,
  STAGE_NAMES,
  type Stage,
  type StageWindow,
  type WindowsInput,
} from './developmentWindows';
export {
  COLONY_SCHOOLS,
  COVER_WORDS,
  COVERS,
  FEEDING_SCHOOLS,
  FEEDING_WORDS,
  FIRST_FOOD_SCHOOLS,
  FIRST_FOOD_WORDS,
  FUNGUS_SCHOOLS,
  FUNGUS_WORDS,
  GROWING_SCHOOLS,
  LEVER_WORDS,
  LEVERS,
  TRIGGER_SCHOOLS,
  TRIGGER_WORDS,
  type ColonySchool,
  type CoverKind,
  type FeedingSchool,
  type FirstFoodSchool,
  type FungusSchool,
  type GrowingSchool,
  type Lever,
  type TriggerSchool,
} from './schools';
export { EGG_WAYS, type EggWay } from './eggWays';
export {
  RECIPE_FIELDS,
  RecipeFieldsSchema,
  type Cover,
  type KeptRecipe,
  type Recipe,
  type RecipeField,
  type TriggerStep,
} from './recipeFields';
export { checkRecipe, completeRecipe, defaultRecipe, inSeason, type RecipeProblem } from './recipe';
export {
  compareRecipes,
  coverWords,
  fieldWords,
  recipeText,
  seasonWords,
  stepsWords,
  stepWords,
  type Difference,
} from './recipeWords';
export { RECIPE_BOOK, shippedRecipe, type ShippedRecipe } from './recipeBook';
export {
  checkDays,
  findClashes,
  freeTanks,
  heldDays,
  planAttempt,
  planDays,
  shiftPlan,
  swimDays,
  triggerFor,
  USUAL_TRIGGER_DAYS,
  type Clash,
  type PlanDays,
  type CultureStarts,
  type PlanMark,
  type PlanMarkKind,
  type PlanTank,
} from './planAttempt';
export { ATTEMPT_STATES, SIGN_WORDS, SIGNS, type AttemptState, type Sign } from './signs';
export { afterSign, attemptState } from './settling';
export { factorWords, recipeFactors } from './factors';
export { proposeNext, withChange, type NextChange } from './proposeNext';
export {
  bundled,
  FEW,
  outcomeOf,
  OUTCOMES,
  sureWords,
  USUAL_RULE,
  usualRule,
  weighEvidence,
  type AttemptFactors,
  type AttemptRecord,
  type EvidenceRow,
  type Outcome,
  type OutcomeRule,
} from './weighEvidence';
export { isPossibleHatch, learnHatch, learnStage, type HatchSample, type LearnedStage, type StageSample } from './learnHatch';
export { decideBooking, type Booking } from './decideBooking';
export { clutchCandidates, holdsFrom, readSpawning, type SpawningAttempt, type SpawningFacts, type SpawningView } from './facts';
export { spawningAgenda, SPAWNING_CHORES } from './agenda';
export { learn, type LearnedWindow } from './learn';
