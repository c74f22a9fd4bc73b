import { lazy } from 'react';

export { Horizon } from './Horizon';
export { JotLine } from './JotLine';
export { RoundsPage } from './RoundsPage';
export const TankPage = lazy(async () => ({ default: (await import('./tank/TankPage')).TankPage }));
export const SitterSheet = lazy(async () => ({ default: (await import('./SitterSheet')).SitterSheet }));
export const LogPage = lazy(async () => ({ default: (await import('./LogPage')).LogPage }));
