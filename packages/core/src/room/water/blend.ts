import { CalculationError } from '../../errors';
import { alkalinityOf, carbonate, closedPh, co2At, inorganicCarbon, openPh } from './carbonate';

const CO2_G_PER_MOL = 44.0095;
const TDS_PER_KH = 30;

/** A water to be mixed; temperatures in °C, hardness in German degrees. */
export interface WaterPart {
  litres: number;
  tempC: number;
  ghDeg: number;
  khDeg: number;
  tdsPpm: number;
  ph: number;
  nitratePpm?: number | null | undefined;
}

/** A mixture; `phClosed` before any gas is exchanged, `phAired` in balance with the air. */
export interface Blend {
  litres: number;
  tempC: number;
  ghDeg: number;
  khDeg: number;
  tdsPpm: number;
  nitratePpm: number | null;
  phClosed: number;
  phAired: number;
}

/**
 * Mixes waters: mass balance for what is conserved, alkalinity and inorganic carbon for pH, which cannot be averaged.
 * Carbonate is taken as the only buffer: tannins and phosphate change it. Source: docs/sources.md#blend
 * @throws {CalculationError} emptyParts, outOfRange
 */
export function blend(input: {
  parts: readonly WaterPart[];
  airCo2Ppmv?: number | null | undefined;
  co2ExcessFactor?: number | null | undefined;
}): Blend {
  const { parts } = input;
  if (parts.length === 0) throw new CalculationError('emptyParts', 'parts', 'Give at least one water.');
  const litres = parts.reduce((sum, part) => sum + part.litres, 0);
  if (!(litres > 0)) throw new CalculationError('outOfRange', 'parts', 'Together they must be more than nothing.');
  const mean = (valueOf: (part: WaterPart) => number) =>
    parts.reduce((sum, part) => sum + part.litres * valueOf(part), 0) / litres;
  const carbon = mean((part) => {
    const system = carbonate(part.tempC, part.tdsPpm);
    return inorganicCarbon(system, Math.max(0, co2At(system, alkalinityOf(part.khDeg), part.ph)), part.ph);
  });
  const [tempC, khDeg, tdsPpm] = [mean((part) => part.tempC), mean((part) => part.khDeg), mean((part) => part.tdsPpm)];
  const system = carbonate(tempC, tdsPpm);
  const airCo2 = system.kH * (input.airCo2Ppmv ?? 420) * 1e-6 * (input.co2ExcessFactor ?? 1);
  const known = parts.every((part) => part.nitratePpm != null);
  return {
    litres,
    tempC,
    ghDeg: mean((part) => part.ghDeg),
    khDeg,
    tdsPpm,
    nitratePpm: known ? mean((part) => part.nitratePpm ?? 0) : null,
    phClosed: closedPh(system, alkalinityOf(khDeg), carbon),
    phAired: openPh(system, alkalinityOf(khDeg), airCo2),
  };
}

/** pH of a water with a known amount of carbon dioxide. Source: docs/sources.md#carbonate @param input.tdsPpm - 30 ppm per degree KH by default */
export function phFromCarbonate(input: { khDeg: number; tempC: number; co2MgPerL: number; tdsPpm?: number | null | undefined }): {
  ph: number;
} {
  const system = carbonate(input.tempC, input.tdsPpm ?? TDS_PER_KH * input.khDeg);
  return { ph: openPh(system, alkalinityOf(input.khDeg), input.co2MgPerL / 1000 / CO2_G_PER_MOL) };
}

/** Carbon dioxide in a water of known KH and pH. Source: docs/sources.md#carbonate @throws {CalculationError} inconsistentPhKh */
export function co2FromPh(input: { khDeg: number; tempC: number; ph: number; tdsPpm?: number | null | undefined }): {
  co2MgPerL: number;
} {
  const system = carbonate(input.tempC, input.tdsPpm ?? TDS_PER_KH * input.khDeg);
  const co2 = co2At(system, alkalinityOf(input.khDeg), input.ph);
  if (!(co2 > 0))
    throw new CalculationError(
      'inconsistentPhKh',
      'ph',
      'This alkalinity cannot carry that pH: measure both again, or something else buffers it.',
    );
  return { co2MgPerL: co2 * CO2_G_PER_MOL * 1000 };
}
