import type { BroodsView } from '../broods';
import { describeCulture, type Culture, type DescribedCulture } from './cultures';

/** Cultures and hatches that run. */
export interface LarderFacts {
  cultures: readonly Culture[];
}

/** Cultures, each where it stands. */
export interface LarderView extends BroodsView {
  cultures: readonly DescribedCulture[];
}

/** Works out where every culture stands. */
export const readLarder = (before: BroodsView, { cultures }: LarderFacts): LarderView => ({
  ...before,
  cultures: cultures.map((culture) => ({
    culture,
    state: describeCulture(culture, before.now, before.timeZone, before.room.temperatures[culture.tankId ?? '']?.tempC ?? null),
  })),
});
