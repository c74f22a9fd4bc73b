export { crowdingForecast, tankCrowding, youngCarried, type CrowdingForecast } from './crowding';
export { tankFreeOn } from './tankFreeOn';
export { growoutAgenda } from './agenda';
export { ageAt, crowdedOn, CURVES, fit, lengthAt, readyOn, type Curve, type GrowthCurve, type LengthPoint } from './growth';
export { assign } from './assign';
