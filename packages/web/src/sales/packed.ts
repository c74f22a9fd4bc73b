import { labelCode, planBags, type BagChoices, type BagPlan, type OpenOrder, type PickStop } from '@freshet/core/sales';
import type { Reply } from '../data';
import { resolveTankOrder } from './walkOrder';

type Species = Reply<'species'>[number];

/** One lot to catch, with its bags. */
export interface Packed {
  tankCode: string;
  lotId: string;
  lineId: string;
  speciesName: string;
  scientificName: string;
  heads: number;
  words: string;
  lengthMm: number;
  code: string;
  /** Where the law asks for it: caught in the wild, permit or proof of origin; empty where there is nothing to say. */
  papers: string;
  plan: BagPlan;
}
/** What the papers of a lot say. */
function papersOf(lot: Reply<'lots'>[number] | undefined): string {
  return [lot?.origin === 'wild' ? 'caught in the wild' : '', lot?.permit ? `papers: ${lot.permit}` : '']
    .filter(Boolean)
    .join('; ');
}

/** Every lot of an order in walking order, with how it is bagged. */
export function packedOf(
  stops: readonly PickStop[],
  open: OpenOrder,
  facts: Reply<'house'>,
  species: readonly Species[],
  lots: Reply<'lots'>,
  choices: Omit<BagChoices, 'tempC' | 'ph'>,
): Packed[] {
  return resolveTankOrder(stops, facts).flatMap(({ stop, tank }) =>
    stop.picks.flatMap((pick): Packed[] => {
      const kind = species.find(({ key }) => key === pick.speciesKey);
      const line = open.lines.find(({ reserved }) => reserved.some(({ lotId }) => lotId === pick.lotId));
      if (!kind || !line || !tank) return [];
      const lengthMm = pick.lengthMm ?? Math.max(line.leastMm ?? 0, kind.figures.saleMm[0]);
      const tempC = facts.room.temperatures[stop.tankId]?.tempC ?? (kind.figures.tempC[0] + kind.figures.tempC[1]) / 2;
      const ph = facts.room.ph[stop.tankId]?.value ?? null;
      const sexes = [
        pick.males && `${pick.males} m`,
        pick.females && `${pick.females} f`,
        pick.unsexed && `${pick.unsexed} unsexed`,
      ];
      return [
        {
          tankCode: tank.code,
          lotId: pick.lotId,
          lineId: line.lineId,
          speciesName: pick.speciesName,
          scientificName: kind.scientificName,
          heads: pick.heads,
          words: pick.males + pick.females > 0 ? sexes.filter(Boolean).join(', ') : '',
          lengthMm,
          papers: papersOf(lots.find(({ id }) => id === pick.lotId)),
          code: labelCode(line.lineId, pick.lotId),
          plan: planBags(kind, lengthMm, pick.heads, { ...choices, tempC, ph }),
        },
      ];
    }),
  );
}
