import { holdsFrom } from '../spawning';
import { addDays, houseDay, type Day } from '../time';
import type { GrowoutView } from './facts';

/**
 * The day a tank is next free: today when nobody lives in it and nothing books it, the day after its attempts end, or the last
 * day of its broods' sale window. Null when nothing says when: breeders or cultures live in it, an attempt has no end, or the plan of
 * places puts somebody there, or young live on there after their sale window. A box, bag or jar is never a tank to be had.
 */
export function tankFreeOn(view: GrowoutView, tankId: string): Day | null {
  const lots = view.lotsByTank.get(tankId) ?? [];
  const attempts = holdsFrom(view.attemptsByTank.get(tankId) ?? [], view.today);
  if (view.movesTo.has(tankId) || view.tanks.get(tankId)?.vessel) return null;
  if (view.cultures.some(({ culture }) => culture.tankId === tankId)) return null;
  if (lots.some((lot) => lot.broodId === null)) return null;
  let free: Day = view.today;
  for (const attempt of attempts) {
    if (attempt.to === null) return null;
    free = [free, addDays(attempt.to, 1)].sort()[1] ?? free;
  }
  for (const { state } of view.broodsByTank.get(tankId) ?? []) {
    if (!state.ready) return null;
    free = [free, houseDay(state.ready.to, view.timeZone)].sort()[1] ?? free;
  }
  // Their window is over and they are still there: they leave when they are sold, and nothing says when.
  return lots.length > 0 && free <= view.today ? null : free;
}
