import { codeOf } from '../room';
import { breederLimits, totalHeads, type StockLot } from '../stock';
import { daysBetween } from '../time';
import { formatNumber } from '../units';
import { reservedOf, type SalesView } from './facts';
import { barOf } from './freeLots';

/** Grown animals that the house could do without. */
export interface SpareBreeders {
  lotId: string;
  name: string | null;
  speciesKey: string;
  speciesName: string;
  code: string;
  males: number;
  females: number;
  why: string;
}

/** Whether a lot is at work: promised, in an attempt or a programme, a proven pair, or not to leave. */
function isBusy(view: SalesView, lot: StockLot): boolean {
  const isParent = [...view.attempts.values()].some(({ to, parentLotIds }) => to === null && parentLotIds.includes(lot.id));
  const isFed = view.stock.programmes.some(({ lotId, to }) => lotId === lot.id && to >= view.today);
  return isParent || isFed || lot.isProven || reservedOf(view, lot.id) > 0 || barOf(view, lot) !== null;
}

/**
 * Grown animals that could go: those past the age breeders serve, and males beyond what the females of the house ask for. It is an offer:
 * who is kept for a line or a colour, nobody but the keeper knows. Source: docs/sources.md#spare-breeders
 */
export function spareBreeders(view: SalesView): SpareBreeders[] {
  const grown = view.stock.lots.filter(
    (lot) => lot.broodId === null && !lot.isRetired && lot.tankId !== null && totalHeads(lot) > 0,
  );
  return [...new Set(grown.map(({ speciesKey }) => speciesKey))].flatMap((key) => {
    const species = view.species.get(key);
    if (!species) return [];
    const { femalesPerMale, maxDays } = breederLimits(species.method, species.figures, species.breeders);
    const own = grown.filter((lot) => lot.speciesKey === key);
    const offer = (lot: StockLot, heads: { males: number; females: number }, why: string): SpareBreeders => ({
      lotId: lot.id,
      name: lot.name,
      speciesKey: key,
      speciesName: species.commonName,
      code: codeOf(view, lot.tankId),
      ...heads,
      why,
    });
    const isOld = ({ bornOn }: StockLot) => bornOn !== null && daysBetween(bornOn, view.today) > maxDays;
    const old = own.filter((lot) => isOld(lot) && !isBusy(view, lot));
    const serving = own.filter((lot) => !isOld(lot));
    const [males, females] = (['males', 'females'] as const).map((sex) => serving.reduce((sum, lot) => sum + lot[sex], 0)) as [
      number,
      number,
    ];
    let spare = females === 0 ? 0 : males - Math.max(1, Math.ceil(females / femalesPerMale[0]));
    const [low, high] = femalesPerMale.map((count) => formatNumber(count));
    const why = `${males} males to ${females} females in the house; ${low === high ? low : `${low} to ${high}`} females to a male suit them`;
    // Those without a name go before those with one.
    const bySex = serving
      .filter((lot) => lot.males > 0 && !isBusy(view, lot))
      .sort((a, b) => Number(a.name !== null) - Number(b.name !== null) || b.males - a.males)
      .flatMap((lot) => {
        const count = Math.min(spare, lot.males);
        if (count <= 0) return [];
        spare -= count;
        return [offer(lot, { males: count, females: 0 }, why)];
      });
    return [...old.map((lot) => offer(lot, lot, 'older than breeders of its kind serve')), ...bySex];
  });
}
