/** What a heated tank loses, and what the current costs. */
export interface Heating {
  lossWPerK: number;
  meanAirC: number;
  targetC: number;
  days: number;
  pricePerKwh: number;
}

/**
 * What a fish cost: what was spent on it, the days of its tanks, and the heat they lost. Lights and pumps that warm the water lower
 * the heat. Source: docs/sources.md#cost-per-fish
 * @returns `perFish` is null when none is ready
 */
export function costPerFish({
  costs,
  tankDays,
  tankDayRate,
  heating,
  fishReady,
}: {
  costs: readonly { kind: string; amount: number }[];
  tankDays: number;
  tankDayRate: number;
  heating?: Heating | null | undefined;
  fishReady: number;
}): {
  directCost: number;
  tankCost: number;
  heatingKwh: number;
  heatingCost: number;
  total: number;
  perFish: number | null;
} {
  const directCost = costs.reduce((sum, { amount }) => sum + amount, 0);
  const tankCost = tankDays * tankDayRate;
  const heatingKwh = heating
    ? (heating.lossWPerK * Math.max(0, heating.targetC - heating.meanAirC) * 24 * heating.days) / 1000
    : 0;
  const heatingCost = heatingKwh * (heating?.pricePerKwh ?? 0);
  const total = directCost + tankCost + heatingCost;
  return { directCost, tankCost, heatingKwh, heatingCost, total, perFish: fishReady === 0 ? null : total / fishReady };
}

/** What a shelf earns for the room it takes, a litre and week. Source: docs/sources.md#shelf */
export function shelf({
  tanks,
  income,
  costs,
}: {
  tanks: readonly { litres: number; days: number }[];
  income: readonly { amount: number }[];
  costs: readonly { amount: number }[];
}): { litreWeeks: number; net: number; perLitreWeek: number | null } {
  const sum = (entries: readonly { amount: number }[]) => entries.reduce((all, { amount }) => all + amount, 0);
  const litreWeeks = tanks.reduce((all, { litres, days }) => all + (litres * days) / 7, 0);
  const net = sum(income) - sum(costs);
  return { litreWeeks, net, perLitreWeek: litreWeeks === 0 ? null : net / litreWeeks };
}
