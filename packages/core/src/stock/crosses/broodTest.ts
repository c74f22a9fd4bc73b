import { CalculationError } from '../../errors';
import { logGamma, regularisedGamma } from '../../numerics';

/** Above this many possible outcomes they are no longer counted one by one. */
const MOST_OUTCOMES = 2_000_000;

/** How a brood agrees with what was expected. */
export interface BroodTest {
  /** Chance of a brood at least as unlikely as this one, if the expectation is right. */
  pValue: number;
  /** `exact` counts every possible brood; `chiSquare` stands in where there are too many. */
  method: 'exact' | 'chiSquare';
  /** Animals expected of each kind. */
  expected: number[];
}

function outcomes(n: number, kinds: number): number {
  let count = 1;
  for (let i = 1; i < kinds; i++) count = (count * (n + i)) / i;
  return count;
}

/** Sum of the chances of all broods at most as likely as the observed one. */
function exactTail(n: number, shares: readonly number[], logObserved: number): number {
  const logs = shares.map(Math.log);
  const logFactorial = Float64Array.from({ length: n + 1 }, (_, i) => logGamma(i + 1));
  const limit = logObserved + 1e-9;
  let tail = 0;
  const last = shares.length - 1;
  const walk = (kind: number, left: number, sum: number): void => {
    if (kind === last) {
      const log = sum + left * (logs[kind] ?? 0) - (logFactorial[left] ?? 0);
      if (log <= limit) tail += Math.exp(log);
      return;
    }
    for (let k = 0; k <= left; k++) walk(kind + 1, left - k, sum + k * (logs[kind] ?? 0) - (logFactorial[k] ?? 0));
  };
  walk(0, n, logFactorial[n] ?? 0);
  return Math.min(1, tail);
}

/**
 * Does a brood agree with the cross? Exact multinomial test: how likely is a brood that is no likelier than the one seen.
 * A kind that cannot come of these parents settles it: 0. Source: docs/sources.md#brood-test
 * @param input.expected - share of each kind, adding up to 1
 * @param input.observed - animals of each kind, whole
 * @throws CalculationError `invalidInput` - lists of different length; `notEnoughData` - nobody observed; `outOfRange` - shares do not add up to 1
 */
export function broodTest({ expected, observed }: { expected: readonly number[]; observed: readonly number[] }): BroodTest {
  if (expected.length !== observed.length)
    throw new CalculationError('invalidInput', 'observed', 'Give a number for each kind that is expected.');
  if (Math.abs(expected.reduce((sum, share) => sum + share, 0) - 1) > 1e-9)
    throw new CalculationError('outOfRange', 'expected', 'The expected shares add up to 1.');
  const n = observed.reduce((sum, count) => sum + count, 0);
  if (n === 0) throw new CalculationError('notEnoughData', 'observed', 'No young are counted yet.');
  const animals = expected.map((share) => share * n);
  if (expected.some((share, i) => share === 0 && (observed[i] ?? 0) > 0))
    return { pValue: 0, method: 'exact', expected: animals };
  const kinds = expected.flatMap((share, i) => (share > 0 ? [{ share, count: observed[i] ?? 0 }] : []));
  if (kinds.length === 1) return { pValue: 1, method: 'exact', expected: animals };
  if (outcomes(n, kinds.length) > MOST_OUTCOMES) {
    const statistic = kinds.reduce((sum, { share, count }) => sum + (count - share * n) ** 2 / (share * n), 0);
    return { pValue: 1 - regularisedGamma((kinds.length - 1) / 2, statistic / 2), method: 'chiSquare', expected: animals };
  }
  const logObserved = kinds.reduce(
    (sum, { share, count }) => sum + count * Math.log(share) - logGamma(count + 1),
    logGamma(n + 1),
  );
  return {
    pValue: exactTail(
      n,
      kinds.map(({ share }) => share),
      logObserved,
    ),
    method: 'exact',
    expected: animals,
  };
}
