import type { BroodsView } from '../broods';
import type { Day, Instant } from '../time';
import { describeCulture, type Culture, type DescribedCulture } from './cultures';
import type { Calibration, CountedHatch } from './doses';
import type { MealLook } from './mealSize';
import type { ShelfItem } from './shelf';
import type { CultureFood } from './keys';

/** A start that was taken over from a plan; it moves with its hatch. */
export interface PlannedStart {
  id: string;
  food: CultureFood;
  day: Day;
  takenAt: Instant;
  /** The brood or attempt it is for, and its first feed when the plan was made. */
  needKey: string | null;
  needFrom: Day | null;
}

/** A pest that was seen and is not gone. */
export interface PestSighting {
  id: string;
  pest: string;
  tankId: string | null;
  cultureId: string | null;
  at: Instant;
  /** Days on which water is to be changed after a treatment. */
  changesOn: readonly Day[];
  treatedWith: string | null;
}

/** Cultures and hatches that run, what was planned, what is on the shelf, and what this keeper has weighed and seen. */
export interface LarderFacts {
  cultures: readonly Culture[];
  planned: readonly PlannedStart[];
  doses: readonly Calibration[];
  meals: readonly MealLook[];
  hatches: readonly CountedHatch[];
  shelf: readonly ShelfItem[];
  pests: readonly PestSighting[];
}
export const EMPTY_LARDER: LarderFacts = { cultures: [], planned: [], doses: [], meals: [], hatches: [], shelf: [], pests: [] };

/** Cultures, each where it stands; all else as logged. */
export interface LarderView extends BroodsView {
  cultures: readonly DescribedCulture[];
  larder: Omit<LarderFacts, 'cultures'>;
}

/** Works out where every culture stands. */
export const readLarder = (before: BroodsView, { cultures, ...larder }: LarderFacts): LarderView => ({
  ...before,
  larder,
  cultures: cultures.map((culture) => ({
    culture,
    state: describeCulture(culture, before.now, before.timeZone, before.room.temperatures[culture.tankId ?? '']?.tempC ?? null),
  })),
});
