export { createRoom, type RoomService, type TankRow } from './room.service';
export { roomHandlers } from './room.routes';
