import type { Dose } from './keys';
import type { Food } from '../species';

/** What a measure holds until the keeper has weighed or counted their own. Source: docs/sources.md#doses */
export const USUAL_DOSE: Record<Dose, { amount: number; unit: 'g' | 'ml'; words: string; many: string; how: string }> = {
  drop: { amount: 0.05, unit: 'ml', words: 'drop', many: 'drops', how: 'count the drops of 2 ml from your pipette' },
  pinch: { amount: 0.05, unit: 'g', words: 'pinch', many: 'pinches', how: 'weigh ten pinches together' },
  matchHead: { amount: 0.01, unit: 'g', words: 'match-head', many: 'match-heads', how: 'weigh twenty together' },
  spatula: { amount: 0.02, unit: 'g', words: 'spatula', many: 'spatulas', how: 'weigh ten level spatulas together' },
  smear: { amount: 0.1, unit: 'ml', words: 'smear', many: 'smears', how: 'wipe ten smears into a syringe' },
  teaspoon: { amount: 5, unit: 'ml', words: 'teaspoon', many: 'teaspoons', how: 'fill ten into a measuring jug' },
  cube: { amount: 3, unit: 'g', words: 'cube', many: 'cubes', how: 'weigh ten frozen cubes' },
  ml: { amount: 1, unit: 'ml', words: 'ml', many: 'ml', how: '' },
};

/** A measure as this keeper has weighed or counted it. */
export interface Calibration {
  dose: Dose;
  /** For one food only; null for all. */
  food: Food | null;
  /** Of one measure, g or ml as the measure is. */
  amount: number;
  /** How many were measured together. */
  of: number;
}

/** What one measure holds, and whether this keeper measured it; the newest for the food goes before one for all. */
export function doseAmount(
  dose: Dose,
  food: Food | null,
  calibrations: readonly Calibration[],
): { amount: number; isOwn: boolean } {
  const own =
    calibrations.findLast((one) => one.dose === dose && one.food === food && food !== null) ??
    calibrations.findLast((one) => one.dose === dose && one.food === null);
  return own ? { amount: own.amount, isOwn: true } : { amount: USUAL_DOSE[dose].amount, isOwn: false };
}

/** One hatch whose yield was counted. */
export interface CountedHatch {
  tinId: string | null;
  cystsG: number;
  nauplii: number;
}

/** Nauplii of a strained hatch from drops that were counted: the mean of the drops, drops a ml, and ml in all. @param dropMl - of the keeper's own pipette */
export function naupliiInDrops(counts: readonly number[], dropMl: number, ml: number): number {
  if (counts.length === 0 || dropMl <= 0) return 0;
  return (counts.reduce((sum, count) => sum + count, 0) / counts.length / dropMl) * ml;
}

/** What one gram holds if all hatch, and how much usually does, with how far tins differ. */
export const CYST_FIGURES = { naupliiPerG: 250_000, hatchFraction: 0.8, tinSd: 0.14, countSd: 0.12 };

/** The share that hatches of a tin. */
export interface HatchShare {
  share: number;
  low90: number;
  high90: number;
  hatches: number;
}

/**
 * The share of a tin that hatches, from its counted hatches: their mean drawn towards the usual one as strongly as tins differ, each
 * count being off by about an eighth. Source: docs/sources.md#hatch-share
 */
export function hatchShareOf(hatches: readonly CountedHatch[]): HatchShare {
  const { naupliiPerG, hatchFraction, tinSd, countSd } = CYST_FIGURES;
  const shares = hatches.map(({ cystsG, nauplii }) => Math.min(1, nauplii / (cystsG * naupliiPerG)));
  const before = 1 / tinSd ** 2;
  const each = shares.length / countSd ** 2;
  const mean = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length);
  const share = (hatchFraction * before + mean * each) / (before + each);
  const off = 1.645 / Math.sqrt(before + each);
  return { share, low90: Math.max(0.02, share - off), high90: Math.min(1, share + off), hatches: shares.length };
}
