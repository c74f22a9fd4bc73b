import { bodyG, expectedLengthMm, middle, smallestTenthMm, type ResolvedSpecies } from '../species';
import type { RoomTank, VesselKind } from '../room';
import { totalHeads, type StockLot } from '../stock';
import { daysBetween } from '../time';
import type { LifeStage } from './describeBrood';
import type { BroodsView, ReadBrood } from './facts';

/** How a length is known: measured, by the growth curve from an age, or full grown. */
export type LengthBy = 'measured' | 'curve' | 'grown';

/** Whether nobody lives in a tank but eggs and young of broods: then it is their box or jar, whatever it is otherwise. */
export const holdsOnlyYoung = (view: BroodsView, tankId: string): boolean =>
  (view.lotsByTank.get(tankId) ?? []).every(({ broodId }) => broodId !== null);

/** Vessels of some kinds that hold nobody, by their codes. */
export const freeVessels = (view: BroodsView, kinds: readonly VesselKind[]): RoomTank[] =>
  view.room.tanks
    .filter(({ id, vessel }) => vessel !== null && kinds.includes(vessel) && !view.lotsByTank.has(id))
    .sort((a, b) => (a.code < b.code ? -1 : 1));

/** Animals of one lot in a tank, as everything that is about a tank sees them. */
export interface Resident {
  lot: StockLot;
  species: ResolvedSpecies;
  heads: number;
  /** Null for animals of no brood that lives as one. */
  brood: ReadBrood | null;
  stage: LifeStage | 'breeders';
  /** Mean length, mm; null for eggs and young on their yolk. */
  lengthMm: number | null;
  /** The smallest tenth; the mean itself for grown animals. */
  smallestMm: number | null;
  lengthBy: LengthBy;
  /** Too small to breed yet. */
  isYoung: boolean;
  /** All together, g. */
  massG: number;
}

/** A lot of a brood is at most so many times as long as the mean of all, or as short. */
const MOST_BESIDE = 2;

/** An adult is taken as the middle of its species' lengths. */
const grownMm = ({ figures }: ResolvedSpecies) => middle(figures.adultMm);

/** How a lot's length stands beside its brood's, 1 where it was not measured apart: those that were sorted keep their size beside the others. */
export function besideBrood({ lengthMm }: Pick<StockLot, 'lengthMm'>, { brood: { measured } }: ReadBrood): number {
  if (!measured) return 1;
  return Math.min(MOST_BESIDE, Math.max(1 / MOST_BESIDE, (lengthMm ?? measured.meanMm) / measured.meanMm));
}

function lengthOf(
  lot: StockLot,
  brood: ReadBrood | null,
  species: ResolvedSpecies,
  view: BroodsView,
): { mm: number | null; by: LengthBy } {
  // A brood's own length is as measured and grown on since.
  if (brood?.brood.measured && brood.state.lengthMm !== null)
    return { mm: brood.state.lengthMm * besideBrood(lot, brood), by: 'measured' };
  if (lot.lengthMm !== null) return { mm: lot.lengthMm, by: 'measured' };
  if (brood) return { mm: brood.state.lengthMm, by: 'curve' };
  if (lot.bornOn === null) return { mm: grownMm(species), by: 'grown' };
  const age = daysBetween(lot.bornOn, view.today);
  const mm = expectedLengthMm(species.figures, age);
  return mm < species.figures.maturityMm[0] ? { mm, by: 'curve' } : { mm: grownMm(species), by: 'grown' };
}

/** Everybody in a tank, in the order of the lots: the one read model that food, ranges, crowding, danger and pages are worked out from. */
export function residentsOf(view: BroodsView, tankId: string): Resident[] {
  const broods = view.broodsByTank.get(tankId) ?? [];
  return (view.lotsByTank.get(tankId) ?? []).flatMap((lot) => {
    const species = view.species.get(lot.speciesKey);
    if (!species) return [];
    const brood = broods.find((read) => read.brood.id === lot.broodId) ?? null;
    const { mm, by } = lengthOf(lot, brood, species, view);
    const heads = totalHeads(lot);
    return [
      {
        lot,
        species,
        heads,
        brood,
        stage: brood ? brood.state.stage : ('breeders' as const),
        lengthMm: mm,
        smallestMm: mm === null ? null : by === 'grown' ? mm : smallestTenthMm(mm),
        lengthBy: by,
        isYoung: mm === null || mm < species.figures.maturityMm[0],
        massG: mm === null ? 0 : heads * bodyG(species.figures, mm),
      },
    ];
  });
}
