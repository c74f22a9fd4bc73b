import type { salesEndpoints } from '@freshet/contract/sales';
import type { Handlers, Who } from '../platform';
import type { SalesService } from './sales.service';

type View = Parameters<SalesService['orders']['list']>[1];

/** @param viewOf - the house as it is now, which is put together from later areas too */
export const salesHandlers = (
  { buyers, orders, money, trail }: SalesService,
  viewOf: (who: Who) => Promise<View>,
): Handlers<typeof salesEndpoints> => ({
  buyers: ({ who }) => buyers.list(who),
  takings: ({ who }) => buyers.takings(who),
  orders: async ({ who }) => orders.list(who, await viewOf(who)),
  sold: async ({ who }) => money.sold(who, await viewOf(who)),
  money: async ({ who, query }) => money.reply(who, await viewOf(who), query.year),
  rates: ({ who }) => money.ratesOf(who),
  trail: async ({ who, params }) => trail(who, await viewOf(who), params.code ?? ''),
});
