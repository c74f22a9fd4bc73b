import { addDays, houseDay, type Day } from '../time';
import type { ReadHouse } from './readHouse';

/**
 * The day a tank is next free: today when nobody lives in it and nothing books it, the day after its attempts end, or the last
 * day of its broods' sale window. Null when nothing says when: breeders or cultures live in it, or an attempt has no end.
 */
export function tankFreeOn(house: ReadHouse, tankId: string): Day | null {
  const lots = house.lotsByTank.get(tankId) ?? [];
  const attempts = (house.attemptsByTank.get(tankId) ?? []).filter((attempt) => attempt.to === null || attempt.to >= house.today);
  if (house.cultures.some(({ culture }) => culture.tankId === tankId)) return null;
  if (lots.some((lot) => lot.broodId === null)) return null;
  let free: Day = house.today;
  for (const attempt of attempts) {
    if (attempt.to === null) return null;
    free = [free, addDays(attempt.to, 1)].sort()[1] ?? free;
  }
  for (const { state } of house.broodsByTank.get(tankId) ?? []) {
    if (!state.ready) return null;
    free = [free, houseDay(state.ready.to, house.state.timeZone)].sort()[1] ?? free;
  }
  return free;
}
