/** How the surroundings of the first weeks shift the sex of the young. */
export interface SexShift {
  by: 'ph' | 'tempC';
  /** Value and share of males there, rising values; rough middle of what was published. */
  points: readonly (readonly [number, number])[];
  evidence: string;
}

const SHIFTS: Readonly<Record<string, SexShift>> = {
  kribensis: {
    by: 'ph',
    points: [
      [5, 0.85],
      [6, 0.65],
      [7, 0.4],
      [8, 0.15],
    ],
    evidence: 'One laboratory’s broods, raised at different pH from hatching to 30 days; broods scatter widely.',
  },
  'zebra-danio': {
    by: 'tempC',
    points: [
      [24, 0.45],
      [28, 0.5],
      [32, 0.7],
      [36, 0.9],
    ],
    evidence: 'Laboratory families raised warm for the first weeks; families differ, and 36 °C also kills.',
  },
  'ranchu-goldfish': {
    by: 'tempC',
    points: [
      [20, 0.5],
      [25, 0.6],
      [30, 0.8],
    ],
    evidence: 'Laboratory broods of all-female parentage and others; not measured in fancy lines.',
  },
};

/** The shift of a species; null where none is known. */
export function findSexShift(speciesKey: string): SexShift | null {
  return SHIFTS[speciesKey] ?? null;
}

/**
 * Share of males to expect at a value, straight between the points and level beyond them. Source: docs/sources.md#sex-shift
 * @returns 0..1
 */
export function expectedMaleShare({ points }: SexShift, value: number): number {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return 0.5;
  if (value <= first[0]) return first[1];
  for (const [i, [x, share]] of points.entries()) {
    const before = points[i - 1];
    if (before && value <= x) return before[1] + ((value - before[0]) / (x - before[0])) * (share - before[1]);
  }
  return last[1];
}
