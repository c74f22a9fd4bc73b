import { CalculationError } from '../../errors';

/**
 * Grams of a mineral salt to lift water to a hardness, by the strength on the product's own label: so many grams in so many
 * litres lift GH by so many degrees; optionally also KH and TDS. Dissolve it outside of the tank; the lift is proportional.
 * Source: docs/sources.md#mineral-salts
 * @throws {CalculationError} unreachable when the water is harder than wanted: salts cannot soften
 */
export function mineralSalts(input: {
  litres: number;
  fromGhDeg: number;
  toGhDeg: number;
  label: { grams: number; litres: number; ghDeg: number; khDeg?: number | null | undefined; tdsPpm?: number | null | undefined };
}): { grams: number; khRiseDeg: number | null; tdsRisePpm: number | null } {
  const { litres, fromGhDeg, toGhDeg, label } = input;
  if (toGhDeg < fromGhDeg)
    throw new CalculationError('unreachable', 'toGhDeg', 'Salts only harden. Soften with rain or osmosis water.');
  const lift = (toGhDeg - fromGhDeg) / label.ghDeg;
  return {
    grams: (label.grams * lift * litres) / label.litres,
    khRiseDeg: label.khDeg == null ? null : label.khDeg * lift,
    tdsRisePpm: label.tdsPpm == null ? null : label.tdsPpm * lift,
  };
}
