import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import {
  CancelOrder,
  ComplaintBody,
  EraseBuyer,
  MoneyBody,
  MoneyReply,
  Order,
  OrderBody,
  Buyer,
  BuyerBody,
  RatesBody,
  RatesReply,
  SaleBody,
  SoldReply,
  TakingsReply,
  TrailReply,
} from './sales.schema';

/** What is logged here; who buys and for how much is the keeper's alone. */
export const salesEntries = entries({
  buyer: { role: 'keeper', words: 'buyer added', touches: [] },
  buyerErased: { role: 'keeper', words: 'buyer erased', touches: [] },
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
  buyers: endpoint({
    ...keeper,
    path: '/api/sales/buyers',
    summary: 'Who fish go to, with what each took and paid',
    reply: v.array(Buyer),
  }),
  takings: endpoint({
    ...keeper,
    path: '/api/sales/takings',
    summary: 'What each buyer took of each species and paid, month by month',
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
    summary: 'Profit: costs and income of a year by species, brood and buyer',
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
  noteBuyer: salesEntries.buyer({
    path: '/api/sales/buyers',
    summary: 'Note somebody fish go to, or change what is noted',
    body: BuyerBody,
  }),
  eraseBuyer: salesEntries.buyerErased({
    path: '/api/sales/erasures',
    summary: 'Erase who a buyer was; what it took stays in the ledger without a name',
    body: EraseBuyer,
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
