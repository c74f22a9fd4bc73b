import type { Figures, StageDuration } from '../species';
import type { TimeRange } from '../time';
import { learn } from './learn';

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
  /** Of them those that fit none of the others. */
  odd: number;
}

const DAY_MS = 86_400_000;
/** A brood seen less exactly than this tells little about days. */
const WIDEST_DAYS = 1.5;

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
 * A species' hatch duration as the breeder's own past broods make it, at the figure's temperature: the published window, updated by each
 * brood seen closely enough, never narrower than how exactly they were seen. Null while there is none. Odd broods are counted, not kept.
 * Source: docs/sources.md#own-broods
 */
export function learnHatch(
  figures: Pick<Figures, 'hatch' | 'developmentZeroC'>,
  samples: readonly HatchSample[],
): LearnedHatch | null {
  const { hatch, developmentZeroC } = figures;
  if (!hatch || !(hatch.days[0] > 0 && hatch.days[1] > hatch.days[0])) return null;
  const sound = samples.filter((sample) => isPossibleHatch(figures, sample) && isSound(sample, developmentZeroC));
  if (sound.length === 0) return null;
  const learned = learn({ window: hatch.days, durations: sound.map((sample) => hatchDays(figures, sample)) });
  const seen = sound.reduce((sum, { laid, hatched }) => sum + (width(laid) + width(hatched)) / 2, 0) / sound.length;
  const short = Math.max(0, seen - (learned.high - learned.low) / 2);
  return {
    duration: { atC: hatch.atC, days: [Math.max(0, learned.low - short), learned.high + short] },
    broods: learned.broods,
    odd: learned.outliers.length,
  };
}
