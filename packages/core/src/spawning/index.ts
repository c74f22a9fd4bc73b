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
  BARE_RECIPE,
  checkRecipe,
  completeRecipe,
  COVERS,
  defaultRecipe,
  EGG_PLANS,
  FIRST_FOOD_SCHOOLS,
  COLONY_SCHOOLS,
  FEEDING_SCHOOLS,
  GROWING_SCHOOLS,
  type ColonySchool,
  type FeedingSchool,
  type GrowingSchool,
  FUNGUS_SCHOOLS,
  inSeason,
  LEVERS,
  TRIGGER_SCHOOLS,
  type Cover,
  type CoverKind,
  type EggPlan,
  type FirstFoodSchool,
  type FungusSchool,
  type Lever,
  type Recipe,
  type RecipeProblem,
  type TriggerSchool,
  type TriggerStep,
} from './recipe';
export {
  compareRecipes,
  COVER_WORDS,
  coverWords,
  EGG_PLAN_WORDS,
  fieldWords,
  FIRST_FOOD_WORDS,
  FEEDING_WORDS,
  FUNGUS_WORDS,
  LEVER_WORDS,
  RECIPE_FIELDS,
  recipeText,
  seasonWords,
  stepsWords,
  stepWords,
  TRIGGER_WORDS,
  type Difference,
  type RecipeField,
} from './recipeFields';
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
