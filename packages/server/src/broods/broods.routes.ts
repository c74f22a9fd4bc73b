import type { broodsEndpoints } from '@freshet/contract/broods';
import type { Handlers } from '../platform';
import type { BroodPages } from './broods.pages';
import type { BroodsService } from './broods.service';

export const broodsHandlers = (broods: BroodsService, pages: BroodPages): Handlers<typeof broodsEndpoints> => ({
  broods: ({ who }) => pages.cards(who),
  brood: ({ who, params }) => pages.page(who, params.broodId ?? ''),
  addClutch: ({ who, body }) => broods.addClutch(who, body),
  foundBrood: ({ who, body }) => broods.foundBrood(who, body),
  observe: ({ who, body }) => broods.observe(who, body),
  pickWhite: ({ who, body }) => broods.pickWhite(who, body),
});
