export { readHouse, type HouseFacts, type HouseView } from './facts';
export { onDay } from './onDay';
export { describeTank, type TankWords } from './describeTank';
export { tankLife } from './tankLife';
