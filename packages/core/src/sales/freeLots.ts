import type { ReadBrood } from '../broods';
import { besideBrood } from '../broods';
import { CLASS_SPREAD, growthOf, lengthAt, shareOfLength, type BroodGrowth } from '../growout';
import { exposureFacts, exposureIn } from '../room';
import { BREACH_DAYS, totalHeads, type Heads, type StockLot } from '../stock';
import { addDays, houseDay } from '../time';
import { promisedIn, type SalesView } from './facts';
import type { FreeLot } from './fill';

/** Whether a lot cannot go now, and why, in words that follow "in". */
export function barOf(view: SalesView, { tankId }: Pick<StockLot, 'tankId'>): string | null {
  if (tankId === null) return null;
  if (view.stock.quarantines[tankId] !== undefined) return 'quarantine';
  const exposure = exposureIn(exposureFacts(view), tankId);
  if (exposure)
    return exposure.isShared
      ? `a tank that shares its water with ${exposure.code}, where illness was seen`
      : 'a tank where illness was seen';
  const since = addDays(view.today, -BREACH_DAYS);
  const breached = view.stock.breaches.some((one) => one.toTankId === tankId && houseDay(one.at, view.timeZone) >= since);
  if (breached) return 'a tank that took animals out of quarantine early';
  // Until the last change of water that the treatment asks for.
  const isTreated = view.larder.pests.some(
    (pest) => pest.tankId === tankId && pest.treatedWith !== null && pest.changesOn.some((day) => day >= view.today),
  );
  return isTreated ? 'a tank under treatment' : null;
}

/** What of a lot of young may be sold when it is long enough, and how its lengths stand beside its brood's. */
export interface FreePart {
  lot: StockLot;
  /** Less those that are held back and promised. */
  free: Heads;
  /** Heads that are held back as breeders. */
  held: number;
  /** Why none goes now; null where they may. */
  bar: string | null;
  /** The class it was sorted into; null where it was not. */
  grade: string | null;
  /** Its mean length over the brood's. */
  beside: number;
  /** Standard deviation over mean of its lengths: a class that was sorted is more even than its brood. */
  cv: number;
}

/**
 * The lots of a brood with what is free of each. A brood's breeders are held back in its last lots.
 * @param without - an order whose own promises count as free: it is filled anew
 */
export function freeParts(
  view: SalesView,
  read: ReadBrood,
  { cv }: Pick<BroodGrowth, 'cv'>,
  without: string | null = null,
): FreePart[] {
  const own = without === null ? null : promisedIn(view.sales.orders.filter(({ orderId }) => orderId === without));
  let held = view.held.get(read.brood.id) ?? 0;
  return [...read.lots]
    .reverse()
    .map((lot): FreePart => {
      const promised = view.reserved.get(lot.id);
      const back = own?.get(lot.id);
      const free = { males: lot.males, females: lot.females, unsexed: lot.unsexed };
      for (const sex of ['males', 'females', 'unsexed'] as const)
        free[sex] = Math.max(0, free[sex] - (promised?.[sex] ?? 0) + (back?.[sex] ?? 0));
      const before = held;
      for (const sex of ['unsexed', 'females', 'males'] as const) {
        const kept = Math.min(held, free[sex]);
        free[sex] -= kept;
        held -= kept;
      }
      const grade = view.grades.get(lot.id) ?? null;
      return {
        lot,
        free,
        held: before - held,
        bar: barOf(view, lot),
        grade,
        beside: besideBrood(lot, read),
        cv: grade === null ? cv : cv * CLASS_SPREAD,
      };
    })
    .reverse();
}

/**
 * Lots of young that orders may be filled from now, less those that are held back as breeders, promised, in quarantine or where illness was
 * seen.
 * @param without - an order whose own promises count as free: it is filled anew
 */
export function freeLots(view: SalesView, without: string | null = null): FreeLot[] {
  return view.broods.flatMap((read) => {
    const growth = growthOf(read);
    if (!growth) return [];
    const [sale] = read.species.figures.saleMm;
    const mm = lengthAt(growth.middle, growth.ageDays);
    return freeParts(view, read, growth, without).flatMap(({ lot, free, bar, beside, cv }): FreeLot[] =>
      lot.tankId === null || bar !== null || totalHeads(free) === 0
        ? []
        : [
            {
              lotId: lot.id,
              broodId: read.brood.id,
              speciesKey: lot.speciesKey,
              tankId: lot.tankId,
              ageDays: growth.ageDays,
              ...free,
              shareOver: (leastMm) => shareOfLength(mm * beside, cv, Math.max(leastMm ?? 0, sale)),
            },
          ],
    );
  });
}
