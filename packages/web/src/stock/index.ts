export { HeadsFields, headsField, headsText, readHeads } from './HeadsFields';
export { LotForm } from './LotForm';
export { LossForm } from './LossForm';
export { KinNote } from './KinNote';
export { CountForm } from './CountForm';
export type { SomeLot } from './SomeLot';

/** The pages of the area, each fetched when it is opened. */
export const stockPages = {
  stock: async () => (await import('./StockPage')).StockPage,
  lot: async () => (await import('./LotPage')).LotPage,
  sexing: async () => (await import('./SexingPage')).SexingPage,
  lines: async () => (await import('./LinesPage')).LinesPage,
};
export { LengthsForm } from './LengthsForm';
export { Photos } from './lot/Photos';
export { useAddPhoto } from './useAddPhoto';
