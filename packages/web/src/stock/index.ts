import { lazy } from 'react';

export { HeadsFields, readHeads, headsText } from './HeadsFields';
export { SpeciesOptions } from './SpeciesOptions';
export { LotForm } from './LotForm';
export { TransferSheet } from './TransferSheet';
export { LossForm } from './LossForm';
export { CountForm } from './CountForm';
export type { SomeLot } from './SomeLot';
export const StockPage = lazy(async () => ({ default: (await import('./StockPage')).StockPage }));
export const SpeciesPage = lazy(async () => ({ default: (await import('./SpeciesPage')).SpeciesPage }));
export const LotPage = lazy(async () => ({ default: (await import('./LotPage')).LotPage }));
export const SexingPage = lazy(async () => ({ default: (await import('./SexingPage')).SexingPage }));
export const LinesPage = lazy(async () => ({ default: (await import('./LinesPage')).LinesPage }));
