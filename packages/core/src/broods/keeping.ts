import type { EggPlan } from '../species';
import type { FungusSchool } from '../spawning';
import type { Day, Instant } from '../time';

/** How the eggs of one clutch are kept: as its recipe says, or as it was changed since. */
export interface EggKeeping {
  plan: EggPlan;
  fungus: FungusSchool;
  dyeMgPerL: number | null;
  /** Strength of the dye's stock, % w/v. */
  dyeStockPercent: number | null;
  dailyChangeFraction: number;
  /** What they lie in, in the keeper's words; null where it was not said. */
  container: string | null;
  /** From when it holds; null since they were laid. */
  since: Instant | null;
  /** Why it was changed. */
  why: string | null;
}

/** A bag of peat with eggs in it. */
export interface PeatBag {
  label: string;
  place: string | null;
  moisture: 'damp' | 'wet' | 'dry';
  /** The day it is to be wetted. */
  wetOn: Day;
  at: Instant;
}
