import { lazy } from 'react';

export { SpeciesOptions } from './SpeciesOptions';
export const SpeciesPage = lazy(async () => ({ default: (await import('./SpeciesPage')).SpeciesPage }));
