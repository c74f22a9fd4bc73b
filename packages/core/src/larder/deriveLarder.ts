import { codeOf } from '../room';
import { tryCompute } from '../errors';
import { firstFood, middle, type Food } from '../species';
import { developmentWindows } from '../spawning';
import { addDays, houseDay, type Day } from '../time';
import type { LarderView } from './facts';
import { planFirstFood, type FirstFoodPlan } from './planFirstFood';

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
  const { today, cultures, now, timeZone } = view;
  const plans: LarderPlan[] = [];
  const add = (
    key: string,
    label: string,
    food: Food,
    from: Day,
    to: Day,
    ids: Pick<LarderPlan, 'broodId' | 'attemptId' | 'tankId'>,
  ) => plans.push({ ...planFirstFood({ label, food, from, to }, cultures, today), key, from, to, ...ids });
  for (const { brood, species, state: stands, lots } of view.broods) {
    const feed = stands.windows.find((window) => window.stage === 'firstFeed');
    if (!feed?.earliest || !feed.latest) continue;
    const [from, to] = [houseDay(feed.earliest, timeZone), houseDay(feed.latest, timeZone)];
    if (feed.status === 'observed' && addDays(to, FIRST_FOOD_DAYS) < today) continue;
    const tankId = lots[0]?.tankId ?? null;
    const code = codeOf(view, tankId) || 'no tank';
    const start = from < today ? today : from;
    add(`brood:${brood.id}`, `${species.commonName} in ${code}`, firstFood(species.figures), start, to < start ? start : to, {
      broodId: brood.id,
      attemptId: brood.attemptId,
      tankId,
    });
  }
  for (const attempt of view.attempts.values()) {
    const species = view.species.get(attempt.speciesKey);
    const planned = attempt.triggerOn ?? attempt.setUpOn;
    if (attempt.hasBrood || !species || species.start === 'born' || !planned || addDays(planned, 3) < today) continue;
    const laidDay = planned < today ? today : planned;
    const laid = { from: `${laidDay}T00:00:00Z`, to: `${addDays(laidDay, 1)}T00:00:00Z` };
    const assumedTempC = middle(species.figures.tempC);
    const windows = tryCompute(() =>
      developmentWindows({ figures: species.figures, start: species.start, laid, readings: [], assumedTempC, now, timeZone }),
    );
    // Figures that contradict each other are said where they stand: on the species, and for its broods.
    const feed = windows.ok ? windows.value.find((window) => window.stage === 'firstFeed') : null;
    if (!feed?.earliest || !feed.latest) continue;
    const code = codeOf(view, attempt.tankId);
    add(
      `attempt:${attempt.id}`,
      `${species.commonName}, to spawn in ${code}`,
      firstFood(species.figures),
      houseDay(feed.earliest, timeZone),
      houseDay(feed.latest, timeZone),
      { broodId: null, attemptId: attempt.id, tankId: attempt.tankId },
    );
  }
  return plans
    .filter((plan) => plan.from <= addDays(today, AHEAD_DAYS))
    .sort(
      (a, b) =>
        LATER[a.status] - LATER[b.status] ||
        (deadline(a) < deadline(b) ? -1 : deadline(a) > deadline(b) ? 1 : a.key < b.key ? -1 : 1),
    );
}
