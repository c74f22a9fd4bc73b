import type { HouseView } from '../house';
import { clutchCandidates } from '../spawning';
import { totalHeads } from '../stock';
import type { JotTank } from './jot/parseJot';

/** The tanks as the jot line must know them. */
export function jotTanks(view: HouseView): JotTank[] {
  return view.room.tanks.map(({ id, code }) => ({
    id,
    code,
    lots: (view.lotsByTank.get(id) ?? [])
      .filter((lot) => totalHeads(lot) > 0)
      .map(({ id: lotId, males, females, unsexed, broodId }) => ({
        id: lotId,
        males,
        females,
        unsexed,
        young: broodId !== null,
      })),
    broods: (view.broodsByTank.get(id) ?? []).map(({ brood, state }) => ({ id: brood.id, stage: state.stage })),
    attempts: clutchCandidates(view.attemptsByTank.get(id) ?? [], view.today).length,
  }));
}
