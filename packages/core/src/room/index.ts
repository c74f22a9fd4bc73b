export { tankLoad, type TankDimensions, type TankLoad } from './tankLoad';
export { DYE_CAUTION, dose, doseAfterChange, type StockStrength } from './dose';
export { mealsByWalk, MOST_WALKS, USUAL_HOURS, walkAt, walkWords, type HouseHours } from './hours';
export { compareWalk, type WalkPlace } from './walkOrder';
export { checkTemperature, type RangeVerdict } from './checkTemperature';
export { blend, co2FromPh, phFromCarbonate, type Blend, type WaterPart } from './water/blend';
export { shares, type SourceWater } from './water/shares';
export { FURNISHINGS, type Furnishing } from './furnishing';
export { FURNISHING_WORDS } from './furnishingWords';
export { VESSEL_KINDS, type VesselKind } from './vesselKinds';
export { changeToTemperature, lossFromCooling, newWaterTemperature, rewarm, usualLossWPerK } from './water/warmth';
export { changeForLimit, dilution, dripAcclimation, topOff } from './water/changes';
export { freeAmmonia, oxygenSaturation } from './water/gases';
export { sourceValues, SOURCE_VALUES, type Analysis, type SourceValue } from './water/sourceValues';
export { mineralSalts } from './water/mineralSalts';
export { estimateProduction, forecastRegime, nextChangeDay, type DayChange, type DayValue, type Regime } from './water/regime';
export { QUANTITY_TERMS } from './readings/quantityWords';
export { errorBand, METHODS, QUANTITIES, type MeasuringMethod, type Quantity } from './readings/errorBand';
export { findDisagreements, type BandedReading, type Disagreement } from './readings/findDisagreements';
export { judgeProbe, mayBeSteady, type ProbeFault, type ProbeVerdict, type Sample } from './readings/judgeProbe';
export { isUnsteady, steadiness, swingLimit, type Steadiness, type SwingPoint, type SwingQuantity } from './readings/steadiness';
export { thinSeries, type Bucket } from './readings/thinSeries';
export { decidePlace, endOfShelf, footprint, type PlaceDecision, type ShelfSpace, type StandingTank } from './layout/decidePlace';
export { judgeCycling, ZERO_PPM, type CyclingReading, type CyclingVerdict } from './readiness/cycling';
export {
  decideReadiness,
  READINESS_RULES,
  TANK_EVENTS,
  TANK_STATES,
  type Hindrance,
  type Readiness,
  type ReadinessRules,
  type TankEvent,
  type TankEventKind,
  type TankState,
} from './readiness/decideReadiness';
export {
  computeExposure,
  CONTACT_KINDS,
  exposurePath,
  HUB,
  type Contact,
  type ContactKind,
  type Exposed,
} from './biosecurity/computeExposure';
export { findQuarantineRisks, standingContacts, type BiosecurityRack, type QuarantineRisk } from './biosecurity/standingContacts';
export { decideQuarantine, QUARANTINE_DAYS, type Quarantine } from './biosecurity/decideQuarantine';
export {
  codeOf,
  codesOf,
  heaterCaution,
  isProbed,
  QUIET_ROOM,
  readRoom,
  warmthTankId,
  type RoomFacts,
  type RoomTank,
  type RoomView,
} from './facts';
export { VESSEL_RULES, vesselFault, vesselWords, type VesselPlace, type VesselRule } from './vessels';
export { CARE_KINDS, CARE_WORDS, type CareKind } from './care';
export { ROOM_CHORES, roomAgenda, STALE_DAYS } from './agenda';
export {
  exposureFacts,
  exposureIn,
  ILLNESS_DAYS,
  illnessIn,
  mayMove,
  type Exposure,
  type ExposureFacts,
  type SeenIllness,
} from './biosecurity/exposure';
