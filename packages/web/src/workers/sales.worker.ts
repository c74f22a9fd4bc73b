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
  spareBreeders,
  type Filled,
  type OrderLine,
  type OrderOutlook,
  type OverStock,
  type PickStop,
  type ReadyList,
  type ReadyWish,
  type SpareBreeders,
} from '@freshet/core/sales';

/** Lines to be filled: what is asked for, before anybody is chosen. */
export type AskedLine = Pick<OrderLine, 'lineId' | 'speciesKey' | 'sex' | 'leastMm' | 'heads' | 'broodId'>;
/** For sale, and what is too much of. */
export interface ReadyView {
  list: ReadyList;
  over: OverStock[];
  /** Grown animals the house could do without. */
  spare: SpareBreeders[];
  /** Classes that young were sorted into, in any brood. */
  grades: string[];
  /** Whether any young grow towards a sale. */
  isYoung: boolean;
  /** Their species, and those of whom some could be spared, by key and name. */
  kinds: [key: string, name: string][];
}

/** For sale and to whom, worked out away from the page. */
const SALES = {
  ready: (facts: HouseFacts, now: string, wish: ReadyWish): ReadyView => {
    const view = readHouse(facts, now);
    const all = readyList(view);
    const isAll = wish.sex === 'any' && wish.leastMm === null && wish.grade === null;
    const spare = spareBreeders(view);
    const kinds = new Map([...all.rows, ...spare].map(({ speciesKey, speciesName }) => [speciesKey, speciesName]));
    return {
      list: isAll ? all : readyList(view, wish),
      over: overStocked(view, all),
      spare,
      isYoung: all.rows.length > 0,
      kinds: [...kinds].sort((a, b) => (a[1] < b[1] ? -1 : 1)),
      grades: [...new Set(all.rows.flatMap(({ grades }) => grades))].sort(),
    };
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
