import { CalculationError } from '../errors';
import { leastSquares, normalQuantile } from '../numerics';

/** Curves by which young grow. */
export const CURVES = ['gompertz', 'vonBertalanffy'] as const;
export type Curve = (typeof CURVES)[number];

/** A curve with its figures: length at no age, final length, and how fast it gets there. */
export interface GrowthCurve {
  curve: Curve;
  lInfMm: number;
  kPerDay: number;
  l0Mm: number;
}

/** Length at an age, mm. */
export function lengthAt({ curve, lInfMm, kPerDay, l0Mm }: GrowthCurve, ageDays: number): number {
  const left = Math.exp(-kPerDay * ageDays);
  return curve === 'gompertz' ? lInfMm * (l0Mm / lInfMm) ** left : lInfMm - (lInfMm - l0Mm) * left;
}

/** Age at a length, days: 0 up to the first length, null from the final length on. */
export function ageAt({ curve, lInfMm, kPerDay, l0Mm }: GrowthCurve, lengthMm: number): number | null {
  if (lengthMm <= l0Mm) return 0;
  if (lengthMm >= lInfMm) return null;
  const left =
    curve === 'gompertz' ? Math.log(lengthMm / lInfMm) / Math.log(l0Mm / lInfMm) : (lInfMm - lengthMm) / (lInfMm - l0Mm);
  return -Math.log(left) / kPerDay;
}

/** A mean length of so many at an age. */
export interface LengthPoint {
  ageDays: number;
  lengthMm: number;
  n?: number | null | undefined;
}

const isCurve = (curve: string): curve is Curve => (CURVES as readonly string[]).includes(curve);
const mustBeCurve = (curve: string): Curve => {
  if (!isCurve(curve)) throw new CalculationError('unknownCurve', 'curve', `There is no curve "${curve}".`);
  return curve;
};
/** A final length beyond so many times the longest fish is none: the data do not bend. */
const MOST_TIMES = 10;

/**
 * The curve that fits lengths best, with what is known of the final length as a prior. Source: docs/sources.md#growth-fit
 * @param input.l0Mm - fixed first length; fitted when absent
 * @throws CalculationError `unknownCurve`, `notEnoughData`, `noFit` - the lengths do not bend
 */
export function fit(input: {
  curve: string;
  points: readonly LengthPoint[];
  l0Mm?: number | null | undefined;
  lInfPrior?: { mean: number; sd: number } | null | undefined;
  agesDays?: readonly number[] | null | undefined;
  targetLengthMm?: number | null | undefined;
}): { lInfMm: number; kPerDay: number; l0Mm: number; rmseMm: number; lengthsMm: number[]; ageAtTargetDays: number | null } {
  const curve = mustBeCurve(input.curve);
  const { points, lInfPrior } = input;
  const fixed = input.l0Mm ?? null;
  const ages = new Set(points.map(({ ageDays }) => ageDays).filter((age) => fixed === null || age > 0));
  if (ages.size + (lInfPrior ? 1 : 0) < (fixed === null ? 3 : 2))
    throw new CalculationError('notEnoughData', 'points', 'More ages are wanted than the curve has figures.');
  const longest = Math.max(...points.map(({ lengthMm }) => lengthMm));
  const shortest = Math.min(...points.map(({ lengthMm }) => lengthMm));
  const span = Math.max(1, ...points.map(({ ageDays }) => ageDays));
  const toCurve = ([lInf = 0, k = 0, l0 = 0]: readonly number[]): GrowthCurve => ({
    curve,
    lInfMm: Math.exp(lInf),
    kPerDay: Math.exp(k),
    l0Mm: fixed ?? Math.exp(l0),
  });
  const residuals = (parameters: readonly number[]): number[] => {
    const grown = toCurve(parameters);
    const off = points.map(({ ageDays, lengthMm, n }) => Math.sqrt(n ?? 1) * (lengthMm - lengthAt(grown, ageDays)));
    return lInfPrior ? [...off, (grown.lInfMm - lInfPrior.mean) / lInfPrior.sd] : off;
  };
  let best: { parameters: number[]; sum: number } | null = null;
  for (const times of [1.2, 2, 4])
    for (const speed of [1, 3, 0.4])
      for (const first of fixed === null ? [0.8, 0.4] : [0.8]) {
        const start = [
          Math.log(times * longest),
          Math.log(speed / span),
          ...(fixed === null ? [Math.log(first * shortest)] : []),
        ];
        const found = leastSquares(residuals, start);
        if (Number.isFinite(found.sum) && (!best || found.sum < best.sum)) best = found;
      }
  const grown = best && toCurve(best.parameters);
  if (!grown || !(grown.lInfMm <= MOST_TIMES * longest) || !(grown.l0Mm < grown.lInfMm))
    throw new CalculationError('noFit', 'points', 'The lengths do not bend towards a final one yet.');
  const all = points.reduce((sum, { n }) => sum + (n ?? 1), 0);
  const off = points.reduce((sum, { ageDays, lengthMm, n }) => sum + (n ?? 1) * (lengthMm - lengthAt(grown, ageDays)) ** 2, 0);
  const target = input.targetLengthMm ?? null;
  const { lInfMm, kPerDay, l0Mm } = grown;
  return {
    lInfMm,
    kPerDay,
    l0Mm,
    rmseMm: Math.sqrt(off / all),
    lengthsMm: (input.agesDays ?? []).map((age) => lengthAt(grown, age)),
    ageAtTargetDays: target === null ? null : ageAt(grown, target),
  };
}

