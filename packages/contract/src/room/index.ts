export {
  roomEndpoints,
  NewRack,
  NewShelf,
  NewTank,
  NewReading,
  RoomReply,
  Tank,
  QUANTITIES,
  READING_LIMITS,
  type Quantity,
} from './room.endpoints';
