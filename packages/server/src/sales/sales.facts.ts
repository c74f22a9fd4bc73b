import type { SalesFacts } from '@freshet/core/sales';
import { addDays, daysBetween, houseDay } from '@freshet/core/time';
import type { Clock, Who } from '../platform';
import type { SalesRepository } from './sales.repository';

/** The pace at which heads go is taken from so many weeks. */
const PACE_WEEKS = 26;

/** What a house is told of sales: what is promised, and how many went. Neither who buys nor for how much. */
export function createSalesFacts({ clock, repository }: { clock: Clock; repository: SalesRepository }) {
  return async (who: Who): Promise<SalesFacts> => {
    const today = houseDay(clock.now(), who.timeZone);
    const since = `${addDays(today, -PACE_WEEKS * 7)}T00:00:00.000Z`;
    const [orders, buyers, left] = await Promise.all([
      repository.openOrders(who),
      repository.allBuyers(who),
      repository.leftSince(who, since),
    ]);
    const kindOf = new Map(buyers.map(({ buyerId, kind }) => [buyerId, kind]));
    return {
      orders: orders.map(({ orderId, number, buyerId, dueOn, orderLines }) => ({
        orderId,
        number,
        buyerKind: kindOf.get(buyerId) ?? 'private',
        dueOn,
        lines: orderLines.map(({ cents: _cents, ...line }) => line),
      })),
      // Of a house that began to sell a month ago, the pace of that month.
      pace: left.map(({ speciesKey, heads, first }) => ({
        speciesKey,
        heads,
        weeks: Math.max(4, Math.min(PACE_WEEKS, Math.ceil(daysBetween(houseDay(first, who.timeZone), today) / 7))),
      })),
    };
  };
}
