import type { larderEndpoints } from '@freshet/contract/larder';
import type { Handlers, Who } from '../platform';
import type { LarderService } from './larder.service';

type View = Parameters<LarderService['foodPlans']>[0];

/** @param viewOf - the house as it is now, which is put together from later areas too */
export const larderHandlers = (larder: LarderService, viewOf: (who: Who) => Promise<View>): Handlers<typeof larderEndpoints> => ({
  cultures: async ({ who }) => larder.pages.cultures(await viewOf(who)),
  cultureFamily: ({ who, params }) => larder.pages.family(who, params.cultureId ?? ''),
  cultureKinds: async ({ who }) =>
    [...(await larder.repository.ownKinds(who)).values()].map(({ id, name, standsFor }) => ({ id, name, standsFor })),
  foodPlans: async ({ who }) => larder.foodPlans(await viewOf(who)),
  larderTide: async ({ who, query }) => larder.pages.tide(await viewOf(who), query),
  pours: async ({ who }) => larder.pages.pours(await viewOf(who)),
  ladders: async ({ who }) => larder.pages.ladders(await viewOf(who)),
  shelf: async ({ who }) => larder.pages.shelf(await viewOf(who)),
  pests: async ({ who }) => larder.pages.pests(who, await viewOf(who)),
});
