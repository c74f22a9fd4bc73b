import { lazy } from 'react';

export { RackElevation } from './RackElevation';
export { layoutRoom, type DrawnTank, type Rack, type Tank } from './layoutRoom';
export { ReadingForm } from './ReadingForm';
export { ChangeForm } from './ChangeForm';
export { EquipForm } from './EquipForm';
export { MoveTankForm } from './MoveTankForm';
export { RegimeForm } from './RegimeForm';
export { STATE_WORDS } from './overlay';
export { EVENT_WORDS, TankEventForm } from './TankEventForm';
export { TankOptions } from './TankOptions';
export { useSumFacts, valuesOf } from './useSumFacts';
export type { SendSheet } from './sendSheet';
export const RoomPage = lazy(async () => ({ default: (await import('./RoomPage')).RoomPage }));
export const WatersPage = lazy(async () => ({ default: (await import('./WatersPage')).WatersPage }));
export const ProbesPage = lazy(async () => ({ default: (await import('./ProbesPage')).ProbesPage }));
export const ExposurePage = lazy(async () => ({ default: (await import('./ExposurePage')).ExposurePage }));
export const HoursPage = lazy(async () => ({ default: (await import('./HoursPage')).HoursPage }));
