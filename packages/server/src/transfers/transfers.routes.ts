import type { transfersEndpoints } from '@freshet/contract/transfers';
import type { Handlers } from '../platform';
import type { TransfersService } from './transfers.service';

export const transfersHandlers = (transfers: TransfersService): Handlers<typeof transfersEndpoints> => ({
  transfer: ({ who, query }) => transfers.compare(who, query),
});
