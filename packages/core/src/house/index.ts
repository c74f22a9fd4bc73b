export { readHouse, type HouseFacts, type HouseView } from './facts';
export { describeTank, type TankWords } from './describeTank';
export { tankLife } from './tankLife';
