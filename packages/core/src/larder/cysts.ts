/** Nauplii from a weight of brine shrimp cysts: grams × nauplii per gram if every cyst hatched × share that hatches. Source: docs/sources.md#cysts */
export function hatch(input: { cystsG: number; naupliiPerG: number; hatchFraction: number }): { nauplii: number } {
  return { nauplii: input.cystsG * input.naupliiPerG * input.hatchFraction };
}

/**
 * Cysts to set up for a brood. Source: docs/sources.md#cysts
 * @param input.days - 1 by default
 * @param input.hatchFraction - above 0, at most 1
 */
export function cystsFor(input: {
  fry: number;
  naupliiPerFryPerMeal: number;
  mealsPerDay: number;
  days?: number | null | undefined;
  naupliiPerG: number;
  hatchFraction: number;
}): { naupliiPerDay: number; gramsPerDay: number; gramsTotal: number } {
  const naupliiPerDay = input.fry * input.naupliiPerFryPerMeal * input.mealsPerDay;
  const gramsPerDay = naupliiPerDay / (input.naupliiPerG * input.hatchFraction);
  return { naupliiPerDay, gramsPerDay, gramsTotal: gramsPerDay * (input.days ?? 1) };
}
