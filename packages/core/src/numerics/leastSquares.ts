const MOST_STEPS = 2000;
const DONE = 1e-14;
const NUDGE = 1e-6;

/** Solves a small square system by elimination with pivots; null when it has no single answer. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0]);
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let j = i + 1; j < n; j++) if (Math.abs(rows[j]?.[i] ?? 0) > Math.abs(rows[pivot]?.[i] ?? 0)) pivot = j;
    const [own, best] = [rows[i], rows[pivot]];
    if (!own || !best || Math.abs(best[i] ?? 0) < 1e-300) return null;
    [rows[i], rows[pivot]] = [best, own];
    for (let j = i + 1; j < n; j++) {
      const row = rows[j] ?? [];
      const share = (row[i] ?? 0) / (best[i] ?? 1);
      for (let k = i; k <= n; k++) row[k] = (row[k] ?? 0) - share * (best[k] ?? 0);
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i--) {
    let sum = rows[i]?.[n] ?? 0;
    for (let k = i + 1; k < n; k++) sum -= (rows[i]?.[k] ?? 0) * (x[k] ?? 0);
    x[i] = sum / (rows[i]?.[i] ?? 1);
  }
  return x;
}

/**
 * Minimises the sum of squares of residuals from a start, by Levenberg and Marquardt with differences for slopes.
 * @param residuals - of parameters; as many at every point
 */
export function leastSquares(
  residuals: (parameters: readonly number[]) => number[],
  start: readonly number[],
): { parameters: number[]; sum: number } {
  const sumOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value * value, 0);
  let parameters = [...start];
  let values = residuals(parameters);
  let sum = sumOf(values);
  let damping = 1e-3;
  let still = 0;
  for (let step = 0; step < MOST_STEPS && still < 4; step++) {
    const slopes = parameters.map((value, j) => {
      const h = NUDGE * Math.max(1, Math.abs(value));
      const at = (by: number) => residuals(parameters.map((one, k) => (k === j ? one + by : one)));
      const [up, down] = [at(h), at(-h)];
      return up.map((one, i) => (one - (down[i] ?? 0)) / (2 * h));
    });
    const normal = slopes.map((one) => slopes.map((other) => one.reduce((all, slope, i) => all + slope * (other[i] ?? 0), 0)));
    const gradient = slopes.map((one) => -one.reduce((all, slope, i) => all + slope * (values[i] ?? 0), 0));
    const move = solve(
      normal.map((row, i) => row.map((value, j) => (i === j ? value * (1 + damping) + 1e-300 : value))),
      gradient,
    );
    const next = move && parameters.map((value, j) => value + (move[j] ?? 0));
    const nextValues = next && residuals(next);
    const nextSum = nextValues ? sumOf(nextValues) : Infinity;
    if (next && nextValues && nextSum <= sum) {
      still = sum - nextSum <= DONE * Math.max(sum, 1e-30) ? still + 1 : 0;
      [parameters, values, sum] = [next, nextValues, nextSum];
      damping = Math.max(1e-12, damping / 4);
    } else {
      damping *= 5;
      if (!(damping < 1e14)) break;
    }
  }
  return { parameters, sum };
}
