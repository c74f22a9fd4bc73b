export { createRoom, type RoomService, type TankRow } from './room.service';
export { createReadiness, type ReadinessService } from './readiness.service';
export { createWater, type WaterService } from './water.service';
export { createProbes, type ProbesService, type TellProbe } from './probes.service';
export { createBiosecurity, type BiosecurityService, type LotTrail } from './biosecurity.service';
export { createCare, type CareService } from './care.service';
export { createHours, type HoursService } from './hours.service';
export { createRoomFacts, type Rooms, type RoomFactsLoader, type WantedByTank } from './room.facts';
export { biosecurityHandlers, hoursHandlers, probeHandlers, roomHandlers, waterHandlers } from './room.routes';
