import { CalculationError } from '../../errors';

/**
 * Fulton's condition factor K = 100 W / L³ with W in grams and L in centimetres: how heavy an animal is for its length. Compare it
 * with the same animal last month or others of its kind measured in the same way, not between species.
 * Source: docs/sources.md#condition-factor
 * @param input.lengthMm - standard or total length, always the same one; above 0
 * @param input.weightG - above 0
 * @param input.usualK - what is usual for the kind, if known
 * @returns K, and its ratio to what is usual
 */
export function conditionFactor({
  lengthMm,
  weightG,
  usualK,
}: {
  lengthMm: number;
  weightG: number;
  usualK?: number | null | undefined;
}): { k: number; relative: number | null } {
  if (!(lengthMm > 0)) throw new CalculationError('outOfRange', 'lengthMm', 'A length is above 0.');
  const k = (100 * weightG) / (lengthMm / 10) ** 3;
  return { k, relative: usualK == null ? null : k / usualK };
}
