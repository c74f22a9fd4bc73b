import type { HouseView } from '../house';
import type { JotCulture, JotTank } from '../jot';
import { residentsOf } from '../broods';
import { clutchCandidates } from '../spawning';
import { totalHeads } from '../stock';

/** The tanks as the jot line must know them. */
export function jotTanks(view: HouseView): JotTank[] {
  return view.room.tanks.map(({ id, code, litres }) => {
    const broods = view.broodsByTank.get(id) ?? [];
    return {
      id,
      code,
      litres,
      lots: residentsOf(view, id)
        .filter(({ lot }) => totalHeads(lot) > 0)
        .map(({ lot, species, brood, stage }) => ({
          id: lot.id,
          males: lot.males,
          females: lot.females,
          unsexed: lot.unsexed,
          broodId: lot.broodId,
          speciesKey: lot.speciesKey,
          speciesName: species.commonName,
          label: lot.name ?? brood?.brood.name ?? species.commonName,
          stage: jotStage(stage),
        })),
      broods: broods.map(({ brood, species, state }) => ({
        id: brood.id,
        stage: state.stage,
        carried: species.start === 'carried',
      })),
      attempts: clutchCandidates(view.attemptsByTank.get(id) ?? [], view.today).length,
    };
  });
}

/** A stage of life as a line can mean it: what is ready for sale still grows, breeders are adults. */
export const jotStage = (stage: 'eggs' | 'yolk' | 'fry' | 'growing' | 'ready' | 'breeders'): JotTank['lots'][number]['stage'] =>
  stage === 'ready' ? 'growing' : stage === 'breeders' ? 'adult' : stage;

/** The running cultures as the jot line must know them: those that are ripe longest first. */
export const jotCultures = (view: HouseView): JotCulture[] =>
  [...view.cultures]
    .sort((a, b) => (a.state.ripeFrom < b.state.ripeFrom ? -1 : 1))
    .map(({ culture: { id, name, food, tankId } }) => ({ id, name, food, tankId }));
