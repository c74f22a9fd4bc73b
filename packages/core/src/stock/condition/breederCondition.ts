import type { Figures, Method } from '../../species';
import type { ConditionSign } from './conditionSigns';

const FISH: readonly ConditionSign[] = ['girth', 'soft', 'colour', 'appetite', 'display'];
const TUBES: readonly ConditionSign[] = ['girth', 'tubes', 'colour', 'appetite', 'display'];
const CRUSTACEAN: readonly ConditionSign[] = ['ripePatch', 'colour', 'appetite'];

/** The signs that tell something for a breeding method. */
export const SIGNS_OF: Record<Method, readonly ConditionSign[]> = {
  eggScatterer: FISH,
  continuousSpawner: FISH,
  adhesivePlacer: FISH,
  substrateGuarder: TUBES,
  caveMaleGuards: ['girth', 'soft', 'tubercles', 'appetite', 'display'],
  caveGuarder: TUBES,
  rockGuarder: TUBES,
  shellDweller: TUBES,
  bubbleNester: ['girth', 'tubes', 'colour', 'appetite', 'display'],
  mouthbrooder: TUBES,
  livebearer: ['girth', 'ripePatch', 'colour', 'appetite'],
  annualPeat: FISH,
  pondGroup: ['girth', 'soft', 'tubercles', 'appetite'],
  shrimpDirect: CRUSTACEAN,
  shrimpLarval: CRUSTACEAN,
  crayfish: CRUSTACEAN,
  broodingScud: CRUSTACEAN,
};

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

type Habits = Pick<
  BreederLimits,
  'femaleRestDays' | 'maleRestDays' | 'femalesPerMale' | 'perHundredL' | 'perM2' | 'sheltersEach'
> & {
  /** Useful life in multiples of the age at maturity. */
  lives: number;
};

const habits = (
  femaleRestDays: number,
  maleRestDays: number,
  femalesPerMale: readonly [number, number],
  perHundredL: number,
  perM2: number,
  sheltersEach: number,
  lives: number,
): Habits => ({ femaleRestDays, maleRestDays, femalesPerMale, perHundredL, perM2, sheltersEach, lives });

const HABITS: Record<Method, Habits> = {
  eggScatterer: habits(14, 7, [0.5, 2], 40, 120, 0, 4),
  continuousSpawner: habits(1, 1, [1, 3], 30, 100, 0, 4),
  adhesivePlacer: habits(10, 5, [0.5, 2], 30, 100, 0, 4),
  substrateGuarder: habits(14, 14, [1, 1], 4, 12, 0, 5),
  caveMaleGuards: habits(21, 14, [1, 3], 6, 15, 1, 5),
  caveGuarder: habits(28, 21, [1, 3], 6, 15, 1, 4),
  rockGuarder: habits(28, 21, [1, 2], 6, 16, 1, 5),
  shellDweller: habits(21, 14, [1, 4], 20, 50, 1, 5),
  bubbleNester: habits(14, 14, [1, 2], 6, 20, 0, 3),
  mouthbrooder: habits(28, 7, [2, 5], 10, 25, 0, 4),
  livebearer: habits(28, 1, [2, 4], 30, 90, 0, 4),
  annualPeat: habits(1, 1, [1, 3], 25, 60, 0, 3),
  pondGroup: habits(21, 14, [0.3, 1], 3, 6, 0, 6),
  shrimpDirect: habits(28, 1, [1, 4], 200, 400, 0, 3),
  shrimpLarval: habits(35, 1, [1, 3], 60, 150, 0, 5),
  crayfish: habits(60, 7, [1, 3], 60, 100, 1, 3),
  broodingScud: habits(10, 1, [0.5, 3], 1000, 4000, 0, 3),
};

/** Pond spawners at this latitude wait for spring. */
const POND_MONTHS = [3, 4, 5, 6, 7];

/**
 * Limits for breeders of a species, from its method and its own figures. Source: docs/sources.md#condition
 * @param own - the keeper's own figures; they win
 */
export function breederLimits(
  method: Method,
  figures: Pick<Figures, 'maturityDays' | 'maturityMm'>,
  own: { [Key in keyof BreederLimits]?: BreederLimits[Key] | undefined } = {},
): BreederLimits {
  const { lives, ...rest } = HABITS[method];
  return {
    ...rest,
    months: method === 'pondGroup' ? POND_MONTHS : null,
    minDays: figures.maturityDays[0],
    maxDays: figures.maturityDays[1] * lives,
    minMm: figures.maturityMm[0],
    minScore: 4,
    ...Object.fromEntries(Object.entries(own).filter(([, value]) => value !== undefined)),
  };
}
