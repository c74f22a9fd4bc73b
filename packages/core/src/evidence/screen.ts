import { CalculationError } from '../errors';
import type { Tally } from './rate';

/** One thing done or not done, and what came of it each way. */
export interface FactorTally {
  name: string;
  with: Tally;
  without: Tally;
}

/** How surprising a difference is (p), so after as many looks as were taken (q), and whether it may be claimed. */
export interface Screened {
  name: string;
  p: number | null;
  q: number | null;
  claim: boolean;
}

const ALIKE = 1e-7;
const SLACK = 1e-9;
const LEVEL = 0.1;

/** Logarithms of the factorials of 0..n, kept from one call to the next. */
const factorials: number[] = [0];
function logFactorial(n: number): number {
  for (let i = factorials.length; i <= n; i++) factorials.push((factorials[i - 1] ?? 0) + Math.log(i));
  return factorials[n] ?? 0;
}

/** Fisher's exact test of two arms, two-sided: how often chance alone gives a split at least as uneven. */
export function fisher(a: Tally, b: Tally): number {
  const all = a.successes + b.successes;
  const low = Math.max(0, all - b.trials);
  const high = Math.min(a.trials, all);
  const weight = (x: number) =>
    -logFactorial(x) - logFactorial(a.trials - x) - logFactorial(all - x) - logFactorial(b.trials - all + x);
  const seen = weight(a.successes);
  const limit = seen + Math.log1p(ALIKE);
  let [sum, whole] = [0, 0];
  for (let x = low; x <= high; x++) {
    const log = weight(x);
    const term = Math.exp(log - seen);
    whole += term;
    if (log <= limit) sum += term;
  }
  // Terms are counted in shares of the seen one; far from it the whole may overflow, which is a p of nothing.
  return whole === Infinity ? 0 : Math.min(1, sum / whole);
}

/**
 * Many factors against one outcome, with the share of false claims held at `level`: Fisher's exact test for each, corrected for the
 * number of looks (Benjamini and Hochberg). A factor never or always there has no p and no claim. Source: docs/sources.md#evidence-screen
 * @param input.level - expected share of false ones among the claims, 0..1, 0.1 by default
 * @throws CalculationError `outOfRange` - more successes than trials; `noFactors`; `duplicateName`
 */
export function screen(input: { factors: readonly FactorTally[]; level?: number | null | undefined }): { factors: Screened[] } {
  const { factors } = input;
  const level = input.level ?? LEVEL;
  if (factors.some((one) => one.with.successes > one.with.trials || one.without.successes > one.without.trials))
    throw new CalculationError('outOfRange', 'factors', 'There cannot be more successes than trials.');
  if (factors.length === 0) throw new CalculationError('noFactors', 'factors', 'Name at least one factor.');
  if (new Set(factors.map(({ name }) => name)).size < factors.length)
    throw new CalculationError('duplicateName', 'factors', 'Each factor once.');
  const tested = factors.map((one) => (one.with.trials > 0 && one.without.trials > 0 ? fisher(one.with, one.without) : null));
  const sorted = tested.filter((p) => p !== null).sort((one, other) => one - other);
  // The least of p m / j from each rank on, from the end.
  const least = sorted.map((p, i) => (p * sorted.length) / (i + 1));
  for (let i = least.length - 2; i >= 0; i--) least[i] = Math.min(least[i] ?? 1, least[i + 1] ?? 1);
  return {
    factors: factors.map(({ name }, i) => {
      const p = tested[i] ?? null;
      if (p === null) return { name, p, q: null, claim: false };
      const q = Math.min(1, least[sorted.indexOf(p)] ?? 1);
      return { name, p, q, claim: q <= level + SLACK };
    }),
  };
}
