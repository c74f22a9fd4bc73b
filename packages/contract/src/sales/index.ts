export { salesEndpoints, salesEntries } from './sales.endpoints';
export {
  CancelOrder,
  Cents,
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
  TrailReply,
} from './sales.schema';
