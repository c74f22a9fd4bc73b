/** A value with how low and high it went around that time; equal for a single reading. */
export interface SwingPoint {
  at: string;
  low: number;
  high: number;
}

/** How far a value swung over the last day and week; null where fewer than two values tell. */
export interface Steadiness {
  day: number | null;
  week: number | null;
}

const DAY_MS = 86_400_000;
/** Most that grown animals stand without harm, and young that cannot stand swings, over a day. Starting points. */
export const SWING_LIMITS = { tempC: { grown: 3, young: 1.5 }, tdsPpm: { grown: 60, young: 30 } } as const;
export type SwingQuantity = keyof typeof SWING_LIMITS;

/** The swing of a value: highest less lowest within the last day and the last seven. @param points - in any order @param now - instant */
export function steadiness(points: readonly SwingPoint[], now: string): Steadiness {
  const swing = (days: number): number | null => {
    const from = Date.parse(now) - days * DAY_MS;
    const within = points.filter(({ at }) => Date.parse(at) >= from && Date.parse(at) <= Date.parse(now));
    if (within.length < 2) return null;
    return Math.max(...within.map(({ high }) => high)) - Math.min(...within.map(({ low }) => low));
  };
  return { day: swing(1), week: swing(7) };
}

/**
 * The most a value may swing in a day for who lives there.
 * @param nightDropC - how far the tank is cooled at night on purpose, K: that much comes on top, for temperature only
 */
export const swingLimit = (quantity: SwingQuantity, hasYoung: boolean, nightDropC = 0): number =>
  SWING_LIMITS[quantity][hasYoung ? 'young' : 'grown'] + (quantity === 'tempC' ? nightDropC : 0);

/** Whether a day's swing is more than who lives there stands. */
export const isUnsteady = (quantity: SwingQuantity, { day }: Steadiness, hasYoung: boolean, nightDropC = 0): boolean =>
  day !== null && day > swingLimit(quantity, hasYoung, nightDropC) + 1e-9;
