export { createStock, type StockService } from './stock.service';
export { createSpecies, type SpeciesService } from './species.service';
export { createLines } from './createLines';
export { stockHandlers, broodstockHandlers, kinshipHandlers, speciesHandlers } from './stock.routes';
export type { BroodDescent, Descent } from './descent';
export type { BroodstockService } from './broodstock.service';
export type { LotRow, MovementRow, PlacementRow } from './stock.repository';
