import { normalBelow } from '../numerics';
import type { ResolvedSpecies } from '../species';

/** A class of size: from and below a length, mm. */
export interface SizeClass {
  name: string;
  fromMm: number | null;
  toMm: number | null;
  /** Its usual length, mm. */
  aboutMm: number;
}

/** The middle class reaches so many standard deviations to either side of the mean; the others lie about so far out. */
const MIDDLE_SD = 0.6;
const OUTER_SD = 1.15;
/** Below this spread a brood is even: there is nothing to part. */
const EVEN = 0.08;

/** Small, middle and large about a mean; one class where the lengths are even. Rounded to half millimetres, as a grid of bars is. */
export function suggestClasses(meanMm: number, spread: number): SizeClass[] {
  const sd = meanMm * spread;
  const round = (mm: number) => Math.round(mm * 2) / 2;
  if (spread < EVEN) return [{ name: 'all', fromMm: null, toMm: null, aboutMm: round(meanMm) }];
  const [low, high] = [round(meanMm - MIDDLE_SD * sd), round(meanMm + MIDDLE_SD * sd)];
  return [
    { name: 'large', fromMm: high, toMm: null, aboutMm: round(meanMm + OUTER_SD * sd) },
    { name: 'middle', fromMm: low, toMm: high, aboutMm: round(meanMm) },
    { name: 'small', fromMm: null, toMm: low, aboutMm: round(meanMm - OUTER_SD * sd) },
  ];
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
export const CLASS_SPREAD = 0.42;
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
  /** Tanks times days until most are of sale size; null when nobody knows. */
  tankDays: number | null;
}

/** By size or all together: tanks, who is at risk, sortings. @param daysToSale - of nine tenths; null when nobody knows */
export function compareGrading(cv: number, ratio: number, tanksTogether: number, daysToSale: number | null): SchoolCost[] {
  const tanks = Math.max(3, tanksTogether);
  const tankDays = (count: number) => (daysToSale === null ? null : count * Math.max(0, daysToSale));
  return [
    {
      school: 'bySize',
      tanks,
      tankDays: tankDays(tanks),
      atRisk: shareAtRisk(cv * CLASS_SPREAD, ratio),
      sortings: daysToSale === null ? 1 : Math.max(1, Math.ceil(daysToSale / SORT_DAYS)),
    },
    { school: 'together', tanks: tanksTogether, tankDays: tankDays(tanksTogether), atRisk: shareAtRisk(cv, ratio), sortings: 0 },
  ];
}
