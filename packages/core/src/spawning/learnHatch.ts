import type { Figures, StageDuration } from '../species';
import type { TimeRange } from '../time';
import { learn } from './learn';

/** A stage of a past brood of which both ends were seen, with the mean temperature between, °C. */
export interface StageSample {
  from: TimeRange;
  to: TimeRange;
  meanTempC: number;
}

/** A past brood whose laying and hatch were seen, with the mean temperature between, °C. */
export interface HatchSample {
  laid: TimeRange;
  hatched: TimeRange;
  meanTempC: number;
}

/** The duration of a stage that rests on the breeder's own broods. */
export interface LearnedStage {
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
const isSound = ({ from, to, meanTempC }: StageSample, developmentZeroC: number): boolean =>
  meanTempC > developmentZeroC + 1 && middle(to) > middle(from) && width(from) <= WIDEST_DAYS && width(to) <= WIDEST_DAYS;

/** A stage outside of this share of the shortest and of the longest duration was misread, or was another clutch. */
const POSSIBLE: readonly [number, number] = [0.4, 2.5];

/** The days a stage took, as if at the temperature of its figure. */
const daysAsAt = (duration: StageDuration | null, developmentZeroC: number, { from, to, meanTempC }: StageSample): number =>
  (((middle(to) - middle(from)) / DAY_MS) * (meanTempC - developmentZeroC)) /
  Math.max(0.1, (duration?.atC ?? 25) - developmentZeroC);

const isPossible = (duration: StageDuration, days: number) =>
  days >= duration.days[0] * POSSIBLE[0] && days <= duration.days[1] * POSSIBLE[1];
const asStage = ({ laid, hatched, meanTempC }: HatchSample): StageSample => ({ from: laid, to: hatched, meanTempC });

/** The days a hatch took, as if at the temperature of the species' figure. */
export const hatchDays = (
  { hatch, developmentZeroC }: Pick<Figures, 'hatch' | 'developmentZeroC'>,
  sample: HatchSample,
): number => daysAsAt(hatch, developmentZeroC, asStage(sample));

/** Whether a hatch can be what it is said to be: far outside of the species' window it is not learned from. */
export function isPossibleHatch(figures: Pick<Figures, 'hatch' | 'developmentZeroC'>, sample: HatchSample): boolean {
  return !figures.hatch || isPossible(figures.hatch, hatchDays(figures, sample));
}

/**
 * The duration of a stage as the breeder's own past broods make it, at the figure's temperature: the published window, updated by each
 * brood seen closely enough, never narrower than how exactly they were seen. Null while there is none. Odd broods are counted, not kept.
 * Source: docs/sources.md#own-broods
 */
export function learnStage(
  duration: StageDuration | null,
  developmentZeroC: number,
  samples: readonly StageSample[],
): LearnedStage | null {
  if (!duration || !(duration.days[0] > 0 && duration.days[1] > duration.days[0])) return null;
  const days = (sample: StageSample) => daysAsAt(duration, developmentZeroC, sample);
  const sound = samples.filter((sample) => isPossible(duration, days(sample)) && isSound(sample, developmentZeroC));
  if (sound.length === 0) return null;
  const learned = learn({ window: duration.days, durations: sound.map(days) });
  const seen = sound.reduce((sum, { from, to }) => sum + (width(from) + width(to)) / 2, 0) / sound.length;
  const short = Math.max(0, seen - (learned.high - learned.low) / 2);
  return {
    duration: { atC: duration.atC, days: [Math.max(0, learned.low - short), learned.high + short] },
    broods: learned.broods,
    odd: learned.outliers.length,
  };
}

/** A species' hatch duration as the breeder's own past broods make it. @see learnStage */
export const learnHatch = (
  { hatch, developmentZeroC }: Pick<Figures, 'hatch' | 'developmentZeroC'>,
  samples: readonly HatchSample[],
): LearnedStage | null => learnStage(hatch, developmentZeroC, samples.map(asStage));
