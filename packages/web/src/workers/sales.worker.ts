import { expose } from 'comlink';
import { readHouse, type HouseFacts } from '@freshet/core/house';
import {
  fillLines,
  freeLots,
  orderOutlooks,
  overStocked,
  overStockOf,
  pickStops,
  readyList,
  type Filled,
  type OrderLine,
  type OrderOutlook,
  type OverStock,
  type PickStop,
  type ReadyList,
} from '@freshet/core/sales';

/** Lines to be filled: what is asked for, before anybody is chosen. */
export type AskedLine = Pick<OrderLine, 'lineId' | 'speciesKey' | 'sex' | 'leastMm' | 'heads' | 'broodId'>;
/** What can go, and what is too much of. */
export interface ReadyView {
  list: ReadyList;
  over: OverStock[];
}

/** What can go and to whom, worked out away from the page. */
const SALES = {
  ready: (facts: HouseFacts, now: string): ReadyView => {
    const view = readHouse(facts, now);
    const list = readyList(view);
    return { list, over: overStocked(view, list) };
  },
  orders: (facts: HouseFacts, now: string): OrderOutlook[] => orderOutlooks(readHouse(facts, now)),
  fill: (facts: HouseFacts, now: string, lines: readonly AskedLine[], orderId: string | null): Filled[] =>
    fillLines(lines, freeLots(readHouse(facts, now), orderId)),
  picks: (facts: HouseFacts, now: string, orderId: string): PickStop[] => {
    const view = readHouse(facts, now);
    const order = view.sales.orders.find((one) => one.orderId === orderId);
    return order ? pickStops(view, order) : [];
  },
  overStock: (facts: HouseFacts, now: string, speciesKey: string): OverStock | null =>
    overStockOf(readHouse(facts, now), speciesKey),
};
export type SalesWork = typeof SALES;

expose(SALES);
