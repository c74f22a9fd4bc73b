export { AGENDAS, choreSeconds } from './agendas';
export { deriveAlarms, deriveRound, type Round, type RoundStop } from './deriveRound';
export { deriveHorizon, packLanes, type HorizonSpan } from './deriveHorizon';
export { jotCultures, jotStage, jotTanks } from './jotTanks';
