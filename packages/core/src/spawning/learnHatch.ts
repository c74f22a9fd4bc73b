import type { Figures, StageDuration } from '../species';
import type { TimeRange } from '../time';

/** A past brood whose laying and hatch were seen, with the mean temperature between, °C. */
export interface HatchSample {
  laid: TimeRange;
  hatched: TimeRange;
  meanTempC: number;
}

/** A hatch duration that rests on the breeder's own broods. */
export interface LearnedHatch {
  duration: StageDuration;
  /** Number of broods it rests on. */
  broods: number;
}

const DAY_MS = 86_400_000;
/** Fewer say too little. */
const FEWEST = 3;
/** A brood seen less exactly than this tells little about days. */
const WIDEST_DAYS = 1.5;
/** 95th percentile of Student's t by degrees of freedom, from 2 on; beyond the list the normal's. */
const T95 = [
  2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812, 1.796, 1.782, 1.771, 1.761, 1.753, 1.746, 1.74, 1.734, 1.729,
  1.725,
];

const middle = (range: TimeRange) => (Date.parse(range.from) + Date.parse(range.to)) / 2;
const width = (range: TimeRange) => (Date.parse(range.to) - Date.parse(range.from)) / DAY_MS;

/** Warm enough, in order, and seen closely enough to teach anything. */
const isSound = ({ laid, hatched, meanTempC }: HatchSample, developmentZeroC: number): boolean =>
  meanTempC > developmentZeroC + 1 &&
  middle(hatched) > middle(laid) &&
  width(laid) <= WIDEST_DAYS &&
  width(hatched) <= WIDEST_DAYS;

/** A hatch outside of this share of the shortest and of the longest duration was misread, or was another clutch. */
const POSSIBLE: readonly [number, number] = [0.4, 2.5];

/** The days a hatch took, as if at the temperature of the species' figure. */
export const hatchDays = (
  { hatch, developmentZeroC }: Pick<Figures, 'hatch' | 'developmentZeroC'>,
  { laid, hatched, meanTempC }: HatchSample,
): number =>
  (((middle(hatched) - middle(laid)) / DAY_MS) * (meanTempC - developmentZeroC)) /
  Math.max(0.1, (hatch?.atC ?? 25) - developmentZeroC);

/** Whether a hatch can be what it is said to be: far outside of the species' window it is not learned from. */
export function isPossibleHatch(figures: Pick<Figures, 'hatch' | 'developmentZeroC'>, sample: HatchSample): boolean {
  if (!figures.hatch) return true;
  const days = hatchDays(figures, sample);
  return days >= figures.hatch.days[0] * POSSIBLE[0] && days <= figures.hatch.days[1] * POSSIBLE[1];
}

/**
 * Narrows a species' hatch duration by the breeder's own past broods: the 90 % prediction interval of the warmth they needed, never
 * narrower than how exactly they were seen. Null while there are fewer than three, or where it would not be narrower than the starting point.
 * Source: docs/sources.md#own-broods
 */
export function learnHatch(
  figures: Pick<Figures, 'hatch' | 'developmentZeroC'>,
  samples: readonly HatchSample[],
): LearnedHatch | null {
  const { hatch, developmentZeroC } = figures;
  if (!hatch) return null;
  const sound = samples.filter((sample) => isPossibleHatch(figures, sample) && isSound(sample, developmentZeroC));
  const count = sound.length;
  if (count < FEWEST) return null;
  const days = sound.map((sample) => hatchDays(figures, sample));
  const mean = days.reduce((sum, value) => sum + value, 0) / count;
  const variance = days.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (count - 1);
  const seen = sound.reduce((sum, { laid, hatched }) => sum + (width(laid) + width(hatched)) / 2, 0) / count;
  // Never narrower than how exactly they were seen; their scatter holds that inexactness already.
  const half = Math.max((T95[count - FEWEST] ?? 1.645) * Math.sqrt(variance * (1 + 1 / count)), seen);
  const [low, high] = [Math.max(0, mean - half), mean + half];
  if (high - low >= hatch.days[1] - hatch.days[0]) return null;
  return { duration: { atC: hatch.atC, days: [low, high] }, broods: count };
}
