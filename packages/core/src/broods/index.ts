export {
  describeBrood,
  broodLedger,
  stageSpans,
  type StageSpan,
  LIFE_STAGES,
  type BroodFacts,
  type BroodRecord,
  type BroodState,
  type LifeStage,
  type LedgerLine,
  type BroodMovement,
} from './describeBrood';
export { computeStream, survivalLeft, type Stream, type StreamBand } from './computeStream';
