export {
  EMPTY,
  addHeads,
  subtractHeads,
  totalHeads,
  applyMovement,
  balanceLots,
  decideMove,
  decideLoss,
  decideCount,
  decideSexing,
  type Heads,
  type Movement,
  type MoveRefusal,
  mayBeMixed,
} from './headcount';
export { CAUSES, causeWords, LOSS_CAUSES, LOSS_WORDS, type Cause, type LossCause } from './causes';
export { sexing, sexWords, type Likelihood, type SeenTrait } from './sexing/sexing';
export { expectedGain, findNextTrait, openBits } from './sexing/nextTrait';
export { learnTrait, STARTING_WEIGHT, type TraitTally } from './sexing/learnTrait';
export { summariseLengths, type LengthSummary, type SizeCohort } from './groups/sizeCohorts';
export { groupOdds, groupSize, atLeast, type GroupWish } from './groups/groupOdds';
export { ratioInterval, type RatioInterval } from './groups/ratioInterval';
export { nextGeneration } from './selection/nextGeneration';
export { conditionFactor } from './condition/conditionFactor';
export { ripeIn, FIRST_CONDITIONING_DAYS, type RipeIn } from './condition/ripeIn';
export {
  cross,
  phenotypeOf,
  SEX_GENOTYPES,
  type CrossClass,
  type CrossInput,
  type CrossResult,
  type Locus,
  type SexSystem,
} from './crosses/cross';
export { forecastCross, type CrossForecast, type Delicate } from './crosses/forecastCross';
export { broodTest, type BroodTest } from './crosses/broodTest';
export { inferParents, type CountedLook, type InferInput, type LikelyParents } from './crosses/inferParents';
export { rankAnimals, selectionIntensity, type Graded } from './selection/selection';
export {
  orderGroups,
  orderPedigree,
  type Candidate,
  type GroupRecord,
  type OrderedGroups,
  type OrderedPedigree,
  type PedigreeRecord,
} from './kinship/pedigree';
export { inbreeding, inbreedingOf } from './kinship/inbreeding';
export { kinship, kinshipTable, type KinshipMatrix } from './kinship/kinship';
export { groupKinship, groupKinshipTable } from './kinship/groupKinship';
export { effectiveSize } from './kinship/effectiveSize';
export { pairings, type Pair, type Pairings, type KinshipInput } from './pairing/pairings';
export { assign, type Assignment } from './pairing/assignment';
export { ownMarkKey, sexTraitsOf, TRAIT_DRAWINGS, type SexTrait, type TraitDrawing } from './sexing/traits';
export { expectedMaleShare, findSexShift, learnSexShift, type SexedBrood, type SexShift } from './sexing/sexShift';
export {
  tracePedigree,
  MOST_CANDIDATES,
  type ParentLot,
  type TracedAnimal,
  type TracedBrood,
  type TracedLot,
  type TracedMovement,
  type TracedPedigree,
} from './pedigree/tracePedigree';
export {
  diversity,
  projectDiversity,
  newBloodIn,
  NEW_BLOOD_AT,
  withNewAnimal,
  type Diversity,
  type FounderShare,
  type Projection,
} from './kinship/diversity';
export { findKinPaths, type KinPath } from './kinship/ancestry';
export { traceThrowback, type LikelyCarrier } from './kinship/throwback';
export {
  planPairings,
  type LimitPrice,
  type PairingCandidate,
  type PairingLimits,
  type PairingPlan,
} from './pairing/planPairings';
export { breederLimits, type BreederLimits } from './condition/breederCondition';
export {
  decideBreederReadiness,
  scoreTrend,
  type BreederFacts,
  type BreederReadiness,
  type ReadinessCheck,
} from './condition/decideBreederReadiness';
export { checkCompany, type Company, type CompanyCheck } from './condition/checkCompany';
export {
  NO_STOCK,
  readStock,
  type QuarantineBreach,
  type StockFacts,
  type StockLot,
  type StockProgramme,
  type StockView,
} from './facts';
export { BREACH_DAYS, runningProgrammes, stockAgenda, STOCK_CHORES } from './agenda';
export { foodStop, outdoorC } from './outdoors';
export { JUDGED_QUANTITIES, JUDGED_WATER, type JudgedQuantity } from './judgedWater';
