import { CalculationError } from '../../errors';
import { binomialBetween } from '../../numerics';

/** Search ends here. */
const MOST = 1_000_000;
const SLACK = 1e-12;

/** What is wanted of a group of unsexed animals. */
export interface GroupWish {
  /** Share of males to expect, 0..1. */
  maleShare: number;
  /** Least number of males and of females; whole. */
  males: number;
  females: number;
}

/**
 * Chance that `count` unsexed animals hold at least the wanted males and females: a sum of binomial terms.
 * Source: docs/sources.md#group
 */
export function groupOdds({ count, maleShare, males, females }: GroupWish & { count: number }): { probability: number } {
  return { probability: binomialBetween(males, count - females, count, maleShare) };
}

/** The smallest whole number at which a growing chance reaches the confidence; null beyond a million. */
function smallest(chance: (count: number) => number, confidence: number, from: number): number | null {
  const enough = (count: number) => chance(count) >= confidence - SLACK;
  let low = from;
  if (enough(low)) return low;
  let high = Math.max(1, low * 2);
  while (!enough(high)) {
    if (high >= MOST) return null;
    low = high;
    high = Math.min(MOST, high * 2);
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (enough(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * How many unsexed animals to take, to have the wanted males and females with this confidence.
 * @throws CalculationError `unreachable` - a wanted sex does not occur, or more than a million would be needed
 */
export function groupSize({ confidence, ...wish }: GroupWish & { confidence: number }): { count: number } {
  const { maleShare, males, females } = wish;
  if ((males > 0 && maleShare === 0) || (females > 0 && maleShare === 1))
    throw new CalculationError(
      'unreachable',
      'maleShare',
      `None of them ${males > 0 && maleShare === 0 ? 'is a male' : 'is a female'}.`,
    );
  const count = smallest((n) => groupOdds({ ...wish, count: n }).probability, confidence, males + females);
  if (count === null) throw new CalculationError('unreachable', 'confidence', 'More than a million would be needed.');
  return { count };
}

/**
 * How many to raise, to have at least `wanted` of a kind whose share is `probability`, with this confidence.
 * @throws CalculationError `unreachable` - the kind does not occur, or more than a million would be needed
 */
export function atLeast({ probability, wanted, confidence }: { probability: number; wanted: number; confidence: number }): {
  count: number;
} {
  if (wanted === 0) return { count: 0 };
  if (probability === 0) throw new CalculationError('unreachable', 'probability', 'This kind does not occur in the brood.');
  const count = smallest((n) => binomialBetween(wanted, n, n, probability), confidence, wanted);
  if (count === null) throw new CalculationError('unreachable', 'probability', 'More than a million would be needed.');
  return { count };
}
