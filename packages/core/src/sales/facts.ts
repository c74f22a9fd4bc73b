import type { GrowoutView } from '../growout';
import { addHeads, EMPTY, totalHeads, type Heads } from '../stock';
import type { Day } from '../time';
import type { BuyerKind, WantedSex } from './keys';

/** Heads of a lot that are promised. */
export interface Reserved extends Heads {
  lotId: string;
}

/** What a buyer asked for of one kind. */
export interface OrderLine {
  lineId: string;
  speciesKey: string;
  sex: WantedSex;
  /** At least so long; null for the usual length of sale. */
  leastMm: number | null;
  heads: number;
  /** Of this brood alone; null for any. */
  broodId: string | null;
  reserved: readonly Reserved[];
  /** Heads that were handed over. */
  collected: number;
}

/** An order that is not yet handed over or dropped. Who it is for and what it brings is no part of the house's facts. */
export interface OpenOrder {
  orderId: string;
  number: number;
  buyerKind: BuyerKind;
  dueOn: Day;
  lines: readonly OrderLine[];
}

/** What sales add to the house as it is now. */
export interface SalesFacts {
  orders: readonly OpenOrder[];
  /** Heads of each species that were sold, swapped or given away, and in how many weeks. */
  pace: readonly { speciesKey: string; heads: number; weeks: number }[];
}
export const NO_SALES: SalesFacts = { orders: [], pace: [] };

/** A house with what is promised of whom. */
export interface SalesView extends GrowoutView {
  sales: SalesFacts;
  /** Heads promised, by lot. */
  reserved: ReadonlyMap<string, Heads>;
}

/** Orders by day, the earliest first; of one day by number. */
const inTurn = (a: OpenOrder, b: OpenOrder): number => (a.dueOn === b.dueOn ? a.number - b.number : a.dueOn < b.dueOn ? -1 : 1);

/** Heads that some orders promise, by lot. */
export function promisedIn(orders: readonly OpenOrder[]): Map<string, Heads> {
  const sums = new Map<string, Heads>();
  for (const part of orders.flatMap(({ lines }) => lines.flatMap(({ reserved }) => reserved)))
    sums.set(part.lotId, addHeads(sums.get(part.lotId) ?? EMPTY, part));
  return sums;
}

/** Sums up what is promised. */
export const readSales = (before: GrowoutView, facts: SalesFacts): SalesView => ({
  ...before,
  sales: { ...facts, orders: [...facts.orders].sort(inTurn) },
  reserved: promisedIn(facts.orders),
});

/** Heads of a lot that are promised. */
export const reservedOf = (view: SalesView, lotId: string): number => {
  const heads = view.reserved.get(lotId);
  return heads ? totalHeads(heads) : 0;
};

/** Heads of a line that nobody is promised for yet. */
export const openHeads = ({ heads, collected, reserved }: OrderLine): number =>
  Math.max(0, heads - collected - reserved.reduce((sum, part) => sum + totalHeads(part), 0));
