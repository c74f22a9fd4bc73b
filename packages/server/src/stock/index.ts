export { createStock, type StockService } from './stock.service';
export { createLines } from './createLines';
export { stockHandlers, broodstockHandlers, kinshipHandlers } from './stock.routes';
export type { BroodDescent, Descent } from './descent';
export type { BroodstockService } from './broodstock.service';
export { createStockFacts, headsByTank, wantedByTank } from './stock.facts';
export { detailsOf } from './stock.repository';
export { LONGEST_OVER_ADULT } from './marksAndLengths';
export type { HeadCountRow, LotRow, MovementRow, PlacementRow, SampleRow } from './stock.repository';
