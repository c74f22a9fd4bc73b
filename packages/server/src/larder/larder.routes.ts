import type { larderEndpoints } from '@freshet/contract/larder';
import type { Handlers, Who } from '../platform';
import type { LarderService } from './larder.service';

/** @param viewOf - the house as it is now, which is put together from later areas too */
export const larderHandlers = (
  larder: LarderService,
  viewOf: (who: Who) => Promise<Parameters<LarderService['foodPlans']>[0]>,
): Handlers<typeof larderEndpoints> => ({
  cultures: ({ who }) => larder.cultures(who),
  addCulture: ({ who, body }) => larder.addCulture(who, body),
  cultureEvent: ({ who, body }) => larder.cultureEvent(who, body),
  foodPlans: async ({ who }) => larder.foodPlans(await viewOf(who)),
});
