import type { logEndpoints } from '@freshet/contract/log';
import type { Handlers } from '../platform';
import type { LogService } from './log.service';

export const logHandlers = (log: LogService): Handlers<typeof logEndpoints> => ({
  entries: ({ who, query }) => log.entries(who, query),
  undo: ({ who, body }) => log.undo(who, body),
});
