import type { Culture, LarderFacts, MealLook } from '@freshet/core/larder';
import { addDays, houseDay, startOfDay } from '@freshet/core/time';
import { OLDEST_FIRST, type Clock, type Reading } from '../platform';
import type { Housed, LarderRepository } from './larder.repository';
import type { PestsService } from './larder.pests';
import type { ShelfService } from './larder.shelf';

/** Looks after meals count for so long, days. */
const MEAL_DAYS = 12;

/** Loads the larder's slice of the snapshot. */
export function createLarderFacts(deps: {
  clock: Clock;
  repository: LarderRepository;
  running: (at: Reading) => Promise<Culture[]>;
  shelf: ShelfService;
  pests: PestsService;
}) {
  const { clock, repository, running, shelf, pests } = deps;
  return async (at: Housed): Promise<LarderFacts> => {
    const now = clock.now();
    const today = houseDay(now, at.timeZone);
    const since = new Date(startOfDay(addDays(today, -MEAL_DAYS), at.timeZone));
    const [cultures, plans, doses, looks, hatches, items, seen] = await Promise.all([
      running(at),
      repository.plans.find(at, {}, OLDEST_FIRST),
      repository.calibrations(at),
      repository.mealsSince(at, since),
      shelf.countedHatches(at),
      shelf.items(at),
      pests.facts(at, now),
    ]);
    // The newest plan of a class stands in place of those before.
    const newest = new Map(plans.map((plan) => [plan.classKey, plan]));
    return {
      cultures,
      planned: [...newest.values()].flatMap(({ starts, at: takenAt }) =>
        starts.map(({ startId, ...start }) => ({ ...start, id: startId, takenAt })),
      ),
      doses,
      meals: looks.map(({ tankId, at: lookedAt, sight }): MealLook => ({ tankId, at: lookedAt, sight })),
      hatches,
      shelf: items,
      pests: seen,
    };
  };
}
