import { formatNumber } from '../../units';

/** A tank as far as its place on a shelf asks; cm and kg. */
export interface StandingTank {
  id: string;
  code: string;
  lengthCm: number;
  widthCm: number;
  heightCm: number;
  facing: 'long' | 'short';
  leftCm: number;
  totalKg: number;
}
export interface ShelfSpace {
  lengthCm: number;
  depthCm: number;
  heightCm: number;
  loadLimitKg: number | null;
}
export type PlaceField = 'leftCm' | 'lengthCm' | 'widthCm' | 'heightCm' | 'waterHeightCm';
/** Whether a tank may stand there; what stands in the way is refused with the figure, and `hard` clashes cannot be overridden. */
export type PlaceDecision = { ok: true } | { ok: false; field: PlaceField; hard: boolean; message: string };

/** Side to the front and side to the wall, cm. */
export function footprint(tank: Pick<StandingTank, 'facing' | 'lengthCm' | 'widthCm'>): { frontCm: number; sideCm: number } {
  return tank.facing === 'long'
    ? { frontCm: tank.lengthCm, sideCm: tank.widthCm }
    : { frontCm: tank.widthCm, sideCm: tank.lengthCm };
}

/** Left edge behind the last tank of a shelf, with a centimetre between. */
export function endOfShelf(neighbours: readonly StandingTank[]): number {
  return neighbours.reduce((right, tank) => Math.max(right, tank.leftCm + footprint(tank).frontCm + 1), 0);
}

/**
 * Whether a tank can stand on a shelf at its left edge: no other tank there, within length, depth and height, within the load.
 * @param neighbours - the other tanks of the shelf
 */
export function decidePlace(tank: StandingTank, shelf: ShelfSpace, neighbours: readonly StandingTank[]): PlaceDecision {
  const { frontCm, sideCm } = footprint(tank);
  const refuse = (field: PlaceField, message: string, hard = false): PlaceDecision => ({ ok: false, field, hard, message });
  const cm = (value: number) => `${formatNumber(value, 3)} cm`;
  if (tank.leftCm < -1e-9) return refuse('leftCm', 'It would stick out past the left end of the shelf.', true);
  const clash = neighbours.find((other) => {
    const right = other.leftCm + footprint(other).frontCm;
    return tank.leftCm < right - 1e-9 && other.leftCm < tank.leftCm + frontCm - 1e-9;
  });
  if (clash) return refuse('leftCm', `${clash.code} stands there already.`, true);
  if (tank.leftCm + frontCm > shelf.lengthCm + 1e-9)
    return refuse('lengthCm', `It would reach to ${cm(tank.leftCm + frontCm)}; the shelf is ${cm(shelf.lengthCm)} long.`);
  if (sideCm > shelf.depthCm + 1e-9) return refuse('widthCm', `It is ${cm(sideCm)} deep; the shelf is ${cm(shelf.depthCm)}.`);
  if (tank.heightCm > shelf.heightCm + 1e-9)
    return refuse('heightCm', `It is ${cm(tank.heightCm)} high; there are ${cm(shelf.heightCm)} above the shelf.`);
  const load = neighbours.reduce((sum, other) => sum + other.totalKg, tank.totalKg);
  if (shelf.loadLimitKg !== null && load > shelf.loadLimitKg + 1e-9)
    return refuse(
      'waterHeightCm',
      `The shelf would carry ${formatNumber(load, 3)} kg; its limit is ${formatNumber(shelf.loadLimitKg, 3)} kg.`,
    );
  return { ok: true };
}
