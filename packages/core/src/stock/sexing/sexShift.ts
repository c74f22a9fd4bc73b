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

/** A brood of the house: what its first weeks were like, and the sexes that came of it. */
export interface SexedBrood {
  value: number;
  males: number;
  females: number;
}

/** The published share at a point counts as much as this many animals. */
export const SHIFT_WEIGHT = 20;
/** Own broods needed before a curve is drawn where nothing is published. */
const LEAST_BROODS = 4;
const LEAST_RANGE = { ph: 0.5, tempC: 2 } as const;

/**
 * The curve of a species as the house's own broods have shown it: each brood is counted at the nearest published point, which itself
 * counts as twenty animals. Where nothing is published the broods make points of their own, in thirds, once four of them differ
 * enough in their surroundings. Source: docs/sources.md#sex-shift
 * @returns null where nothing is published and too few broods tell
 */
export function learnSexShift(
  shift: SexShift | null,
  by: SexShift['by'],
  broods: readonly SexedBrood[],
): (SexShift & { broods: number; animals: number }) | null {
  const own = broods.filter(({ males, females }) => males + females > 0);
  const animals = own.reduce((sum, { males, females }) => sum + males + females, 0);
  const meanShare = (some: readonly SexedBrood[], start: number, weight: number) =>
    (start * weight + some.reduce((sum, { males }) => sum + males, 0)) /
    (weight + some.reduce((sum, { males, females }) => sum + males + females, 0));
  if (shift) {
    const nearest = (value: number) =>
      shift.points.reduce(
        (best, [x], i) => (Math.abs(x - value) < Math.abs((shift.points[best]?.[0] ?? x) - value) ? i : best),
        0,
      );
    const points = shift.points.map(
      ([x, share], i) =>
        [
          x,
          meanShare(
            own.filter(({ value }) => nearest(value) === i),
            share,
            SHIFT_WEIGHT,
          ),
        ] as const,
    );
    return { ...shift, points, broods: own.length, animals };
  }
  const sorted = [...own].sort((a, b) => a.value - b.value);
  const range = (sorted.at(-1)?.value ?? 0) - (sorted[0]?.value ?? 0);
  if (sorted.length < LEAST_BROODS || range < LEAST_RANGE[by]) return null;
  const size = Math.ceil(sorted.length / 3);
  const thirds = [sorted.slice(0, size), sorted.slice(size, 2 * size), sorted.slice(2 * size)].filter(
    (third) => third.length > 0,
  );
  return {
    by,
    points: thirds.map(
      (third) => [third.reduce((sum, { value }) => sum + value, 0) / third.length, meanShare(third, 0.5, 2)] as const,
    ),
    evidence: 'By this house’s own broods alone.',
    broods: own.length,
    animals,
  };
}
