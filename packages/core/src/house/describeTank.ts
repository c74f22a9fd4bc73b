import type { LifeStage, ReadBrood } from '../broods';
import { totalHeads, type StockLot } from '../stock';
import { formatNumber } from '../units';
import type { HouseView } from './facts';

/** Who lives in a tank, in a few words. */
export interface TankWords {
  who: string;
  detail: string;
  stage: LifeStage | 'breeders' | 'culture' | null;
}

/** Whether a brood old enough can be sold: by the lengths measured here, else by the growth curve alone, and said so. */
function saleWords({ species }: ReadBrood, here: readonly StockLot[]): string {
  const measured = here.flatMap(({ lengthMm }) => lengthMm ?? []);
  if (measured.length === 0) return 'probably big enough to sell';
  const shortest = Math.min(...measured);
  return shortest >= species.figures.saleMm[0] ? 'ready for sale' : `juveniles of ${formatNumber(shortest)} mm`;
}

function describeLots(lots: readonly StockLot[], broods: readonly ReadBrood[], view: HouseView): TankWords {
  const young = broods[0];
  if (young) {
    const own = young.lots.filter((lot) => lots.includes(lot));
    const here = own.reduce((sum, lot) => sum + totalHeads(lot), 0);
    const word = { eggs: 'eggs', yolk: 'with yolk', fry: 'fry', growing: 'juveniles', ready: saleWords(young, own) }[
      young.state.stage
    ];
    const age =
      young.state.feedingDays === null ? `day ${young.state.ageDays}` : `day ${Math.floor(young.state.feedingDays)} of feeding`;
    const more = lots.filter((lot) => lot.broodId === null).reduce((sum, lot) => sum + totalHeads(lot), 0);
    return {
      who: young.species.commonName,
      detail: `${here} ${word}, ${age}${more > 0 ? `; ${more} ${more === 1 ? 'adult' : 'adults'}` : ''}${broods.length > 1 ? `; ${broods.length} broods` : ''}`,
      stage: young.state.stage,
    };
  }
  const names = [...new Set(lots.map((lot) => view.species.get(lot.speciesKey)?.commonName ?? lot.speciesKey))];
  const [males, females, unsexed] = (['males', 'females', 'unsexed'] as const).map((sex) =>
    lots.reduce((sum, lot) => sum + lot[sex], 0),
  ) as [number, number, number];
  return {
    who: names.join(', '),
    detail: [males && `${males} m`, females && `${females} f`, unsexed && `${unsexed} unsexed`].filter(Boolean).join(', '),
    stage: lots.length > 0 ? 'breeders' : null,
  };
}

/** Who lives in a tank and at what stage: its young first, else its animals, its cultures, or what it is kept for. */
export function describeTank(view: HouseView, tankId: string): TankWords {
  const lots = view.lotsByTank.get(tankId) ?? [];
  if (lots.length > 0) return describeLots(lots, view.broodsByTank.get(tankId) ?? [], view);
  const names = view.cultures.filter(({ culture }) => culture.tankId === tankId).map(({ culture }) => culture.name);
  if (names.length > 0) return { who: names.join(', '), detail: 'culture', stage: 'culture' };
  return { who: view.attemptsByTank.get(tankId)?.[0]?.name ?? 'empty', detail: '', stage: null };
}