interface Brood {
  curve: string;
  lInfMm: number;
  kPerDay: number;
  l0Mm: number;
  lengthMm: number;
}

/** The curve of a brood and its age on it by its length. */
function onCurve({ curve, lInfMm, kPerDay, l0Mm, lengthMm }: Brood): { grown: GrowthCurve; age: number } {
  const grown = { curve: mustBeCurve(curve), lInfMm, kPerDay, l0Mm };
  if (l0Mm >= lInfMm) throw new CalculationError('outOfRange', 'l0Mm', 'The first length lies below the final one.');
  const age = ageAt(grown, lengthMm);
  if (age === null) throw new CalculationError('beyondCurve', 'lengthMm', 'They are as long as the curve ends, or longer.');
  return { grown, age };
}

/**
 * In how many days each share of a brood has reached the size of sale: lengths at one time are normal with one coefficient of
 * variation. Null where it never does. Source: docs/sources.md#ready-on
 * @throws CalculationError `unknownCurve`, `outOfRange`, `beyondCurve`
 */
export function readyOn(input: Brood & { cv: number; saleMm: number; shares: readonly number[] }): { days: (number | null)[] } {
  const { grown, age } = onCurve(input);
  return {
    days: input.shares.map((share) => {
      const factor = 1 - input.cv * normalQuantile(share);
      const wanted = factor > 0 ? ageAt(grown, input.saleMm / factor) : null;
      return wanted === null ? null : Math.max(0, wanted - age);
    }),
  };
}

const LAST_DAY = 3650;
const STEP = 0.25;
const SLACK = 1e-9;

/**
 * When a brood outgrows its tank: the first day on which its length or weight a litre reaches the limit; 0 when it does now, null when
 * it never does. Source: docs/sources.md#crowded-on
 * @param input.weight - g from mm as a L^b; wanted by a limit in grams
 * @throws CalculationError `unknownCurve`, `outOfRange`, `beyondCurve`, `missingWeight`
 */
export function crowdedOn(
  input: Brood & {
    count: number;
    dailySurvival: number;
    litres: number;
    limit: { kind: 'mmPerLitre' | 'gPerLitre'; value: number };
    weight?: { a: number; b: number } | null | undefined;
  },
): { loadNow: number; days: number | null } {
  const { grown, age } = onCurve(input);
  const { count, dailySurvival, litres, limit, weight } = input;
  if (limit.kind === 'gPerLitre' && !weight)
    throw new CalculationError('missingWeight', 'weight', 'A limit in grams wants the weight of a length.');
  const size = (mm: number) => (limit.kind === 'gPerLitre' && weight ? weight.a * mm ** weight.b : mm);
  const load = (days: number) => (count * dailySurvival ** days * size(lengthAt(grown, age + days))) / litres;
  const isFull = (days: number) => load(days) >= limit.value * (1 - SLACK);
  const loadNow = load(0);
  if (isFull(0)) return { loadNow, days: 0 };
  for (let day = STEP; day <= LAST_DAY; day += STEP) {
    if (!isFull(day)) continue;
    let [low, high] = [day - STEP, day];
    while (high - low > 1e-8) {
      const middle = (low + high) / 2;
      if (isFull(middle)) high = middle;
      else low = middle;
    }
    return { loadNow, days: high };
  }
  return { loadNow, days: null };
}
