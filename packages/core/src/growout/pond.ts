import { CalculationError } from '../errors';
import { middle, type Figures } from '../species';

/** A number with the range it lies in with 95 %. */
export interface Estimate {
  estimate: number;
  low95: number;
  high95: number;
}

/**
 * How many live in a pond from animals that were marked, let go and caught again. Source: docs/sources.md#recapture
 * @param marked - let go with a mark @param caught - in the later catch, of which @param recaught - bore the mark
 * @throws CalculationError `outOfRange` - more recaught than marked or than caught; `notEnoughData` - none was caught again
 */
export function markRecapture({ marked, caught, recaught }: { marked: number; caught: number; recaught: number }): Estimate {
  if (recaught > caught) throw new CalculationError('outOfRange', 'recaught', 'More have the mark than you caught.');
  if (recaught > marked) throw new CalculationError('outOfRange', 'recaught', 'More have the mark than you marked.');
  if (recaught === 0)
    throw new CalculationError('notEnoughData', 'recaught', 'None with a mark was caught: draw the seine again.');
  const estimate = ((marked + 1) * (caught + 1)) / (recaught + 1) - 1;
  // Those nobody held: the product of the two that were held once, over those held twice, on a logarithmic scale.
  const held = marked + caught - recaught;
  const [both, first, second] = [recaught + 0.5, marked - recaught + 0.5, caught - recaught + 0.5];
  const unseen = (first * second) / both;
  const reach = Math.exp(1.96 * Math.sqrt(1 / both + 1 / first + 1 / second + both / (first * second)));
  return {
    estimate,
    low95: Math.max(held, Math.min(estimate, held - 0.5 + unseen / reach)),
    high95: Math.max(estimate, held - 0.5 + unseen * reach),
  };
}

/** How many of those stocked are expected after so many days: the species' survival to sale, evenly in time from stocking on. */
export function expectedInPond(
  figures: Pick<Figures, 'survivalToSale' | 'saleDays'>,
  stocked: number,
  days: number,
): { low: number; mid: number; high: number } {
  // Half of what is lost to sale falls before young are stocked out.
  const share = Math.min(1, days / Math.max(1, middle(figures.saleDays))) / 2;
  const [low, high] = figures.survivalToSale;
  return { low: stocked * low ** share, mid: stocked * (low * high) ** (share / 2), high: stocked * high ** share };
}
