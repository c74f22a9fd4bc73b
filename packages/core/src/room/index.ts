export { tankLoad, type TankDimensions, type TankLoad } from './tankLoad';
export { DYE_CAUTION, dose, doseAfterChange, type StockStrength } from './dose';
export { compareWalk, type WalkPlace } from './walkOrder';
export { checkTemperature, type RangeVerdict } from './checkTemperature';
export { blend, co2FromPh, phFromCarbonate, type Blend, type WaterPart } from './water/blend';
export { shares, type SourceWater } from './water/shares';
export { changeToTemperature, lossFromCooling, newWaterTemperature, rewarm } from './water/warmth';
export { changeForLimit, dilution, dripAcclimation, topOff } from './water/changes';
export { freeAmmonia, oxygenSaturation } from './water/gases';
