export { readLine } from './line/readLine';
export { jotLogs, type JotReply } from './jotLogs';
export { namesOf, type Names } from './words/names';
export { LEXICON } from './words/lexicon';
export { PHRASES } from './line/phrases';
export {
  JOT_STAGES,
  type JotAnimals,
  type JotAsk,
  type JotChoice,
  type JotError,
  type JotErrorKind,
  type JotLog,
  type JotPhrase,
  type JotRead,
  type JotReader,
  type JotTankTold,
  type PlacedLog,
} from './jotTypes';
export { jotHouse, parseJot, type JotHouse, type JotResult } from './house/parseJot';
export type { JotCommand, JotContext, JotCulture, JotLot, JotTank } from './house/jotHouseTypes';
