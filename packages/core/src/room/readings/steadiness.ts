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

/** Whether a day's swing is more than who lives there stands. */
export const isUnsteady = (quantity: SwingQuantity, { day }: Steadiness, hasYoung: boolean): boolean =>
  day !== null && day > SWING_LIMITS[quantity][hasYoung ? 'young' : 'grown'] + 1e-9;
