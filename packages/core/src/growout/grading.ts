import { normalBelow } from '../numerics';
import { summariseLengths } from '../stock';
import type { ResolvedSpecies } from '../species';

/** What a school of growing up asks and risks, in words and figures. */
export interface SizeClass {
  name: string;
  fromMm: number | null;
  toMm: number | null;
  /** Of the lengths measured, how many are in it. */
  measured: number;
}

/** A class reaches so many standard deviations to either side of the mean. */
const MIDDLE_SD = 0.6;
const NAMES: Record<number, readonly string[]> = { 1: ['all'], 2: ['small', 'large'], 3: ['small', 'middle', 'large'] };
export const MOST_CLASSES = 5;

/** Classes by which some lengths part best: between sizes that stand apart, else small, middle and large about the mean. */
export function suggestClasses(lengthsMm: readonly number[]): SizeClass[] {
  if (lengthsMm.length === 0) return [];
  const { cohorts, meanMm, spread } = summariseLengths(lengthsMm);
  const between = cohorts.slice(1).map((cohort, i) => (cohort.fromMm + (cohorts[i]?.toMm ?? cohort.fromMm)) / 2);
  const sd = meanMm * spread;
  const cuts =
    between.length > 0
      ? between
      : lengthsMm.length < 4 || spread < 0.08
        ? []
        : [meanMm - MIDDLE_SD * sd, meanMm + MIDDLE_SD * sd];
  const round = cuts.map((cut) => Math.round(cut * 2) / 2);
  const names = NAMES[round.length + 1] ?? round.concat(0).map((_, i) => `size ${i + 1}`);
  return names.map((name, i) => {
    const [fromMm, toMm] = [round[i - 1] ?? null, round[i] ?? null];
    const measured = lengthsMm.filter((mm) => mm >= (fromMm ?? 0) && mm < (toMm ?? Infinity)).length;
    return { name, fromMm, toMm, measured };
  });
}

/** A fish takes what is a third of its length; a crayfish takes one that moults and is not much smaller. */
const EATER_RATIO = 3;
const MOULT_RATIO = 1.3;

/** How much longer one of a brood must be to be a danger to another. */
export const dangerRatio = ({ hangs }: Pick<ResolvedSpecies, 'hangs'>): number => (hangs ? MOULT_RATIO : EATER_RATIO);

/**
 * Share of a brood that one of its largest twentieth could take: lengths are normal with one coefficient of variation.
 * Source: docs/sources.md#grading
 */
export function shareAtRisk(cv: number, ratio: number): number {
  if (cv <= 0) return 0;
  return normalBelow(((1 + 1.645 * cv) / ratio - 1) / cv);
}

/** Within one of three classes lengths scatter about so much of the whole brood's spread. */
const CLASS_SPREAD = 0.42;
/** Animals of a brood that is sorted are handled every so many days. */
const SORT_DAYS = 18;

/** What one school costs a brood. */
export interface SchoolCost {
  school: 'bySize' | 'together';
  tanks: number;
  /** Share that another of the same tank could take now. */
  atRisk: number;
  /** Sortings until most are of sale size. */
  sortings: number;
}

/** By size or all together: tanks, who is at risk, sortings. @param daysToSale - of nine tenths; null when nobody knows */
export function compareGrading(cv: number, ratio: number, tanksTogether: number, daysToSale: number | null): SchoolCost[] {
  return [
    {
      school: 'bySize',
      tanks: Math.max(3, tanksTogether),
      atRisk: shareAtRisk(cv * CLASS_SPREAD, ratio),
      sortings: daysToSale === null ? 1 : Math.max(1, Math.ceil(daysToSale / SORT_DAYS)),
    },
    { school: 'together', tanks: tanksTogether, atRisk: shareAtRisk(cv, ratio), sortings: 0 },
  ];
}
