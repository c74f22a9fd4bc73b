import { METHOD_TEMPLATES, type Figures, type Method } from '../../species';

/** What breeders of a method are held to; starting points that a species or the keeper may change. */
export interface BreederLimits {
  /** Least age and length, and the age beyond which they are due for replacement. */
  minDays: number;
  maxDays: number;
  minMm: number;
  /** Least score, 1 to 5. */
  minScore: number;
  /** Days from one spawning to the next: females refill, males rest. */
  femaleRestDays: number;
  maleRestDays: number;
  /** Females to one male, lowest and highest. */
  femalesPerMale: readonly [number, number];
  /** Most animals to a hundred litres, and to a square metre of floor. */
  perHundredL: number;
  perM2: number;
  /** Hiding places for each animal; 0 where none are needed. */
  sheltersEach: number;
  /** Months it spawns in, 1 to 12; null for all the year. */
  months: readonly number[] | null;
}

/** The months of some spans, each with both ends; a span may go over the year's end. */
const monthsOf = (spans: readonly (readonly [number, number])[]): number[] =>
  spans.flatMap(([from, to]) => Array.from({ length: ((to - from + 12) % 12) + 1 }, (_, i) => ((from + i - 1) % 12) + 1));

/**
 * Limits for breeders of a species, from its method and its own figures. Source: docs/sources.md#condition
 * @param own - the keeper's own figures; they win
 */
export function breederLimits(
  method: Method,
  figures: Pick<Figures, 'maturityDays' | 'maturityMm'>,
  own: { [Key in keyof BreederLimits]?: BreederLimits[Key] | undefined } = {},
): BreederLimits {
  const { breeders, spawnsIn } = METHOD_TEMPLATES[method];
  const { lives, ...rest } = breeders;
  return {
    ...rest,
    months: spawnsIn.length > 0 ? monthsOf(spawnsIn) : null,
    minDays: figures.maturityDays[0],
    maxDays: figures.maturityDays[1] * lives,
    minMm: figures.maturityMm[0],
    minScore: 4,
    ...Object.fromEntries(Object.entries(own).filter(([, value]) => value !== undefined)),
  };
}
