export { besideBrood, residentsOf, type LengthBy, type Resident } from './residents';
export {
  describeBrood,
  broodLedger,
  stageSpans,
  undescribedBrood,
  type StageSpan,
  LIFE_STAGES,
  type BroodFacts,
  type LengthSample,
  type BroodRecord,
  type BroodState,
  type LifeStage,
  type LedgerLine,
  type BroodMovement,
} from './describeBrood';
export { mixtures, type Mixture } from './mixture';
export { computeStream, survivalLeft, type CountedLot, type Stream, type StreamBand } from './computeStream';
export {
  headsIn,
  NO_BROODS,
  readBroods,
  withLearned,
  type BroodsFacts,
  type BroodsView,
  type LearnedSpecies,
  type ReadBrood,
  type TroubledBrood,
} from './facts';
export { BROODS_CHORES } from './choreKinds';
export { broodChores } from './broodChores';
export { broodsAgenda } from './agenda';
export { subsampleCount, survival, type SubsampleCount, type SurvivalEvent, type SurvivalStep } from './countBrood';
export {
  clutchesByFemale,
  clutchRate,
  compareWays,
  daysToSaleBy,
  foldOutcome,
  poolSurvival,
  sexRatioPoints,
  sizeByAge,
  tallyBetween,
  worstSpan,
  type BroodOutcome,
  type ClutchRate,
  type FemaleRecord,
  type WayKept,
} from './outcome';
export {
  changesToTrace,
  fallBacks,
  FUNGUS_CARE,
  keepingOf,
  leafDose,
  recentEggLosses,
  type EggLosses,
  type EggTrouble,
  type FallBack,
} from './eggPlans';
export { larvalSalt, larvalTable, type LarvalTable, type SaltDown, type SaltUp } from './larvalSalt';
export { nextDrop } from './drops';
export { rollingBatch, type EggPick, type RollingBatch } from './batches';
export { SECOND_WETTING_DAYS, wettingDays } from './peat';
export type { EggKeeping, PeatBag } from './keeping';
export { describeCarrier, type Carrier, type CarrierSpan } from './carriers';
export { CARRIER_STEPS, LOSS_SPANS, OUTCOME_STAGES, type CarrierStep, type LossSpan, type OutcomeStage } from './stages';
