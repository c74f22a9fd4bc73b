export { AGENDAS, choreSeconds } from './agendas';
export { deriveAlarms, deriveRound, type Round, type RoundStop } from './deriveRound';
export { deriveHorizon, packLanes, type HorizonSpan } from './deriveHorizon';
export { parseJot, type JotCommand, type JotContext, type JotResult, type JotTank } from './jot/parseJot';
export { jotLogs, readJot } from './jot/readJot';
export type { JotLog, JotRead } from './jot/jotTypes';
export { jotCultures, jotTanks } from './jotTanks';
