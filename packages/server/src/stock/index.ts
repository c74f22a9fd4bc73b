export { createStock, type StockService } from './stock.service';
export { createSpecies, type SpeciesService } from './species.service';
export { stockHandlers, speciesHandlers } from './stock.routes';
export type { LotRow, MovementRow, PlacementRow } from './stock.repository';
