import { ListPage } from './ListPage';
import { MoneyPage } from './MoneyPage';
import { OrderPage } from './OrderPage';
import { OrdersPage } from './OrdersPage';
import { BuyersPage } from './BuyersPage';
import { OverStockNote } from './OverStockNote';
import { ReadyPage } from './ReadyPage';
import { SoldPage } from './SoldPage';
import { TrailPage } from './TrailPage';

/** The pages of sales, fetched together when one is opened. */
export const salesPages = {
  ready: () => ReadyPage,
  list: () => ListPage,
  orders: () => OrdersPage,
  order: () => OrderPage,
  sold: () => SoldPage,
  trail: () => TrailPage,
  buyers: () => BuyersPage,
  money: () => MoneyPage,
  overStock: () => OverStockNote,
};
