import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import {
  CancelOrder,
  ComplaintBody,
  EraseOutlet,
  MoneyBody,
  MoneyReply,
  Order,
  OrderBody,
  Outlet,
  OutletBody,
  RatesBody,
  RatesReply,
  SaleBody,
  SoldReply,
  TakingsReply,
  TrailReply,
} from './sales.schema';

/** What is logged here; who buys and for how much is the keeper's alone. */
export const salesEntries = entries({
  outlet: { role: 'keeper', words: 'outlet noted', touches: [] },
  outletErased: { role: 'keeper', words: 'outlet erased', touches: [] },
  order: { role: 'keeper', words: 'order', touches: [] },
  orderCancelled: { role: 'keeper', words: 'order cancelled', touches: [] },
  sale: {
    role: 'keeper',
    words: 'animals handed over',
    touches: [...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.room, ...TOUCHES.descent],
  },
  money: { role: 'keeper', words: 'money', touches: [] },
  rates: { role: 'keeper', words: 'what things cost', touches: [] },
  complaint: { role: 'keeper', words: 'complaint', touches: [] },
});

const keeper = { method: 'GET', role: 'keeper' } as const;
export const salesEndpoints = {
  outlets: endpoint({
    ...keeper,
    path: '/api/sales/outlets',
    summary: 'Who fish go to, with what each took and paid',
    reply: v.array(Outlet),
  }),
  takings: endpoint({
    ...keeper,
    path: '/api/sales/takings',
    summary: 'What each outlet took of each species and paid, month by month',
    reply: TakingsReply,
  }),
  orders: endpoint({
    ...keeper,
    path: '/api/sales/orders',
    summary: 'Orders, those that wait first',
    reply: v.array(Order),
  }),
  sold: endpoint({ ...keeper, path: '/api/sales/sold', summary: 'Animals handed over, newest first', reply: SoldReply }),
  money: endpoint({
    ...keeper,
    path: '/api/sales/money',
    summary: 'Did it pay: costs and income of a year by species, brood and outlet',
    query: v.object({ year: v.optional(v.pipe(v.string(), v.regex(/^\d{4}$/, 'A year.'))) }),
    reply: MoneyReply,
  }),
  rates: endpoint({ ...keeper, path: '/api/sales/rates', summary: 'What things cost here, and the currency', reply: RatesReply }),
  trail: endpoint({
    ...keeper,
    path: '/api/sales/trail/:code',
    summary: 'From the code of a label to brood, parents, tank, water and food, and to sisters sold elsewhere',
    reply: TrailReply,
  }),
  noteOutlet: salesEntries.outlet({
    path: '/api/sales/outlets',
    summary: 'Note somebody fish go to, or change what is noted',
    body: OutletBody,
  }),
  eraseOutlet: salesEntries.outletErased({
    path: '/api/sales/erasures',
    summary: 'Erase who an outlet was; what it took stays in the ledger without a name',
    body: EraseOutlet,
  }),
  order: salesEntries.order({
    path: '/api/sales/orders',
    summary: 'Take an order, or change it: lines, day, and which animals are set aside for it',
    body: OrderBody,
  }),
  cancelOrder: salesEntries.orderCancelled({
    path: '/api/sales/cancellations',
    summary: 'Cancel an order; what was set aside is free again',
    body: CancelOrder,
  }),
  sell: salesEntries.sale({
    path: '/api/sales/sales',
    summary: 'Hand animals over: they leave the ledger, sold or given, with price and code',
    body: SaleBody,
  }),
  noteMoney: salesEntries.money({
    path: '/api/sales/money',
    summary: 'Note money spent or taken besides sales',
    body: MoneyBody,
  }),
  setRates: salesEntries.rates({
    path: '/api/sales/rates',
    summary: 'Say what current, water and a tank’s day cost here',
    body: RatesBody,
  }),
  complain: salesEntries.complaint({
    path: '/api/sales/complaints',
    summary: 'Log what a buyer complained of, and how it was settled',
    body: ComplaintBody,
  }),
};
