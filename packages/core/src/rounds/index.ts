export type { HouseState, HouseTank, HouseLot, HouseProgramme, HouseAttempt, HouseBrood, HouseOutcome } from './houseState';
export { QUIET_ROOM, type HouseRoom, type QuarantineBreach } from './houseRoom';
export { tankCrowding } from './crowding';
export { tankFreeOn } from './tankFreeOn';
export {
  COMPARED,
  planTransfer,
  type Compared,
  type TransferGroup,
  type TransferPlan,
  type TransferTank,
  type TransferWarning,
} from './transfer/planTransfer';
export { readHouse, type ReadHouse, type ReadBrood } from './readHouse';
export { deriveRound, type Round, type RoundStop, type Chore, type ChoreKind, type Alarm } from './deriveRound';
export { deriveHorizon, packLanes, type HorizonItem, type HorizonSpan, type HorizonKind } from './deriveHorizon';
export { deriveLarder, type LarderPlan } from './deriveLarder';
export { parseJot, type JotCommand, type JotContext, type JotResult, type JotTank } from './jot/parseJot';
export { jotTanks, clutchCandidates } from './jotTanks';
