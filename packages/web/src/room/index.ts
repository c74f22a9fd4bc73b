import { lazy } from 'react';

export { RackElevation } from './RackElevation';
export { layoutRoom, type DrawnTank, type Rack, type Tank } from './layoutRoom';
export { ReadingForm } from './ReadingForm';
export const RoomPage = lazy(async () => ({ default: (await import('./RoomPage')).RoomPage }));
