import { firstFood } from '../species';
import { FOOD_NAMES } from '../species';
import { addDays, formatDay, startOfDay, type Day } from '../time';
import { comingFeeds } from './comingFeeds';
import type { LarderView } from './facts';
import { planFirstFood, type FirstFoodPlan } from './planFirstFood';
import { openStarts } from './tide';
import { describeCulture, type DescribedCulture } from './cultures';

/** A first-food plan and what it is for. */
export interface LarderPlan extends FirstFoodPlan {
  key: string;
  broodId: string | null;
  attemptId: string | null;
  tankId: string | null;
  from: Day;
  to: Day;
}

/** Further ahead nothing needs to be decided. */
const AHEAD_DAYS = 30;
const LATER: Record<FirstFoodPlan['status'], number> = { late: 0, start: 1, single: 1, safe: 2, shelf: 3 };
const deadline = (plan: LarderPlan): Day => plan.startBy ?? plan.backUpBy ?? plan.from;

/** Broods that already feed keep being planned for as long as their first food still has to last. */
const FIRST_FOOD_DAYS = 3;

/**
 * First-food plans for every brood that does not feed yet and for every attempt with a planned trigger, since slow cultures are
 * started before the spawning. Most pressing first.
 */
export function deriveLarder(view: LarderView): LarderPlan[] {
  const { today } = view;
  // Starts that were taken over from a plan count as what they will be.
  const cultures = [...view.cultures, ...openStarts(view).map((planned) => plannedCulture(planned, view))];
  const plans = comingFeeds(view).flatMap((feed): LarderPlan[] => {
    const { key, label, from, to, broodId, attemptId, tankId, species } = feed;
    if (feed.isSeen && addDays(to, FIRST_FOOD_DAYS) < today) return [];
    const food = firstFood(species.figures);
    const start = feed.read && from < today ? today : from;
    const end = to < start ? start : to;
    return [
      {
        ...planFirstFood({ label, food, from: start, to: end }, cultures, today),
        key,
        from: start,
        to: end,
        broodId,
        attemptId,
        tankId,
      },
    ];
  });
  return plans
    .filter((plan) => plan.from <= addDays(today, AHEAD_DAYS))
    .sort(
      (a, b) =>
        LATER[a.status] - LATER[b.status] ||
        (deadline(a) < deadline(b) ? -1 : deadline(a) > deadline(b) ? 1 : a.key < b.key ? -1 : 1),
    );
}

/** A culture that is to be started, as it will be. */
function plannedCulture(planned: ReturnType<typeof openStarts>[number], view: LarderView): DescribedCulture {
  const culture = {
    id: planned.id,
    name: `${FOOD_NAMES[planned.food]} to be started ${formatDay(planned.day, view.today)}`,
    food: planned.food,
    startedAt: startOfDay(planned.day, view.timeZone),
    ripeSeenAt: null,
    fedAt: null,
    harvestedAt: null,
    tankId: null,
  };
  return { culture, state: describeCulture(culture, view.now, view.timeZone) };
}
