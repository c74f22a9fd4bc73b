import { keeperRation } from '../../larder';
import { totalHeads } from '../../stock';
import { addDays, formatDay, type Day } from '../../time';
import type { HouseAttempt, HouseLot } from '../houseState';
import type { ReadHouse } from '../readHouse';
import { runningProgrammes } from './conditioningChores';
import { chore, feedChore, type Chore } from './chore';

/** Below this an outdoor pond is not fed: cold animals do not digest, and the food rots. */
const POND_FEED_FROM_C = 10;

/** The temperature at which an outdoor tank is too cold to feed; null when it is fed. */
export function tooColdToFeed(house: ReadHouse, tankId: string): number | null {
  const tempC = house.state.temperatures.get(tankId)?.tempC;
  return house.tanks.get(tankId)?.outdoor && tempC !== undefined && tempC < POND_FEED_FROM_C ? tempC : null;
}

/** Chores of the grown animals in a tank on a day: one feeding for all of them. */
export function keeperChores(lots: readonly HouseLot[], attempt: HouseAttempt | null, house: ReadHouse, day: Day): Chore[] {
  const first = lots[0];
  const species = house.state.species.get(first?.speciesKey ?? '');
  if (!first || !species) return [];
  if (first.tankId && tooColdToFeed(house, first.tankId) !== null) return [];
  // Whoever is conditioned by a programme of their own eats by it.
  if (runningProgrammes(lots, house, day).length > 0) return [];
  const heads = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
  const conditioning = attempt?.conditioningFrom != null && attempt.conditioningFrom <= day && !attempt.hasBrood;
  return [
    feedChore(
      first.tankId ?? first.id,
      day,
      keeperRation(species.figures, heads, conditioning),
      conditioning ? { text: 'Conditioning food, live or frozen if there is any' } : {},
    ),
  ];
}

/** What an attempt asks for on a day: set-up, trigger. */
export function attemptChores(attempt: HouseAttempt, day: Day, house: ReadHouse): Chore[] {
  const chores: Chore[] = [];
  if (attempt.hasBrood || attempt.triggered) return chores;
  if (
    attempt.setUpOn &&
    day >= attempt.setUpOn &&
    attempt.parentLotIds.length > 0 &&
    !(house.lotsByTank.get(attempt.tankId) ?? []).some((lot) => attempt.parentLotIds.includes(lot.id))
  )
    chores.push(
      chore({
        kind: 'setUp',
        subject: attempt.id,
        day,
        text: 'Set up and move the parents in',
        amountText: attempt.name,
        overdue: day > addDays(attempt.setUpOn, 1),
        why: ['Log the move: the chore goes when they are here.'],
      }),
    );
  if (attempt.triggerOn && day >= attempt.triggerOn) {
    const words: Record<HouseAttempt['recipe']['trigger'], string> = {
      coolChange: 'Trigger: large cool change',
      warm: 'Trigger: warm the tank',
      stable: 'Keep everything steady; look for chasing',
      dawnLightAndFood: 'Trigger: live food at first light',
      season: 'Trigger: season; look for chasing',
    };
    chores.push(
      chore({
        kind: 'trigger',
        subject: attempt.id,
        day,
        text: words[attempt.recipe.trigger],
        amountText: attempt.name,
        overdue: day > addDays(attempt.triggerOn, 1),
        why: [`Planned for ${formatDay(attempt.triggerOn, house.today)}.`],
        log: { kind: 'triggered', attemptId: attempt.id },
      }),
    );
  }
  return chores;
}
