export { salesEndpoints, salesEntries } from './sales.endpoints';
export {
  CancelOrder,
  Cents,
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
  TrailReply,
} from './sales.schema';
