import type { HouseRoom } from './houseRoom';
import type { BroodRecord } from '../broods';
import type { Culture } from '../larder';
import type { Recipe, TemperatureReading } from '../spawning';
import type { Heads, ResolvedSpecies } from '../stock';
import type { Day, Instant, TimeRange } from '../time';

/** A tank with its place in the room; tubs have no shelf below them and stand on level 1. */
export interface HouseTank {
  id: string;
  code: string;
  litres: number;
  rackCode: string;
  rackName: string;
  rackPosition: number;
  quarantine: boolean;
  outdoor: boolean;
  shelfLevel: number;
  leftCm: number;
}

/** A countable group of animals in one tank. */
export interface HouseLot extends Heads {
  id: string;
  tankId: string | null;
  speciesKey: string;
  broodId: string | null;
  /** When it came into its tank. */
  since?: Instant | undefined;
  /** A pair that has raised young and is not to be disturbed. */
  isProven?: boolean | undefined;
}

/** A time of heavier food before spawning. */
export interface HouseProgramme {
  id: string;
  lotId: string;
  from: Day;
  /** Last day. */
  to: Day;
  foods: string;
  mealsPerDay: number;
  separated: 'together' | 'divider' | 'tank';
  water: string | null;
  /** When the lot's condition was last scored. */
  lastScored: Day | null;
}

/** An attempt that is going on. */
export interface HouseAttempt {
  id: string;
  name: string;
  speciesKey: string;
  tankId: string;
  recipe: Recipe;
  conditioningFrom: Day | null;
  setUpOn: Day | null;
  triggerOn: Day | null;
  triggered: TimeRange | null;
  parentLotIds: string[];
  hasBrood: boolean;
  from: Day;
  to: Day | null;
}

/** A brood with somebody alive in it. */
export type HouseBrood = BroodRecord;

/** What was logged for a chore; `undone` ones are not listed. */
export interface HouseOutcome {
  entryId: string;
  choreKey: string;
  day: Day;
  status: 'done' | 'skipped';
  amount: number | null;
  unit: string | null;
  text: string;
  tankId: string | null;
  by: string;
}

/** All that a day's round, the Horizon and the larder plan are worked out from. */
export interface HouseState {
  now: Instant;
  timeZone: string;
  species: ReadonlyMap<string, ResolvedSpecies>;
  tanks: readonly HouseTank[];
  lots: readonly HouseLot[];
  attempts: readonly HouseAttempt[];
  /** Conditioning that runs now or begins later. */
  programmes: readonly HouseProgramme[];
  broods: readonly HouseBrood[];
  cultures: readonly Culture[];
  /** Newest temperature by tank id. */
  temperatures: ReadonlyMap<string, TemperatureReading>;
  /** By brood id: the temperatures a brood that does not feed yet went through, oldest first. */
  broodTemperatures: ReadonlyMap<string, readonly TemperatureReading[]>;
  outcomes: readonly HouseOutcome[];
  room: HouseRoom;
}
