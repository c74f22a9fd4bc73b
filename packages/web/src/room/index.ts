export { RackElevation } from './RackElevation';
export { layoutRoom, type DrawnTank, type Rack, type Tank } from './layoutRoom';
export { ReadingForm } from './ReadingForm';
export { RoomPage } from './RoomPage';
