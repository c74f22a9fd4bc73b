export { createLog, type LogService, type Scope, type Written, type Applied } from './log.service';
export { logHandlers } from './log.routes';
