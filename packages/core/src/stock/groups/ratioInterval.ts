import { CalculationError } from '../../errors';
import { betaQuantile, binomialBetween } from '../../numerics';

/** Share of males with the range it lies in, and how likely a ratio at least this uneven is when both sexes are born alike. */
export interface RatioInterval {
  maleShare: number;
  low95: number;
  high95: number;
  pValue: number;
}

/**
 * Is this sex ratio really skewed? Jeffreys interval of the share of males and the exact two-sided binomial test against one half.
 * Source: docs/sources.md#ratio
 * @throws CalculationError `notEnoughData` - nobody was sexed
 */
export function ratioInterval({ males, females }: { males: number; females: number }): RatioInterval {
  const all = males + females;
  if (all === 0) throw new CalculationError('notEnoughData', 'males', 'None are sexed yet.');
  const [a, b] = [males + 0.5, females + 0.5];
  return {
    maleShare: males / all,
    low95: males === 0 ? 0 : betaQuantile(0.025, a, b),
    high95: females === 0 ? 1 : betaQuantile(0.975, a, b),
    pValue: Math.min(1, 2 * binomialBetween(0, Math.min(males, females), all, 0.5)),
  };
}
