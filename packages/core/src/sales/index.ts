export { ANY_WISH, READY_WEEKS, readyList, type ReadyList, type ReadyRow, type ReadyWish } from './readyList';
export { spareBreeders, type SpareBreeders } from './spareBreeders';
export {
  NO_SALES,
  openHeads,
  readSales,
  reservedOf,
  type OpenOrder,
  type OrderLine,
  type Reserved,
  type SalesFacts,
  type SalesView,
} from './facts';
export { MONEY_WORDS, NEVER_RELEASE, BUYER_WORDS, SETTLEMENT_WORDS } from './words';
export {
  MONEY_KINDS,
  MOST_LINES,
  BUYER_KINDS,
  PAYMENTS,
  SETTLEMENTS,
  UNPAID,
  WANTED_SEXES,
  type MoneyKind,
  type BuyerKind,
  type Payment,
  type Settlement,
  type WantedSex,
} from './keys';
export { fillLines, type Filled, type FreeLot } from './fill';
export { barOf, freeLots } from './freeLots';
export { orderOutlooks, type LineOutlook, type OrderOutlook } from './outlook';
export { BAG_GASES, planBags, USUAL_BAG, type BagChoices, type BagGas, type BagPlan } from './packing';
export { overStocked, overStockOf, type OverStock } from './overStock';
export { leavingDays, pickStops, salesAgenda, type PickStop } from './agenda';
export { SALES_CHORES } from './choreKinds';
export { upkeep, type LotUpkeep, type Rates, type Stay, type TankDose, type UpkeepTank } from './upkeep';
export { payOf, sumUpkeep, type Account, type Paid } from './pays';
export { takingsBySpecies, takingsMonths, type SpeciesTakings, type Taking } from './takings';
export { labelCode } from './labelCode';
export { formatMoney, readMoney } from './money';
