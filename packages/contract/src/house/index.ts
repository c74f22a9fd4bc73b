export { houseEndpoints, HouseReply, TankLife } from './house.endpoints';
