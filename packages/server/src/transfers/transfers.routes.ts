import type { transfersEndpoints } from '@freshet/contract/transfers';
import type { HouseView } from '@freshet/core/house';
import type { Clock, Handlers, Who } from '../platform';
import type { RoomService } from '../room';
import { compareForTransfer } from './transfers.service';

export const transfersHandlers = (deps: {
  room: RoomService;
  clock: Clock;
  viewOf: (who: Who) => Promise<HouseView>;
}): Handlers<typeof transfersEndpoints> => ({
  transfer: async ({ who, query }) => compareForTransfer(deps, who, await deps.viewOf(who), query),
});
