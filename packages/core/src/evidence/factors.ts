import { CalculationError } from '../errors';
import { normalBelow } from '../numerics';

/** One attempt: whether it came about, and what stood beside it; null where that is not known. */
export interface Tried {
  success: boolean;
  factors: Readonly<Record<string, boolean | number | null>>;
}

/** How one factor bears on success beside all others: log odds with their deviation, and how likely they are above 0. */
export interface FactorEffect {
  name: string;
  logOdds: number | null;
  sd: number | null;
  probPositive: number | null;
}

const DONE = 1e-10;
const MOST_STEPS = 200;

/** A column of one factor, scaled as by Gelman: flags less their mean, numbers over twice their deviation; unknown is 0. */
function scale(name: string, attempts: readonly Tried[]): number[] | null {
  const values = attempts.map(({ factors }) => factors[name] ?? null);
  const known = values.filter((value) => value !== null);
  const isFlag = typeof known[0] === 'boolean';
  if (known.some((value) => (typeof value === 'boolean') !== isFlag))
    throw new CalculationError('mixedFactor', 'attempts', `"${name}" is a flag in one attempt and a number in another.`);
  const numbers = known.map(Number);
  if (numbers.length < 2 || numbers.every((value) => value === numbers[0])) return null;
  const mean = numbers.reduce((sum, value) => sum + value, 0) / numbers.length;
  const sd = Math.sqrt(numbers.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (numbers.length - 1));
  return values.map((value) => (value === null ? 0 : (Number(value) - mean) / (isFlag ? 1 : 2 * sd)));
}

/** Lower triangle of a symmetric positive matrix. */
function cholesky(matrix: readonly number[][]): number[][] {
  const n = matrix.length;
  const lower = matrix.map(() => new Array<number>(n).fill(0));
  for (let i = 0; i < n; i++) {
    const row = lower[i] ?? [];
    for (let j = 0; j <= i; j++) {
      const other = lower[j] ?? [];
      let sum = matrix[i]?.[j] ?? 0;
      for (let k = 0; k < j; k++) sum -= (row[k] ?? 0) * (other[k] ?? 0);
      row[j] = i === j ? Math.sqrt(sum) : sum / (other[j] ?? 1);
    }
  }
  return lower;
}

function solve(lower: readonly number[][], right: readonly number[]): number[] {
  const n = lower.length;
  const x = [...right];
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < i; k++) x[i] = (x[i] ?? 0) - (lower[i]?.[k] ?? 0) * (x[k] ?? 0);
    x[i] = (x[i] ?? 0) / (lower[i]?.[i] ?? 1);
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let k = i + 1; k < n; k++) x[i] = (x[i] ?? 0) - (lower[k]?.[i] ?? 0) * (x[k] ?? 0);
    x[i] = (x[i] ?? 0) / (lower[i]?.[i] ?? 1);
  }
  return x;
}

const softplus = (x: number) => (x > 0 ? x + Math.log1p(Math.exp(-x)) : Math.log1p(Math.exp(x)));

/**
 * Several factors at once against success: logistic regression with weak normal priors, the mode by Newton's method and the
 * deviations by Laplace's approximation there. Factors are named in order of code units; one known fewer than twice, or always
 * alike, has none. Source: docs/sources.md#evidence-factors
 * @throws CalculationError `notEnoughData` - fewer than two attempts; `mixedFactor` - a flag here and a number there
 */
export function factors(input: {
  attempts: readonly Tried[];
  priorSd?: number | null | undefined;
  interceptSd?: number | null | undefined;
}): { intercept: number; factors: FactorEffect[] } {
  const { attempts } = input;
  const [priorSd, interceptSd] = [input.priorSd ?? 1.5, input.interceptSd ?? 5];
  if (attempts.length < 2) throw new CalculationError('notEnoughData', 'attempts', 'At least two attempts are wanted.');
  const names = [...new Set(attempts.flatMap((one) => Object.keys(one.factors)))].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  const scaled = names.map((name) => scale(name, attempts));
  const used = scaled.filter((column) => column !== null);
  const columns = [attempts.map(() => 1), ...used];
  const precision = columns.map((_, i) => 1 / (i === 0 ? interceptSd : priorSd) ** 2);
  const linear = (b: readonly number[]) =>
    attempts.map((_, row) => columns.reduce((sum, column, j) => sum + (column[row] ?? 0) * (b[j] ?? 0), 0));
  const logPosterior = (b: readonly number[]) =>
    linear(b).reduce((sum, eta, row) => sum - softplus(attempts[row]?.success ? -eta : eta), 0) -
    b.reduce((sum, value, j) => sum + (value * value * (precision[j] ?? 0)) / 2, 0);
  const hessian = (shares: readonly number[]) => {
    const weights = shares.map((share) => share * (1 - share));
    return columns.map((one, i) =>
      columns.map((other, j) => {
        let sum = i === j ? (precision[i] ?? 0) : 0;
        for (let row = 0; row < weights.length; row++) sum += (one[row] ?? 0) * (other[row] ?? 0) * (weights[row] ?? 0);
        return sum;
      }),
    );
  };
  const sharesOf = (b: readonly number[]) => linear(b).map((eta) => 1 / (1 + Math.exp(-eta)));
  let b = columns.map(() => 0);
  let worth = logPosterior(b);
  for (let i = 0; i < MOST_STEPS; i++) {
    const shares = sharesOf(b);
    const gradient = columns.map((column, j) =>
      column.reduce(
        (sum, z, row) => sum + z * ((attempts[row]?.success ? 1 : 0) - (shares[row] ?? 0)),
        -(b[j] ?? 0) * (precision[j] ?? 0),
      ),
    );
    const step = solve(cholesky(hessian(shares)), gradient);
    let share = 1;
    let next = b.map((value, j) => value + (step[j] ?? 0));
    let nextWorth = logPosterior(next);
    while (nextWorth < worth && share > 1e-12) {
      share /= 2;
      next = b.map((value, j) => value + share * (step[j] ?? 0));
      nextWorth = logPosterior(next);
    }
    if (nextWorth >= worth) [b, worth] = [next, nextWorth];
    if (Math.max(...step.map(Math.abs)) * share < DONE) break;
  }
  const lower = cholesky(hessian(sharesOf(b)));
  const deviation = (j: number) =>
    Math.sqrt(
      solve(
        lower,
        columns.map((_, i) => (i === j ? 1 : 0)),
      )[j] ?? 0,
    );
  let at = 0;
  return {
    intercept: b[0] ?? 0,
    factors: names.map((name, i) => {
      if (!scaled[i]) return { name, logOdds: null, sd: null, probPositive: null };
      at++;
      const logOdds = b[at] ?? 0;
      const sd = deviation(at);
      return { name, logOdds, sd, probPositive: normalBelow(logOdds / sd) };
    }),
  };
}
