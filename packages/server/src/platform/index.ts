export { DomainError, RequestInvalid } from './DomainError';
export { openDatabase, isDatabaseAway, isDuplicate, type Database } from './database';
export type { Reading, Tx, Writing } from './access';
export {
  declareTable,
  houseTable,
  id,
  text,
  real,
  whole,
  flag,
  day,
  instant,
  json,
  bytes,
  nullable,
  OLDEST_FIRST,
  type AnyHouseTable,
  type HouseTable,
  type HouseRow,
  type RowOf,
} from './houseTable';
export { mount, atLeast, type Actor, type Enter, type Image, type Who, type Handler, type Handlers } from './mount';
export { problemHandler } from './problemHandler';
export { migrator } from './migrate';
export { prepareDatabase, StartError } from './prepareDatabase';
export { systemClock, fixedClock, type Clock } from './clock';
export { groupBy } from './groupBy';
export { sessions } from './sessions';
