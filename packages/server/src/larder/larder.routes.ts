import type { larderEndpoints } from '@freshet/contract/larder';
import type { Handlers, Who } from '../platform';
import { hasInvertebrates } from './larder.pests';
import type { LarderService } from './larder.service';

type View = Parameters<LarderService['foodPlans']>[0];

/** @param viewOf - the house as it is now, which is put together from later areas too */
export const larderHandlers = (larder: LarderService, viewOf: (who: Who) => Promise<View>): Handlers<typeof larderEndpoints> => ({
  cultures: async ({ who }) => larder.pages.cultures(await viewOf(who)),
  cultureFamily: ({ who, params }) => larder.pages.family(who, params.cultureId ?? ''),
  cultureKinds: async ({ who }) =>
    [...(await larder.repository.ownKinds(who)).values()].map(({ id, name, standsFor }) => ({ id, name, standsFor })),
  addCulture: ({ who, body }) => larder.addCulture(who, body),
  cultureEvent: ({ who, body }) => larder.cultureEvent(who, body),
  addCultureKind: ({ who, body }) => larder.addCultureKind(who, body),
  foodPlans: async ({ who }) => larder.foodPlans(await viewOf(who)),
  larderTide: async ({ who, query }) => larder.pages.tide(await viewOf(who), query),
  takePlan: ({ who, body }) => larder.shelf.takePlan(who, body),
  pours: async ({ who }) => larder.pages.pours(await viewOf(who)),
  ladders: async ({ who }) => larder.pages.ladders(await viewOf(who)),
  mealLook: ({ who, body }) => larder.shelf.mealLook(who, body),
  measureDose: ({ who, body }) => larder.shelf.measureDose(who, body),
  shelf: async ({ who }) => larder.pages.shelf(await viewOf(who)),
  addShelfItem: ({ who, body }) => larder.shelf.addShelfItem(who, body),
  shelfEvent: ({ who, body }) => larder.shelf.shelfEvent(who, body),
  pests: async ({ who }) => larder.pages.pests(who, await viewOf(who)),
  seePest: ({ who, body }) => larder.pests.seePest(who, body),
  pestEvent: async ({ who, body }) => {
    const view = await viewOf(who);
    return larder.pests.pestEvent(who, body, (tankId) => hasInvertebrates(view, tankId));
  },
});
