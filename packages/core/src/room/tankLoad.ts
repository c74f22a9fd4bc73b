import { CalculationError } from '../errors';

/** A glass box by its outer measures; water is measured from the inner floor. */
export interface TankDimensions {
  lengthCm: number;
  widthCm: number;
  heightCm: number;
  waterHeightCm: number;
  glassMm?: number | null | undefined;
  substrateKg?: number | null | undefined;
  displacementLitres?: number | null | undefined;
}

/** Volumes in litres, masses in kg, floor area in m². */
export interface TankLoad {
  grossLitres: number;
  waterLitres: number;
  glassMm: number;
  glassKg: number;
  totalKg: number;
  footprintM2: number;
  kgPerM2: number;
}

const GLASS_KG_PER_M3 = 2500;
const SLACK = 1e-9;

/** Glass thickness taken when none is given, by outer height: a common ladder that errs on the heavy side. */
function usualGlassMm(heightCm: number): number {
  if (heightCm <= 40) return 6;
  if (heightCm <= 50) return 8;
  return heightCm <= 60 ? 10 : 12;
}

function outside(field: string, message: string): never {
  throw new CalculationError('outOfRange', field, message);
}

/**
 * Volume, weight and floor load of a five-pane glass tank without lid. Not rounded. Source: docs/sources.md#tank-load
 * Water is 1 kg/L; rocks and wood belong into `substrateKg`. Not for bow fronts or braced tanks.
 * @param tank - sides 1..1000 cm, glass 2..50 mm, water from 0 to the rim
 * @throws {CalculationError} outOfRange
 */
export function tankLoad(tank: TankDimensions): TankLoad {
  const { lengthCm, widthCm, heightCm, waterHeightCm } = tank;
  for (const field of ['lengthCm', 'widthCm', 'heightCm'] as const)
    if (!(tank[field] >= 1 && tank[field] <= 1000)) outside(field, 'A side of a tank is 1 to 1000 cm.');
  const glassMm = tank.glassMm ?? usualGlassMm(heightCm);
  if (!(glassMm >= 2 && glassMm <= 50)) outside('glassMm', 'Glass is 2 to 50 mm thick.');
  const substrateKg = tank.substrateKg ?? 0;
  const displacementLitres = tank.displacementLitres ?? 0;
  if (!(substrateKg >= 0)) outside('substrateKg', 'A weight cannot be negative.');
  if (!(displacementLitres >= 0)) outside('displacementLitres', 'A volume cannot be negative.');
  const glass = glassMm / 10;
  const [innerLength, innerWidth, innerHeight] = [lengthCm - 2 * glass, widthCm - 2 * glass, heightCm - glass];
  if (!(innerLength > 0 && innerWidth > 0 && innerHeight > 0)) outside('glassMm', 'No room is left between the panes.');
  if (!(waterHeightCm >= 0 && waterHeightCm <= innerHeight + SLACK))
    outside('waterHeightCm', `The water would stand above the rim: at most ${innerHeight.toFixed(1)} cm inside.`);
  const waterLitres = (innerLength * innerWidth * waterHeightCm) / 1000 - displacementLitres;
  if (waterLitres < -SLACK) outside('displacementLitres', 'More is displaced than there is water.');
  const glassCm3 = lengthCm * widthCm * glass + 2 * lengthCm * innerHeight * glass + 2 * innerWidth * innerHeight * glass;
  const glassKg = (glassCm3 * GLASS_KG_PER_M3) / 1e6;
  const totalKg = glassKg + waterLitres + substrateKg;
  const footprintM2 = (lengthCm * widthCm) / 10_000;
  const grossLitres = (innerLength * innerWidth * innerHeight) / 1000;
  return { grossLitres, waterLitres, glassMm, glassKg, totalKg, footprintM2, kgPerM2: totalKg / footprintM2 };
}
