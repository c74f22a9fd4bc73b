export {
  roomEndpoints,
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
export { probeEndpoints, PLAYED_FAULTS, NewProbe, Probe, Samples, SAMPLES_AT_ONCE } from './probes.endpoints';
export { biosecurityEndpoints, ExposureReply, NewContact, NewIllness } from './biosecurity.endpoints';
