import { headsIn, type ReadBrood } from '../broods';
import type { LarderView } from '../larder';
import { expectedLengthMm, type Figures } from '../species';
import { addDays, type Day } from '../time';

/** Young that one litre carries at a length: the figure at sale size, scaled by the square of the length. */
export function youngPerLitre(figures: Figures, lengthMm: number): number {
  const sale = (figures.saleMm[0] + figures.saleMm[1]) / 2;
  return figures.juvenilesPerLitre[1] * (sale / lengthMm) ** 2;
}

/** Share of what a tank carries that its broods take up now, 1 is full; null when no brood feeds there. */
export function tankCrowding(view: LarderView, tankId: string): number | null {
  const tank = view.tanks.get(tankId);
  let share: number | null = null;
  for (const read of view.broodsByTank.get(tankId) ?? []) {
    const { species, state } = read;
    if (state.lengthMm === null || !tank || tank.litres <= 0) continue;
    const heads = headsIn(read, tankId);
    share = (share ?? 0) + heads / (youngPerLitre(species.figures, state.lengthMm) * tank.litres);
  }
  return share;
}

/** First day within `days` on which a lot of a brood is too many for its tank, with the length reached then. */
export function crowdedOn(
  read: ReadBrood,
  count: number,
  litres: number,
  today: Day,
  days: number,
): { day: Day; lengthMm: number } | null {
  if (read.state.feedingDays === null) return null;
  for (let ahead = 0; ahead <= days; ahead++) {
    const lengthMm = expectedLengthMm(read.species.figures, read.state.feedingDays + ahead);
    if (count > youngPerLitre(read.species.figures, lengthMm) * litres) return { day: addDays(today, ahead), lengthMm };
  }
  return null;
}
