import { lazy } from 'react';

export { ChoreRow } from './ChoreRow';
export { Horizon } from './Horizon';
export { JotLine } from './JotLine';
export { RoundsPage } from './RoundsPage';
export const SitterSheet = lazy(async () => ({ default: (await import('./SitterSheet')).SitterSheet }));
