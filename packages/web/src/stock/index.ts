export { HeadsFields, readHeads, headsText } from './HeadsFields';
export { SpeciesOptions } from './SpeciesOptions';
export { LotForm } from './LotForm';
export { TransferSheet } from './TransferSheet';
export { LossForm } from './LossForm';
export { CountForm } from './CountForm';
export { StockPage } from './StockPage';
export { SpeciesPage } from './SpeciesPage';
export type { SomeLot } from './SomeLot';
