import type { larderEndpoints } from '@freshet/contract/larder';
import { deriveLarder, type LarderView } from '@freshet/core/larder';
import type { Handlers, Who } from '../platform';
import type { LarderService } from './larder.service';

/** @param viewOf - the house as it is now */
export const larderHandlers = (
  larder: LarderService,
  viewOf: (who: Who) => Promise<LarderView>,
): Handlers<typeof larderEndpoints> => ({
  cultures: ({ who }) => larder.cultures(who),
  addCulture: ({ who, body }) => larder.addCulture(who, body),
  cultureEvent: ({ who, body }) => larder.cultureEvent(who, body),
  foodPlans: async ({ who }) => deriveLarder(await viewOf(who)),
});
