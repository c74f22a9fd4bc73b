import { betaQuantile, logGamma, regularisedBeta } from '../numerics';
import { posterior, type Prior, type Tally } from './rate';

/** Nodes and weights of Gauss and Legendre for sixteen points, one side; the other mirrors it. */
const NODES = [
  [0.09501250983763744, 0.1894506104550685],
  [0.2816035507792589, 0.1826034150449236],
  [0.4580167776572274, 0.1691565193950025],
  [0.6178762444026438, 0.1495959888165767],
  [0.755404408355003, 0.1246289712555339],
  [0.8656312023878318, 0.0951585116824928],
  [0.9445750230732326, 0.0622535239386479],
  [0.9894009349916499, 0.0271524594117541],
] as const;
/** Pieces of the range, each by sixteen points: the error falls below 1e-9. */
const PIECES = 10;
/** What lies beyond either end of the range that is summed up: a lopsided share reaches farther than its deviation tells. */
const LEFT_OUT = 1e-12;

/** Chance that a Beta(a, b) lies above a Beta(c, d), by Gauss and Legendre over x = sin² θ, where the density has no poles. */
function chanceAbove({ a, b }: Prior, { a: c, b: d }: Prior): number {
  const scale = logGamma(a + b) - logGamma(a) - logGamma(b);
  const angle = (x: number) => Math.asin(Math.sqrt(Math.min(1, Math.max(0, x))));
  const [from, to] = [angle(betaQuantile(LEFT_OUT, a, b)), angle(1 - betaQuantile(LEFT_OUT, b, a))];
  const power = (base: number, exponent: number) => (exponent === 0 ? 0 : exponent * Math.log(base));
  const density = (theta: number): number => {
    const [sin, cos] = [Math.sin(theta), Math.cos(theta)];
    const weight = Math.exp(scale + Math.LN2 + power(sin, 2 * a - 1) + power(cos, 2 * b - 1));
    return weight < 1e-14 ? 0 : weight * regularisedBeta(sin * sin, c, d);
  };
  const sumOver = (low: number, high: number): number => {
    const half = (high - low) / PIECES / 2;
    let sum = 0;
    for (let piece = 0; piece < PIECES; piece++) {
      const middle = low + (2 * piece + 1) * half;
      for (const [node, weight] of NODES) sum += weight * (density(middle - node * half) + density(middle + node * half));
    }
    return sum * half;
  };
  // Where the other share rises from nothing to all may be far narrower than this one: it is summed up by itself.
  const [rises, risen] = [angle(betaQuantile(LEFT_OUT, c, d)), angle(1 - betaQuantile(LEFT_OUT, d, c))];
  const low = Math.min(to, Math.max(from, rises));
  const high = Math.min(to, Math.max(low, risen));
  const sum = (high > low ? sumOver(low, high) : 0) + (to > high ? sumOver(high, to) : 0);
  return Math.min(1, Math.max(0, sum));
}

/**
 * How likely the first share is the greater one, each believed as by `rate`, one apart from the other.
 * Source: docs/sources.md#evidence-compare
 * @throws CalculationError `outOfRange` - more successes than trials
 */
export function compare({ a, b, prior }: { a: Tally; b: Tally; prior?: Prior | null | undefined }): { probability: number } {
  return { probability: chanceAbove(posterior(a, prior, 'a.successes'), posterior(b, prior, 'b.successes')) };
}
