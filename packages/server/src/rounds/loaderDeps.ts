import type { BroodsService } from '../broods';
import type { LarderService } from '../larder';
import type { Clock } from '../platform';
import type { BiosecurityService, ProbesService, ReadinessService, RoomService, WaterService } from '../room';
import type { SpawningService } from '../spawning';
import type { BroodstockService, StockService } from '../stock';

/** What the round is worked out from. */
export interface LoaderDeps {
  clock: Clock;
  room: RoomService;
  readiness: ReadinessService;
  water: WaterService;
  probes: ProbesService;
  biosecurity: BiosecurityService;
  stock: StockService;
  broodstock: BroodstockService;
  spawning: SpawningService;
  broods: BroodsService;
  larder: LarderService;
}
