import { CalculationError } from '../errors';
import { studentQuantile } from '../numerics';
import type { Range } from '../species';

/** A stage's window as the house's own broods make it. Times in the unit that went in. */
export interface LearnedWindow {
  low: number;
  high: number;
  median: number;
  /** Number of broods it rests on. */
  broods: number;
  /** Positions of durations that fit none of the others; marked, never dropped. */
  outliers: number[];
}

/** The share that a published window is taken to hold. */
const PUBLISHED = 0.9;
/** A duration outside of this share of what the others foretell is marked. */
const ODD = 0.99;
const FEWEST_FOR_ODD = 4;
const MOST = 1000;

/** Foretelling of the logarithm of the next duration: Student's t with a place, a scale and degrees of freedom. */
interface Foretelling {
  location: number;
  scale: number;
  freedom: number;
}

function foretell([low, high]: Range, logs: readonly number[]): Foretelling {
  const middle = (Math.log(low) + Math.log(high)) / 2;
  const beta0 = ((Math.log(high) - Math.log(low)) / 2 / studentQuantile((1 + PUBLISHED) / 2, 4)) ** 2;
  const n = logs.length;
  const mean = n === 0 ? middle : logs.reduce((sum, y) => sum + y, 0) / n;
  const spread = logs.reduce((sum, y) => sum + (y - mean) ** 2, 0);
  const kappa = 1 + n;
  const alpha = 2 + n / 2;
  const beta = beta0 + spread / 2 + (n * (mean - middle) ** 2) / (2 * kappa);
  return {
    location: (middle + n * mean) / kappa,
    scale: Math.sqrt((beta * (kappa + 1)) / (alpha * kappa)),
    freedom: 2 * alpha,
  };
}

const bounds = ({ location, scale, freedom }: Foretelling, level: number): Range => {
  const reach = studentQuantile((1 + level) / 2, freedom) * scale;
  return [Math.exp(location - reach), Math.exp(location + reach)];
};

/**
 * A species' window of a stage, updated by the house's own broods: logarithms of the durations are normal with mean and variance
 * unknown, and the published window holds 90 % before any brood is known. Source: docs/sources.md#own-broods
 * @param input.durations - in the window's unit, each above 0, at most 1000 of them
 * @throws CalculationError `outOfRange` - the window the wrong way round, too many durations
 */
export function learn(input: { window: Range; durations: readonly number[]; level?: number | null | undefined }): LearnedWindow {
  const { window, durations } = input;
  const level = input.level ?? PUBLISHED;
  if (!(window[0] > 0 && window[1] > window[0]))
    throw new CalculationError('outOfRange', 'window', 'The window goes from the shorter to the longer, both above 0.');
  if (durations.length > MOST) throw new CalculationError('outOfRange', 'durations', `At most ${MOST} broods.`);
  const logs = durations.map(Math.log);
  const all = foretell(window, logs);
  const [low, high] = bounds(all, level);
  const outliers =
    logs.length < FEWEST_FOR_ODD
      ? []
      : durations.flatMap((duration, i) => {
          const others = bounds(foretell(window, [...logs.slice(0, i), ...logs.slice(i + 1)]), ODD);
          return duration < others[0] || duration > others[1] ? [i] : [];
        });
  return { low, high, median: Math.exp(all.location), broods: durations.length, outliers };
}
