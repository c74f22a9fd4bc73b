import { groupBy } from '../agenda';
import type { Quarantine, RoomView } from '../room';
import type { Day, Instant } from '../time';
import { totalHeads, type Heads } from './headcount';

/** A countable group of animals in one tank. */
export interface StockLot extends Heads {
  id: string;
  tankId: string | null;
  speciesKey: string;
  /** Null for animals of no brood, and for those of one that are grown and live as breeders. */
  broodId: string | null;
  name: string | null;
  /** When it came into its tank. */
  since: Instant;
  /** When it was born, as far as is known or was guessed when it came. */
  bornOn: Day | null;
  /** Mean length at the newest measuring that still holds, mm. */
  lengthMm: number | null;
  /** The tank it was in before: where it goes back to after spawning. */
  homeTankId: string | null;
  /** A pair that has raised young and is not to be disturbed. */
  isProven: boolean;
  /** Lives out its life here and breeds no more. */
  isRetired: boolean;
}

/** A time of heavier food before spawning. */
export interface StockProgramme {
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

/** A lot that left quarantine before its time. */
export interface QuarantineBreach {
  lotId: string;
  fromTankId: string;
  toTankId: string;
  at: Instant;
  /** First day on which it might have left. */
  endsOn: Day;
}

/** Who lives where now. */
export interface StockFacts {
  /** Lots with somebody alive in them. */
  lots: readonly StockLot[];
  /** Conditioning that runs now or begins later. */
  programmes: readonly StockProgramme[];
  /** Tanks in quarantine by id; null while nobody arrived there. */
  quarantines: Readonly<Record<string, Quarantine | null>>;
  breaches: readonly QuarantineBreach[];
  /** Lots of which some travel on a day: those do not eat on the day before. */
  leaving: readonly { lotId: string; on: Day }[];
}

/** Nobody lives here. */
export const NO_STOCK: StockFacts = { lots: [], programmes: [], quarantines: {}, breaches: [], leaving: [] };

/** The stock, with the lots of every tank to be looked up. */
export interface StockView extends RoomView {
  stock: StockFacts;
  lotsByTank: ReadonlyMap<string, readonly StockLot[]>;
}

/** Looks up who lives where. */
export const readStock = (before: RoomView, stock: StockFacts): StockView => ({
  ...before,
  stock,
  lotsByTank: groupBy(
    stock.lots.filter((lot) => totalHeads(lot) > 0),
    (lot) => lot.tankId,
  ),
});
