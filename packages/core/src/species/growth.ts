import type { Figures } from './figures';

/** The middle of a figure's range. */
export const middle = (range: readonly [number, number]): number => (range[0] + range[1]) / 2;

/** Gompertz through the young's length and the middle of the sale length at the middle of the sale age, from that of feeding on. */
export function growthCurve(figures: Pick<Figures, 'fryMm' | 'adultMm' | 'saleMm' | 'saleDays'>): {
  start: number;
  limit: number;
  ratePerDay: number;
} {
  const start = middle(figures.fryMm);
  const limit = Math.max(middle(figures.adultMm), middle(figures.saleMm) * 1.1, start * 1.2);
  const atSale = Math.min(Math.max(middle(figures.saleMm), start * 1.05), limit * 0.98);
  return {
    start,
    limit,
    ratePerDay: Math.log(Math.log(start / limit) / Math.log(atSale / limit)) / Math.max(1, middle(figures.saleDays)),
  };
}

/** How young of one brood vary in length: standard deviation over mean. General habit; a sample of the brood says more. */
export const LENGTH_SPREAD = 0.12;
/** Of normal lengths, the smallest tenth is below the mean by so many standard deviations. */
const SMALLEST_TENTH = 1.2816;

/**
 * Expected mean length at an age since first feeding, mm: slow, then faster, then bending (Gompertz 1825) from the length at first feed
 * through size and age at sale towards adult size. Source: docs/sources.md#growth
 * @param pace - growth over that at the middle of the species' range; 1 there
 */
export function expectedLengthMm(figures: Figures, ageDays: number, pace = 1): number {
  const { start, limit, ratePerDay } = growthCurve(figures);
  return limit * Math.pow(start / limit, Math.exp(-ratePerDay * pace * Math.max(0, ageDays)));
}

/** The age since first feeding, days, at which the expected length is reached; 0 when they start longer, null when never. */
export function expectedAgeDays(figures: Figures, lengthMm: number, pace = 1): number | null {
  const { start, limit, ratePerDay } = growthCurve(figures);
  if (lengthMm <= start) return 0;
  return lengthMm >= limit ? null : -Math.log(Math.log(lengthMm / limit) / Math.log(start / limit)) / (ratePerDay * pace);
}

/** Length below which the smallest tenth of a brood is, mm. */
export const smallestTenthMm = (meanMm: number): number => meanMm * (1 - SMALLEST_TENTH * LENGTH_SPREAD);
/** The mean at which the smallest tenth has reached a length, mm. */
export const meanOfTenthMm = (tenthMm: number): number => tenthMm / (1 - SMALLEST_TENTH * LENGTH_SPREAD);

/**
 * How fast young grow at a temperature beside the middle of their range: by warmth above the standstill of development, from half as
 * fast to once and a half. A guess from general habit. Source: docs/sources.md#growth
 */
export function growthPace(figures: Pick<Figures, 'tempC' | 'developmentZeroC'>, tempC: number): number {
  const usual = middle(figures.tempC) - figures.developmentZeroC;
  return Math.min(1.5, Math.max(0.5, (tempC - figures.developmentZeroC) / Math.max(1, usual)));
}

/** Weight of one animal of a length, g, by the form of its kind. */
export const bodyG = (figures: Pick<Figures, 'bodyGPerMm3'>, lengthMm: number): number => figures.bodyGPerMm3 * lengthMm ** 3;
