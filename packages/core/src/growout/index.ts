export {
  airlessHours,
  crowdingForecast,
  loadCourse,
  tankAhead,
  tankCrowding,
  youngCarried,
  type Ahead,
  type CrowdingForecast,
  type LoadPoint,
} from './crowding';
export { tankFreeOn } from './tankFreeOn';
export { growoutAgenda } from './agenda';
export { ageAt, crowdedOn, CURVES, fit, lengthAt, readyOn, type Curve, type GrowthCurve, type LengthPoint } from './growth';
export { assign, type Assigned } from './assign';
export {
  dayIn,
  daysAhead,
  fitOff,
  growBrood,
  growthOf,
  lengthBand,
  likelyDays,
  readyShares,
  shareOfLength,
  shareOver,
  SHARES,
  usualMm,
  type AgedSample,
  type BroodGrowth,
  type Likely,
  type ShareReady,
} from './broodGrowth';
export { NURSERY_NITRATE, nurseryWater, type NurseryWater } from './nurseryWater';
export { slowGrowth, type SlowGrowth } from './slowGrowth';
export { NO_GROWOUT, readGrowout, type GrowoutFacts, type GrowoutView, type PlacedMove } from './facts';
export { planPlaces, USUAL_CHOICES, type PlaceChoices, type PlacePlan, type PlannedPlace } from './placePlan';
export { TANK_SIZES, tanksByWeek, type TankSize, type TankWeek } from './tanksByWeek';
export {
  CLASS_SPREAD,
  compareGrading,
  dangerRatio,
  shareAtRisk,
  suggestClasses,
  type SchoolCost,
  type SizeClass,
} from './grading';
export { faultRates, type FaultRate, type Selection } from './faults';
export { DECISIONS, FAULTS, MOST_CLASSES, type Decision, type Fault } from './keys';
export { DECISION_WORDS, FAULT_WORDS } from './words';
export { expectedInPond, markRecapture, type Estimate } from './pond';
export { decideSorting, type SortingDecision } from './decideSorting';
export { outlookOf, type FillingTank, type Outlook } from './outlook';
export { dayOfAge, growthPicture, type GrowthPicture, type GrowthTarget, type TargetDates } from './growthPicture';
export { PLACE_DAYS } from './pieces';
export { PLACE_WISHES, WISH_WORDS, type PlaceWish } from './candidates';
