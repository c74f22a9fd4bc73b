import { CalculationError } from '../errors';

/** Said wherever a dye is dosed. */
export const DYE_CAUTION =
  'Label and data sheet first; gloves; never mix; kills invertebrates; keep from children; never for fish meant as food. Dispose as local rules say.';

/** Strength of a stock solution: exactly one of the two. 1 % w/v is 10 mg/mL. */
export interface StockStrength {
  mgPerMl?: number | null | undefined;
  percentWv?: number | null | undefined;
}

function mgPerMl(stock: StockStrength): number {
  const given = [stock.mgPerMl, stock.percentWv].filter((strength) => strength != null);
  if (given.length !== 1) throw new CalculationError('invalidStock', 'stock', 'Give the strength once: in mg/mL or in % w/v.');
  const strength = stock.mgPerMl ?? (stock.percentWv ?? 0) * 10;
  if (!(strength > 0) || (stock.percentWv != null && stock.percentWv > 100))
    throw new CalculationError('outOfRange', 'stock', 'A stock solution is stronger than 0 and at most 100 %.');
  return strength;
}

/**
 * How much of a stock solution brings a tank without any to a concentration. Source: docs/sources.md#dose
 * The stock's own volume is neglected. @returns mg of substance and mL of stock
 * @throws {CalculationError} invalidStock, outOfRange
 */
export function dose(input: { tankLitres: number; targetMgPerL: number; stock: StockStrength }): { mg: number; ml: number } {
  const mg = input.tankLitres * input.targetMgPerL;
  return { mg, ml: mg / mgPerMl(input.stock) };
}

/**
 * The top-up after a water change, for a tank that was at its target before. Source: docs/sources.md#dose
 * @param input.changeFraction - share of the tank that was replaced, 0..1
 * @throws {CalculationError} invalidStock, outOfRange
 */
export function doseAfterChange(input: {
  tankLitres: number;
  changeFraction: number;
  targetMgPerL: number;
  stock: StockStrength;
}): { mg: number; ml: number } {
  return dose({ ...input, tankLitres: input.tankLitres * input.changeFraction });
}
