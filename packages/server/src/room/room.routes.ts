import type { roomEndpoints } from '@freshet/contract/room';
import type { Handlers } from '../platform';
import type { RoomService } from './room.service';

const USUAL_DAYS = 60;

export const roomHandlers = (room: RoomService): Handlers<typeof roomEndpoints> => ({
  room: ({ who }) => room.room(who),
  addRack: ({ who, body }) => room.addRack(who, body),
  addShelf: ({ who, body }) => room.addShelf(who, body),
  addTank: ({ who, body }) => room.addTank(who, body),
  readings: ({ who, params, query }) => room.readings(who, params.tankId ?? '', query.days ?? USUAL_DAYS),
  addReading: ({ who, body }) => room.addReading(who, body),
});
