export type { HouseState, HouseTank, HouseLot, HouseAttempt, HouseBrood, HouseOutcome } from './houseState';
export { readHouse, type ReadHouse, type ReadBrood } from './readHouse';
export { deriveRound, type Round, type RoundStop, type Chore, type ChoreKind, type Alarm } from './deriveRound';
export { deriveHorizon, packLanes, type HorizonItem, type HorizonSpan, type HorizonKind } from './deriveHorizon';
export { deriveLarder, type LarderPlan } from './deriveLarder';
export { parseJot, type JotCommand, type JotContext, type JotResult, type JotTank } from './jot/parseJot';
export { jotTanks, clutchCandidates } from './jotTanks';
