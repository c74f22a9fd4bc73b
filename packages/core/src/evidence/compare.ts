import { logGamma, regularisedBeta } from '../numerics';
import { posterior, type Prior, type Tally } from './rate';

/** Steps of the integral over the angle; the error falls below 1e-9 for counts up to a million. */
const STEPS = 2000;
/** So many standard deviations to either side of the middle hold all of it. */
const WIDE = 12;

/** Chance that a Beta(a, b) lies above a Beta(c, d), by Simpson's rule over x = sin² θ, where the density has no poles. */
function chanceAbove({ a, b }: Prior, { a: c, b: d }: Prior): number {
  const scale = logGamma(a + b) - logGamma(a) - logGamma(b);
  const mean = a / (a + b);
  const sd = Math.sqrt((a * b) / (a + b) ** 2 / (a + b + 1));
  const angle = (x: number) => Math.asin(Math.sqrt(Math.min(1, Math.max(0, x))));
  const [from, to] = [angle(mean - WIDE * sd), angle(mean + WIDE * sd)];
  const density = (theta: number): number => {
    const [sin, cos] = [Math.sin(theta), Math.cos(theta)];
    const power = (base: number, exponent: number) => (exponent === 0 ? 0 : exponent * Math.log(base));
    const log = scale + Math.LN2 + power(sin, 2 * a - 1) + power(cos, 2 * b - 1);
    return Number.isNaN(log) ? 0 : Math.exp(log) * regularisedBeta(sin * sin, c, d);
  };
  const step = (to - from) / STEPS;
  let sum = density(from) + density(to);
  for (let i = 1; i < STEPS; i++) sum += (i % 2 === 1 ? 4 : 2) * density(from + i * step);
  return Math.min(1, Math.max(0, (sum * step) / 3));
}

/**
 * How likely the first share is the greater one, each believed as by `rate`, one apart from the other.
 * Source: docs/sources.md#evidence-compare
 * @throws CalculationError `outOfRange` - more successes than trials
 */
export function compare({ a, b, prior }: { a: Tally; b: Tally; prior?: Prior | null | undefined }): { probability: number } {
  return { probability: chanceAbove(posterior(a, prior, 'a.successes'), posterior(b, prior, 'b.successes')) };
}
