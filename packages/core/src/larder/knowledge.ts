import { addDays, houseDay } from '../time';
import type { FeedingSchool } from '../spawning';
import { hatchShareOf, type HatchShare } from './doses';
import type { LarderView } from './facts';
import { mealSize } from './mealSize';
import type { FoodKnowledge } from './rations';
import { shelfState, type ShelfItem } from './shelf';

/** What was seen after a meal counts for so long, days. */
const SEEN_DAYS = 10;

/** The tin that hatches are set from: the one opened last that is not empty; null where none stands on the shelf. */
export function tinInUse(view: Pick<LarderView, 'larder' | 'today'>): ShelfItem | null {
  const tins = view.larder.shelf.filter((item) => item.kind === 'cysts' && shelfState(item, 0, view.today).left > 0);
  return [...tins].sort((a, b) => ((a.openedOn ?? '') < (b.openedOn ?? '') ? 1 : -1))[0] ?? null;
}

/** The share that hatches of the tin in use; null while none was counted. */
export function hatchShareNow(view: Pick<LarderView, 'larder' | 'today'>): HatchShare | null {
  const tin = tinInUse(view);
  const counted = view.larder.hatches.filter(({ tinId }) => tin === null || tinId === tin.id);
  return counted.length > 0 ? hatchShareOf(counted) : null;
}

/** What the keeper's own records say of feeding in a tank. */
export function knowledgeAt(view: LarderView, tankId: string, school: FeedingSchool | null = null): FoodKnowledge {
  const since = addDays(view.today, -SEEN_DAYS);
  const looks = view.larder.meals.filter((look) => look.tankId === tankId && houseDay(look.at, view.timeZone) >= since);
  return {
    doses: view.larder.doses,
    hatchShare: hatchShareNow(view),
    size: looks.length > 0 || (school && school !== 'vanishes') ? mealSize(looks, school) : null,
  };
}
