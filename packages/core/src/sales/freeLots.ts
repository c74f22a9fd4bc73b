import { growthOf, shareOver } from '../growout';
import { ILLNESS_DAYS, totalHeads, type StockLot } from '../stock';
import { addDays, houseDay } from '../time';
import { promisedIn, type SalesView } from './facts';
import type { FreeLot } from './fill';

/** Why animals do not go now, in words that follow "in". */
export const BARS = {
  quarantine: 'quarantine',
  illness: 'a tank where illness was seen',
  treatment: 'a tank under treatment',
} as const;

/** Whether a lot cannot go now, and why, in words that follow "in". */
export function barOf(view: SalesView, { tankId }: StockLot): string | null {
  if (tankId === null) return null;
  if (view.stock.quarantines[tankId] !== undefined) return BARS.quarantine;
  const since = addDays(view.today, -ILLNESS_DAYS);
  const isIll = view.room.illnesses.some((seen) => seen.tankId === tankId && houseDay(seen.at, view.timeZone) >= since);
  if (isIll) return BARS.illness;
  // Until the last change of water that the treatment asks for.
  const isTreated = view.larder.pests.some(
    (pest) => pest.tankId === tankId && pest.treatedWith !== null && pest.changesOn.some((day) => day >= view.today),
  );
  return isTreated ? BARS.treatment : null;
}

/**
 * Lots of young that orders may be filled from now, less those that are held back as breeders, promised, in quarantine or where illness was
 * seen. A brood's breeders are held back in its last lots.
 * @param without - an order whose own promises count as free: it is filled anew
 */
export function freeLots(view: SalesView, without: string | null = null): FreeLot[] {
  const own = promisedIn(view.sales.orders.filter(({ orderId }) => orderId === without));
  return view.broods.flatMap((read) => {
    const growth = growthOf(read);
    if (!growth) return [];
    let held = view.held.get(read.brood.id) ?? 0;
    return [...read.lots]
      .reverse()
      .flatMap((lot): FreeLot[] => {
        if (lot.tankId === null || totalHeads(lot) === 0) return [];
        const promised = view.reserved.get(lot.id);
        const back = own.get(lot.id);
        const free = { males: lot.males, females: lot.females, unsexed: lot.unsexed };
        for (const sex of ['males', 'females', 'unsexed'] as const)
          free[sex] = Math.max(0, free[sex] - (promised?.[sex] ?? 0) + (back?.[sex] ?? 0));
        for (const sex of ['unsexed', 'females', 'males'] as const) {
          const kept = Math.min(held, free[sex]);
          free[sex] -= kept;
          held -= kept;
        }
        if (barOf(view, lot) !== null || totalHeads(free) === 0) return [];
        const sale = read.species.figures.saleMm[0];
        return [
          {
            lotId: lot.id,
            broodId: read.brood.id,
            speciesKey: lot.speciesKey,
            tankId: lot.tankId,
            ageDays: growth.ageDays,
            ...free,
            shareOver: (leastMm) => shareOver(growth, Math.max(leastMm ?? 0, sale)),
          },
        ];
      })
      .reverse();
  });
}
