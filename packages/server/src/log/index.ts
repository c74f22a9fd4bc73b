export { createLog, joined, type LogService } from './log.service';
export type { Applied, Declarations, PartBody, Scope, TickCall, ToBody, Undoing, Written } from './declaration';
export type { EntryRow } from './log.repository';
export { logHandlers } from './log.routes';
