export {
  roomEndpoints,
  roomEntries,
  NewRack,
  NewShelf,
  NewTank,
  NewReading,
  RoomReply,
  Tank,
  TankMove,
  Equipment,
  NewEquipment,
  NewTankEvent,
  QUANTITIES,
  READING_LIMITS,
  type Quantity,
} from './room.endpoints';
export {
  waterEndpoints,
  waterEntries,
  WATER_KINDS,
  NewWater,
  NewAnalysis,
  NewChange,
  NewRegime,
  NewMeter,
  NewCalibration,
  Water,
  Meter,
  TankRegime,
} from './water.endpoints';
export { probeEndpoints, probeEntries, PLAYED_FAULTS, NewProbe, Probe, Samples, SAMPLES_AT_ONCE } from './probes.endpoints';
export { careEndpoints, careEntries, NewCare } from './care.endpoints';
export { hoursEndpoints, hoursEntries, Hours, NewHours } from './hours.endpoints';
export { biosecurityEndpoints, biosecurityEntries, ExposureReply, NewContact, NewIllness } from './biosecurity.endpoints';
export { vesselEndpoints, vesselEntries, NewVessel, VesselAway, VesselMove } from './vessels.endpoints';
