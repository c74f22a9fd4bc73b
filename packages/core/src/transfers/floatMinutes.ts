/** Heat goes through the wall of a floating litre with this time constant; larger bags are slower by the cube root. */
const LITRE_MINUTES = 19;
const NEAR_ENOUGH_C = 0.5;
const LEAST_MINUTES = 15;

/**
 * Minutes a bag floats until its water is within half a degree of the tank: Newton's law with about 100 W/m2K through the wall,
 * 60 % of it wet, for a bag of `bagLitres`. An estimate; a thermometer in the bag decides. Source: docs/sources.md#float
 * @param bagLitres - > 0
 */
export function floatMinutes(bagLitres: number, bagTempC: number, tankTempC: number): number {
  const apart = Math.abs(bagTempC - tankTempC);
  if (apart <= NEAR_ENOUGH_C) return 0;
  return Math.max(LEAST_MINUTES, LITRE_MINUTES * Math.cbrt(bagLitres) * Math.log(apart / NEAR_ENOUGH_C));
}
