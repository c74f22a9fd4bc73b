import type { VesselKind } from './vesselKinds';

/** What a kind of vessel is, as everything that is about tanks must know it. */
export interface VesselRule {
  /** "egg box". */
  words: string;
  /** What it can hold, L. */
  litres: readonly [number, number];
  /** Where it may be: hung or floated in a tank, or on a shelf, in a drawer, on a sill. */
  stands: 'inTank' | 'apart' | 'either';
  /** Whether it holds water; damp peat is none. */
  wet: boolean;
  /** Whether the water of the tank it hangs in runs through it: then its water is that tank's. */
  sharesWater: boolean;
}

/** Rules by kind. General habit; the bounds catch slips of the finger. */
export const VESSEL_RULES: Record<VesselKind, VesselRule> = {
  eggBox: { words: 'egg box', litres: [0.1, 20], stands: 'either', wet: true, sharesWater: false },
  tumbler: { words: 'egg tumbler', litres: [0.1, 10], stands: 'inTank', wet: true, sharesWater: true },
  peatBag: { words: 'bag of peat', litres: [0.05, 10], stands: 'apart', wet: false, sharesWater: false },
  larvalJar: { words: 'jar for larvae', litres: [0.5, 60], stands: 'either', wet: true, sharesWater: false },
  tub: { words: 'holding tub', litres: [1, 300], stands: 'either', wet: true, sharesWater: false },
  bowl: { words: 'bowl', litres: [0.3, 30], stands: 'apart', wet: true, sharesWater: false },
};

/** A place for a vessel: in a tank, or in words. */
export interface VesselPlace {
  inTankId: string | null;
  place: string | null;
}

/** What is wrong with a vessel, and the field it is wrong at; null where it can be. */
export function vesselFault(kind: VesselKind, litres: number, at: VesselPlace): { field: string; message: string } | null {
  const {
    words,
    litres: [least, most],
    stands,
  } = VESSEL_RULES[kind];
  const some = /^[aeiou]/.test(words) ? `An ${words}` : `A ${words}`;
  if (!(litres >= least && litres <= most)) return { field: 'litres', message: `${some} holds ${least} to ${most} L.` };
  if (at.inTankId !== null && at.place !== null)
    return { field: 'place', message: 'It is either in a tank or somewhere else, not both.' };
  if (at.inTankId === null && at.place === null)
    return stands === 'inTank'
      ? { field: 'inTankId', message: `Which tank does it hang in?` }
      : { field: 'place', message: 'Where is it?' };
  if (stands === 'inTank' && at.inTankId === null)
    return { field: 'inTankId', message: `${some} hangs in a tank; the tank’s water runs through it.` };
  if (stands === 'apart' && at.inTankId !== null)
    return { field: 'inTankId', message: `${some} doesn’t hang in a tank. Say where it is.` };
  return null;
}

/** "egg box in A2.5", "bag of peat, linen shelf". @param codeOf - the code on a tank's glass */
export const vesselWords = (kind: VesselKind, { inTankId, place }: VesselPlace, codeOf: (tankId: string) => string): string =>
  inTankId === null
    ? `${VESSEL_RULES[kind].words}${place ? `, ${place}` : ''}`
    : `${VESSEL_RULES[kind].words} in ${codeOf(inTankId)}`;
