import { planFirstFood, type FirstFoodPlan } from '../larder';
import { foodFor, type Food } from '../stock';
import { addDays, houseDay, type Day } from '../time';
import { developmentWindows } from '../spawning';
import type { ReadHouse } from './readHouse';

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
export function deriveLarder(house: ReadHouse): LarderPlan[] {
  const { state, today, cultures } = house;
  const { now, timeZone } = state;
  const plans: LarderPlan[] = [];
  const add = (
    key: string,
    label: string,
    food: Food,
    from: Day,
    to: Day,
    ids: Pick<LarderPlan, 'broodId' | 'attemptId' | 'tankId'>,
  ) => plans.push({ ...planFirstFood({ label, food, from, to }, cultures, today), key, from, to, ...ids });
  for (const { brood, species, state: stands, lots } of house.broods) {
    const feed = stands.windows.find((window) => window.stage === 'firstFeed');
    if (!feed?.earliest || !feed.latest) continue;
    const [from, to] = [houseDay(feed.earliest, timeZone), houseDay(feed.latest, timeZone)];
    if (feed.status === 'observed' && addDays(to, FIRST_FOOD_DAYS) < today) continue;
    const tankId = lots[0]?.tankId ?? null;
    const code = house.tanks.get(tankId ?? '')?.code ?? 'no tank';
    const start = from < today ? today : from;
    add(`brood:${brood.id}`, `${species.commonName} in ${code}`, foodFor(species.figures, 0), start, to < start ? start : to, {
      broodId: brood.id,
      attemptId: brood.attemptId,
      tankId,
    });
  }
  for (const attempt of state.attempts) {
    const species = state.species.get(attempt.speciesKey);
    const planned = attempt.triggerOn ?? attempt.setUpOn;
    if (attempt.hasBrood || !species || species.start === 'born' || !planned || addDays(planned, 3) < today) continue;
    const laidDay = planned < today ? today : planned;
    const laid = { from: `${laidDay}T00:00:00Z`, to: `${addDays(laidDay, 1)}T00:00:00Z` };
    const assumedTempC = (species.figures.tempC[0] + species.figures.tempC[1]) / 2;
    const feed = developmentWindows({
      figures: species.figures,
      start: species.start,
      laid,
      readings: [],
      assumedTempC,
      now,
      timeZone,
    }).find((window) => window.stage === 'firstFeed');
    if (!feed?.earliest || !feed.latest) continue;
    const code = house.tanks.get(attempt.tankId)?.code ?? '';
    add(
      `attempt:${attempt.id}`,
      `${species.commonName}, to spawn in ${code}`,
      foodFor(species.figures, 0),
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
