import { addDays, houseDay, type Day } from '../time';
import type { FeedingSchool } from '../spawning';
import { CYST_FIGURES, hatchShareOf, type HatchShare } from './doses';
import type { LarderView } from './facts';
import { mealSize } from './mealSize';
import { NAUPLII_PER_ML, type FoodKnowledge } from './rations';
import { shelfState, type ShelfItem } from './shelf';

/** What was seen after a meal counts for so long, days. */
const SEEN_DAYS = 10;
/** A reading of ammonia counts for so long, days: measured again, it tells more. */
const AMMONIA_DAYS = 3;

/** The tin that hatches are set from: of those on a shelf the one opened last that is not empty; null where none stands there. */
export function tinOf(shelf: readonly ShelfItem[], today: Day): ShelfItem | null {
  const tins = shelf.filter((item) => item.kind === 'cysts' && shelfState(item, 0, today).left > 0);
  return [...tins].sort((a, b) => ((a.openedOn ?? '') < (b.openedOn ?? '') ? 1 : -1))[0] ?? null;
}
/** The tin in use in a house. */
export const tinInUse = ({ larder, today }: Pick<LarderView, 'larder' | 'today'>): ShelfItem | null => tinOf(larder.shelf, today);

/** The share that hatches of the tin in use; null while none was counted. */
export function hatchShareNow(view: Pick<LarderView, 'larder' | 'today'>): HatchShare | null {
  const tin = tinInUse(view);
  const counted = view.larder.hatches.filter(({ tinId }) => tin === null || tinId === tin.id);
  return counted.length > 0 ? hatchShareOf(counted) : null;
}

/** What a hatch of so many grams of the tin in use gives, ml strained. */
export const hatchMl = (view: Pick<LarderView, 'larder' | 'today'>, cystsG: number): number =>
  (cystsG * CYST_FIGURES.naupliiPerG * (hatchShareNow(view)?.share ?? CYST_FIGURES.hatchFraction)) / NAUPLII_PER_ML;

/** What the keeper's own records say of feeding in a tank. */
export function knowledgeAt(view: LarderView, tankId: string, school: FeedingSchool | null = null): FoodKnowledge {
  const since = addDays(view.today, -SEEN_DAYS);
  const looks = view.larder.meals.filter((look) => look.tankId === tankId && houseDay(look.at, view.timeZone) >= since);
  const ammonia = view.room.ammonia[tankId];
  const isNew = ammonia !== undefined && houseDay(ammonia.at, view.timeZone) >= addDays(view.today, -AMMONIA_DAYS);
  const ammoniaPpm = isNew ? ammonia.ppm : null;
  const isSized = looks.length > 0 || (ammoniaPpm ?? 0) > 0 || (school !== null && school !== 'vanishes');
  return {
    doses: view.larder.doses,
    hatchShare: hatchShareNow(view),
    size: isSized ? mealSize(looks, school, ammoniaPpm) : null,
  };
}
