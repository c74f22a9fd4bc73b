export { HeadsFields, readHeads, headsText } from './HeadsFields';
export { SpeciesOptions } from './SpeciesOptions';
export { LotForm } from './LotForm';
export { TransferSheet } from './TransferSheet';
export { LossForm } from './LossForm';
export { CountForm } from './CountForm';
export type { SomeLot } from './SomeLot';

/** The pages of the area, each fetched when it is opened. */
export const stockPages = {
  stock: async () => (await import('./StockPage')).StockPage,
  species: async () => (await import('./SpeciesPage')).SpeciesPage,
  lot: async () => (await import('./LotPage')).LotPage,
  sexing: async () => (await import('./SexingPage')).SexingPage,
  lines: async () => (await import('./LinesPage')).LinesPage,
};
