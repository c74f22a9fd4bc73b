export { createHouse, type HouseService } from './house.service';
export { houseHandlers } from './house.routes';
