export { createLog, type LogService, type Applied, type Scope, type Undoing, type Written } from './log.service';
export { logHandlers } from './log.routes';
