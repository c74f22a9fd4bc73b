import { CalculationError } from '../../errors';

const JOULE_PER_LITRE_K = 4186;
const SLACK = 1e-9;
const unreachable = (field: string, message: string): never => {
  throw new CalculationError('unreachable', field, message);
};

/** How much water of a temperature brings a tank to another. Source: docs/sources.md#warmth @throws {CalculationError} unreachable */
export function changeToTemperature(input: { tankLitres: number; tankTempC: number; newTempC: number; targetTempC: number }): {
  changeLitres: number;
  fraction: number;
} {
  const { tankLitres, tankTempC, newTempC, targetTempC } = input;
  if (targetTempC === tankTempC) return { changeLitres: 0, fraction: 0 };
  if (newTempC === tankTempC) unreachable('newTempC', 'The new water is as warm as the tank; it changes nothing.');
  const fraction = (targetTempC - tankTempC) / (newTempC - tankTempC);
  if (fraction < 0 || fraction > 1 + SLACK)
    unreachable('targetTempC', 'No share of this water brings the tank there; take colder or warmer water.');
  const within = Math.min(1, fraction);
  return { changeLitres: within * tankLitres, fraction: within };
}

/** How warm the new water must be for a change of a given size. Source: docs/sources.md#warmth @throws {CalculationError} outOfRange, unreachable */
export function newWaterTemperature(input: {
  tankLitres: number;
  tankTempC: number;
  targetTempC: number;
  changeLitres: number;
}): { newTempC: number; fraction: number } {
  const { tankLitres, tankTempC, targetTempC, changeLitres } = input;
  if (changeLitres > tankLitres)
    throw new CalculationError('outOfRange', 'changeLitres', 'No more can be changed than the tank holds.');
  const newTempC = tankTempC + ((targetTempC - tankTempC) * tankLitres) / changeLitres;
  if (newTempC < -SLACK || newTempC > 60 + SLACK)
    unreachable('changeLitres', 'The new water would have to be frozen or scalding; change more of it.');
  return { newTempC, fraction: changeLitres / tankLitres };
}

/**
 * How long a heater needs, and how warm it can get at all; full power, well mixed. Source: docs/sources.md#warmth
 * @throws {CalculationError} notWarming
 */
export function rewarm(input: { litres: number; fromC: number; toC: number; heaterW: number; airC: number; lossWPerK: number }): {
  hours: number | null;
  canReach: boolean;
  ceilingC: number | null;
} {
  const { litres, fromC, toC, heaterW, airC, lossWPerK } = input;
  if (toC < fromC) throw new CalculationError('notWarming', 'toC', 'That would be cooling; a heater cannot do it.');
  const capacity = JOULE_PER_LITRE_K * litres;
  const ceilingC = lossWPerK > 0 ? airC + heaterW / lossWPerK : null;
  if (toC === fromC) return { hours: 0, canReach: true, ceilingC };
  if (ceilingC === null)
    return heaterW > 0
      ? { hours: (capacity * (toC - fromC)) / heaterW / 3600, canReach: true, ceilingC }
      : { hours: null, canReach: false, ceilingC };
  if (toC >= ceilingC) return { hours: null, canReach: false, ceilingC };
  return { hours: ((capacity / lossWPerK) * Math.log((ceilingC - fromC) / (ceilingC - toC))) / 3600, canReach: true, ceilingC };
}

/** A tank's heat loss, W/K, from two temperatures with the heater off. Source: docs/sources.md#warmth @throws {CalculationError} notCooling */
export function lossFromCooling(input: { litres: number; startC: number; endC: number; hours: number; airC: number }): {
  lossWPerK: number;
} {
  const { litres, startC, endC, hours, airC } = input;
  const ratio = (startC - airC) / (endC - airC);
  if (endC === airC || !(ratio > 1))
    throw new CalculationError(
      'notCooling',
      'endC',
      'With the heater off the tank must have come nearer to the room, without reaching it.',
    );
  return { lossWPerK: (JOULE_PER_LITRE_K * litres * Math.log(ratio)) / (3600 * hours) };
}

/** Heat a tank loses for each degree, W: by its surface, as a glass tank under a cover does. A guess until its own cooling was measured. */
export const usualLossWPerK = (litres: number): number => 0.3 * litres ** (2 / 3);
