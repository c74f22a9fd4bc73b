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
  EGG_PLANS,
  FUNGUS_SCHOOLS,
  TRIGGER_SCHOOLS,
  defaultRecipe,
  type EggPlan,
  type FungusSchool,
  type TriggerSchool,
  type Recipe,
} from './recipe';
export { isPossibleHatch, learnHatch, type HatchSample, type LearnedHatch } from './learnHatch';
export { decideBooking, type Booking } from './decideBooking';
export { clutchCandidates, holdsFrom, readSpawning, type SpawningAttempt, type SpawningFacts, type SpawningView } from './facts';
export { spawningAgenda, SPAWNING_CHORES } from './agenda';
export { learn, type LearnedWindow } from './learn';
