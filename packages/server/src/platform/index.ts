export { DomainError, RequestInvalid } from './DomainError';
export { openDatabase, isDatabaseAway, isDuplicate, type Database, type Tx } from './database';
export { houseTable, type HouseTable, type HouseRow } from './houseTable';
export { mount, atLeast, type Who, type Handler, type Handlers } from './mount';
export { problemHandler } from './problemHandler';
export { migrator } from './migrate';
export { systemClock, fixedClock, type Clock } from './clock';
export { groupBy } from './groupBy';
export { sessions } from './sessions';
