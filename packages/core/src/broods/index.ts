export {
  describeBrood,
  broodLedger,
  LIFE_STAGES,
  type BroodFacts,
  type BroodState,
  type LifeStage,
  type LedgerLine,
  type BroodMovement,
} from './describeBrood';
export { computeStream, survivalLeft, type Stream, type StreamBand } from './computeStream';
