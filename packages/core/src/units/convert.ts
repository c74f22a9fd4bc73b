import { CalculationError } from '../errors';

/** Families of units; only units of one family can be turned into each other. */
export type UnitFamily = 'temperature' | 'volume' | 'length' | 'mass' | 'hardness' | 'alkalinity' | 'dissolvedSolids';

const PPM_PER_DEGREE = 17.848;
const PPM_PER_MEQ = 50.04345;

/** Size of each unit in its family's base unit. `ppmCaCO3` stands in two families. */
export const UNITS = {
  degC: { temperature: 1 },
  degF: { temperature: 1 },
  L: { volume: 1 },
  mL: { volume: 0.001 },
  galUS: { volume: 3.785411784 },
  galUK: { volume: 4.54609 },
  cm: { length: 1 },
  mm: { length: 0.1 },
  in: { length: 2.54 },
  ft: { length: 30.48 },
  g: { mass: 1 },
  kg: { mass: 1000 },
  oz: { mass: 28.349523125 },
  lb: { mass: 453.59237 },
  ppmCaCO3: { hardness: 1, alkalinity: 1 },
  dGH: { hardness: PPM_PER_DEGREE },
  dKH: { alkalinity: PPM_PER_DEGREE },
  meqL: { alkalinity: PPM_PER_MEQ },
  uScm: { dissolvedSolids: 1 },
  ppm: { dissolvedSolids: 1 },
} as const satisfies Record<string, Partial<Record<UnitFamily, number>>>;

/** A unit that Freshet knows. */
export type Unit = keyof typeof UNITS;

const ABSOLUTE_ZERO_C = -273.15;
const isUnit = (name: string): name is Unit => Object.hasOwn(UNITS, name);

/** The family two units share, or null when they measure different things. */
export function unitFamily(from: Unit, to: Unit): UnitFamily | null {
  const families = Object.keys(UNITS[from]) as UnitFamily[];
  return families.find((family) => Object.hasOwn(UNITS[to], family)) ?? null;
}

function toCelsius(value: number, unit: Unit): number {
  return unit === 'degF' ? (value - 32) / 1.8 : value;
}

/**
 * Converts a value between two units of one family. Not rounded. Source: docs/sources.md#units
 * @param input.value - in `from`; at or above absolute zero for temperatures, not negative for anything else
 * @param input.factorPpmPerUScm - mg/L per µS/cm at 25 °C, 0.4..1.0; needed between `uScm` and `ppm` only
 * @throws {CalculationError} unknownUnit, incompatibleUnits, missingFactor, outOfRange
 */
export function convert(input: { value: number; from: string; to: string; factorPpmPerUScm?: number | null | undefined }): {
  value: number;
} {
  const { value, from, to, factorPpmPerUScm } = input;
  for (const [field, unit] of [
    ['from', from],
    ['to', to],
  ] as const)
    if (!isUnit(unit)) throw new CalculationError('unknownUnit', field, `"${unit}" is not a unit Freshet knows.`);
  if (!isUnit(from) || !isUnit(to)) throw new CalculationError('unknownUnit', 'from', 'Unknown unit.');
  const family = unitFamily(from, to);
  if (!family) throw new CalculationError('incompatibleUnits', 'to', `${from} and ${to} measure different things.`);
  if (family === 'temperature') {
    const celsius = toCelsius(value, from);
    if (celsius < ABSOLUTE_ZERO_C - 1e-9)
      throw new CalculationError('outOfRange', 'value', 'Nothing is colder than absolute zero.');
    return { value: from === to ? value : to === 'degF' ? celsius * 1.8 + 32 : celsius };
  }
  if (value < 0) throw new CalculationError('outOfRange', 'value', 'An amount cannot be negative.');
  if (family === 'dissolvedSolids' && from !== to) {
    if (factorPpmPerUScm == null)
      throw new CalculationError('missingFactor', 'factorPpmPerUScm', 'Say how many ppm one µS/cm stands for, 0.4 to 1.0.');
    if (factorPpmPerUScm < 0.4 || factorPpmPerUScm > 1)
      throw new CalculationError('outOfRange', 'factorPpmPerUScm', 'The factor lies between 0.4 and 1.0.');
    return { value: from === 'uScm' ? value * factorPpmPerUScm : value / factorPpmPerUScm };
  }
  const size = (unit: Unit) => (UNITS[unit] as Partial<Record<UnitFamily, number>>)[family] ?? 1;
  return { value: from === to ? value : (value * size(from)) / size(to) };
}
