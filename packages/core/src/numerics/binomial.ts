import { logGamma, regularisedBeta } from './beta';

/** Up to here tails are summed term by term, which is exact where a limit is just met. */
const SUMMED = 3000;

/** Chance of exactly k of n. @param share - chance of each, 0..1 */
function binomialPmf(k: number, n: number, share: number): number {
  if (k < 0 || k > n) return 0;
  if (share <= 0 || share >= 1) return k === (share <= 0 ? 0 : n) ? 1 : 0;
  return Math.exp(logGamma(n + 1) - logGamma(k + 1) - logGamma(n - k + 1) + k * Math.log(share) + (n - k) * Math.log1p(-share));
}

/**
 * Chance of at least `low` and at most `high` of n. Terms follow from their neighbours, starting at the likeliest, so that no
 * term underflows the sum. Source: docs/sources.md#binomial
 */
export function binomialBetween(low: number, high: number, n: number, share: number): number {
  const [from, to] = [Math.max(0, low), Math.min(n, high)];
  if (from > to) return 0;
  if (share <= 0) return from === 0 ? 1 : 0;
  if (share >= 1) return to === n ? 1 : 0;
  if (n > SUMMED) return atMost(to, n, share) - atMost(from - 1, n, share);
  const start = Math.min(to, Math.max(from, Math.floor((n + 1) * share)));
  const odds = share / (1 - share);
  let sum = 0;
  const first = binomialPmf(start, n, share);
  for (let k = start, term = first; k <= to && term > 0; k++) {
    sum += term;
    term *= ((n - k) / (k + 1)) * odds;
  }
  for (let k = start - 1, term = first * (start / (n - start + 1) / odds); k >= from && term > 0; k--) {
    sum += term;
    term *= k / (n - k + 1) / odds;
  }
  return Math.min(1, sum);
}

const atMost = (k: number, n: number, share: number): number =>
  k < 0 ? 0 : k >= n ? 1 : regularisedBeta(1 - share, n - k, k + 1);
