import { CalculationError } from '../../errors';
import { normalQuantile } from '../../numerics';

/** An animal with a score for each criterion, in the criteria's order; higher is better. */
export interface Graded {
  id: string;
  scores: readonly number[];
}

/**
 * Animals from best to worst by criteria in the keeper's order: the first decides, the next only among equals ("colour before
 * pattern"). Animals alike in all keep the order they were given in.
 */
export function rankAnimals<Animal extends Graded>(animals: readonly Animal[]): Animal[] {
  return [...animals].sort((a, b) => {
    for (let i = 0; i < Math.max(a.scores.length, b.scores.length); i++) {
      const difference = (b.scores[i] ?? 0) - (a.scores[i] ?? 0);
      if (difference !== 0) return difference;
    }
    return 0;
  });
}

/**
 * Selection intensity of keeping the best few of many: by how many standard deviations the kept lie above the mean of all, with
 * the correction for a small number. Source: docs/sources.md#selection (Burrows 1972)
 * @param input.kept - 1 or more @param input.of - at least `kept`
 * @throws CalculationError `outOfRange` - more are kept than there are
 */
export function selectionIntensity({ kept, of }: { kept: number; of: number }): { share: number; intensity: number } {
  if (kept > of) throw new CalculationError('outOfRange', 'kept', `Of ${of} no ${kept} can be kept.`);
  const share = kept / of;
  if (share === 1) return { share, intensity: 0 };
  const z = normalQuantile(1 - share);
  const endless = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI) / share;
  return { share, intensity: Math.max(0, endless - (of - kept) / (2 * kept * (of + 1) * endless)) };
}
