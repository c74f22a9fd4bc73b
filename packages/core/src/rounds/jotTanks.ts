import type { HouseView } from '../house';
import { clutchCandidates } from '../spawning';
import { totalHeads } from '../stock';
import type { JotContext, JotTank } from './jot/parseJot';

/** The tanks as the jot line must know them. */
export function jotTanks(view: HouseView): JotTank[] {
  return view.room.tanks.map(({ id, code, litres }) => ({
    id,
    code,
    litres,
    lots: (view.lotsByTank.get(id) ?? [])
      .filter((lot) => totalHeads(lot) > 0)
      .map(({ id: lotId, males, females, unsexed, broodId, name, speciesKey }) => ({
        id: lotId,
        males,
        females,
        unsexed,
        young: broodId !== null,
        label: name ?? view.species.get(speciesKey)?.commonName ?? speciesKey,
      })),
    broods: (view.broodsByTank.get(id) ?? []).map(({ brood, species, state }) => ({
      id: brood.id,
      stage: state.stage,
      carried: species.start === 'carried',
    })),
    attempts: clutchCandidates(view.attemptsByTank.get(id) ?? [], view.today).length,
  }));
}

/** The running cultures as the jot line must know them: those that are ripe longest first. */
export const jotCultures = (view: HouseView): JotContext['cultures'] =>
  [...view.cultures]
    .sort((a, b) => (a.state.ripeFrom < b.state.ripeFrom ? -1 : 1))
    .map(({ culture: { id, name, food, tankId } }) => ({ id, name, food, tankId }));
