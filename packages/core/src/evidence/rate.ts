import { CalculationError } from '../errors';
import { betaQuantile } from '../numerics';

/** How often something came about. Both whole, `successes` at most `trials`. */
export interface Tally {
  successes: number;
  trials: number;
}

/** What is believed of a share before anything was counted: a Beta(a, b); one half each by default. */
export interface Prior {
  a: number;
  b: number;
}

/** A share with the range it lies in with 95 %. */
export interface Rate {
  mean: number;
  low95: number;
  high95: number;
}

const JEFFREYS: Prior = { a: 0.5, b: 0.5 };

/** The Beta(a, b) that is believed once the tally is known. @throws CalculationError `outOfRange` - more successes than trials */
export function posterior({ successes, trials }: Tally, prior: Prior | null | undefined, field = 'successes'): Prior {
  if (successes > trials) throw new CalculationError('outOfRange', field, 'There cannot be more successes than trials.');
  const { a, b } = prior ?? JEFFREYS;
  return { a: a + successes, b: b + trials - successes };
}

/**
 * The share behind a tally: mean of its posterior and the points below which 2.5 % and 97.5 % of it lie. Nothing counted gives the
 * prior. Source: docs/sources.md#evidence-rate
 * @throws CalculationError `outOfRange` - more successes than trials
 */
export function rate({ prior, ...tally }: Tally & { prior?: Prior | null | undefined }): Rate {
  const { a, b } = posterior(tally, prior);
  return { mean: a / (a + b), low95: betaQuantile(0.025, a, b), high95: betaQuantile(0.975, a, b) };
}
