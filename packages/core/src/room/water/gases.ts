import { CalculationError } from '../../errors';

/** The poisonous share of ammonia. Source: docs/sources.md#ammonia @param input.salinityPpt - 0 by default @returns both as nitrogen */
export function freeAmmonia(input: {
  totalAmmoniaNPpm: number;
  tempC: number;
  ph: number;
  salinityPpt?: number | null | undefined;
}): { fraction: number; freeAmmoniaNPpm: number } {
  const salinity = input.salinityPpt ?? 0;
  const ionic = (19.9273 * salinity) / (1000 - 1.005109 * salinity);
  const pKa = 0.09018 + 2729.92 / (input.tempC + 273.2) + 0.116 * ionic;
  const fraction = 1 / (1 + 10 ** (pKa - input.ph));
  return { fraction, freeAmmoniaNPpm: fraction * input.totalAmmoniaNPpm };
}

/** Oxygen in water in balance with the air, mg/L. Source: docs/sources.md#oxygen @throws {CalculationError} conflictingInput */
export function oxygenSaturation(input: {
  tempC: number;
  altitudeM?: number | null | undefined;
  pressureHpa?: number | null | undefined;
  salinityPpt?: number | null | undefined;
}): { mgPerL: number; pressureHpa: number } {
  const { tempC, altitudeM, pressureHpa: given } = input;
  if (altitudeM != null && given != null)
    throw new CalculationError('conflictingInput', 'pressureHpa', 'Give the altitude or the pressure, not both.');
  const pressureHpa = given ?? (altitudeM == null ? 1013.25 : 1013.25 * (1 - 2.25577e-5 * altitudeM) ** 5.25588);
  const kelvin = tempC + 273.15;
  const salinity = input.salinityPpt ?? 0;
  const fresh = -139.34411 + 1.575701e5 / kelvin - 6.642308e7 / kelvin ** 2 + 1.2438e10 / kelvin ** 3 - 8.621949e11 / kelvin ** 4;
  const oxygen = Math.exp(fresh - salinity * (0.017674 - 10.754 / kelvin + 2140.7 / kelvin ** 2));
  const atmospheres = pressureHpa / 1013.25;
  const theta = 0.000975 - 1.426e-5 * tempC + 6.436e-8 * tempC ** 2;
  const vapour = Math.exp(11.8571 - 3840.7 / kelvin - 216_961 / kelvin ** 2);
  return { mgPerL: (oxygen * (atmospheres - vapour) * (1 - theta * atmospheres)) / ((1 - vapour) * (1 - theta)), pressureHpa };
}
