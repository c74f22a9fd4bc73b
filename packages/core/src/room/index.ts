export { tankLoad, type TankDimensions, type TankLoad } from './tankLoad';
export { dose, doseAfterChange, type StockStrength } from './dose';
export { compareWalk, type WalkPlace } from './walkOrder';
export { checkTemperature, type RangeVerdict } from './checkTemperature';
