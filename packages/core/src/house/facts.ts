import type { LoggedOutcome, Moment } from '../agenda';
import { readBroods, type BroodsFacts } from '../broods';
import { readGrowout, type GrowoutFacts } from '../growout';
import { readLarder, type LarderFacts } from '../larder';
import { readRoom, type RoomFacts } from '../room';
import { readSales, type SalesFacts, type SalesView } from '../sales';
import { readSpecies, type SpeciesFacts } from '../species';
import { readSpawning, type SpawningFacts } from '../spawning';
import { readStock, type StockFacts } from '../stock';
import { houseDay, type Instant } from '../time';

/**
 * A house as it is now, without its history: one slice an area, plain JSON. Round, Horizon, larder, tanks and alarms are all worked
 * out from it by the same pure functions, on a server or on a device that is away from it.
 */
export interface HouseFacts {
  /** Counts the entries of the log; the same revision is the same house, but for what probes send. */
  revision: number;
  timeZone: string;
  species: SpeciesFacts;
  room: RoomFacts;
  stock: StockFacts;
  spawning: SpawningFacts;
  broods: BroodsFacts;
  larder: LarderFacts;
  growout: GrowoutFacts;
  sales: SalesFacts;
  /** What was ticked or left out, today and later. */
  agenda: { outcomes: readonly LoggedOutcome[] };
}

/** A house with everything looked up and worked out once, as it stands at a moment. */
export interface HouseView extends SalesView {
  outcomes: readonly LoggedOutcome[];
}

/** Reads a house's facts at a moment: each area's view is built on those before it. */
export function readHouse(facts: HouseFacts, now: Instant): HouseView {
  const moment: Moment = { now, timeZone: facts.timeZone, today: houseDay(now, facts.timeZone) };
  const room = readRoom({ ...moment, species: readSpecies(facts.species) }, facts.room);
  const spawning = readSpawning(readStock(room, facts.stock), facts.spawning);
  const larder = readLarder(readBroods(spawning, facts.broods), facts.larder);
  return { ...readSales(readGrowout(larder, facts.growout), facts.sales), outcomes: facts.agenda.outcomes };
}
