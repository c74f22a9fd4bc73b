import type { BroodRecord, ReadBrood } from '../broods';
import { normalBelow } from '../numerics';
import { growthCurve, LENGTH_SPREAD, middle, type Figures } from '../species';
import { addDays, middleOf, type Day } from '../time';
import { ageAt, fit, lengthAt, readyOn, type Curve, type GrowthCurve } from './growth';
import { tryCompute } from '../errors';

const DAY_MS = 86_400_000;

/** A sample of lengths at an age in days of feeding. */
export interface AgedSample {
  ageDays: number;
  meanMm: number;
  smallestTenthMm: number;
  spread: number;
  count: number;
}

/** A curve the brood may be on, and how likely that is; all together 1. */
interface Candidate {
  grown: GrowthCurve;
  weight: number;
}

/** How a brood grows, by its species' figures and what was measured of it. */
export interface BroodGrowth {
  curve: Curve;
  /** Days of feeding now. */
  ageDays: number;
  samples: readonly AgedSample[];
  /** The curve in the middle of the likely ones. */
  middle: GrowthCurve;
  candidates: readonly Candidate[];
  /** Standard deviation over mean of lengths at one age. */
  cv: number;
}

type Grows = Pick<Figures, 'fryMm' | 'adultMm' | 'saleMm' | 'saleDays' | 'maturityMm'>;

/** Half a range of 90 % in standard deviations. */
const Z90 = 1.645;
const within = (value: number, [low, high]: readonly [number, number]) => Math.min(high, Math.max(low, value));
/** What the species' ranges say of how broods differ: logarithms, 90 % of them lie within. */
const spreadOf = ([low, high]: readonly [number, number], bounds: readonly [number, number]) =>
  within(Math.log(high / low) / (2 * Z90), bounds);
const PACE_BOUNDS = [0.15, 0.5] as const;
const FINAL_BOUNDS = [0.04, 0.25] as const;
/** A brood's own spread of lengths is drawn towards the usual one as if so many had been measured. */
const USUAL_COUNT = 8;
/** How far a steady curve is off a brood's mean even if all were measured: weather, food, water. */
const OFF = 0.034;
/** A sample counts for less the older it is beside the newest: so much more off each week. */
const OFF_A_WEEK = 0.01;
const K_STEPS = 61;
const K_REACH = 4;
const L_STEPS = 9;
const L_REACH = 2.2;
/** Curves less likely than this beside the likeliest are left out. */
const LEAST_WEIGHT = 1e-4;

/** How fast a species gets to its sale size on a curve. */
function usualCurve(figures: Grows, curve: Curve): GrowthCurve {
  const { start: l0Mm, limit: lInfMm, ratePerDay } = growthCurve(figures);
  if (curve === 'gompertz') return { curve, lInfMm, l0Mm, kPerDay: ratePerDay };
  const sale = lengthAt({ curve: 'gompertz', lInfMm, l0Mm, kPerDay: ratePerDay }, middle(figures.saleDays));
  return { curve, lInfMm, l0Mm, kPerDay: Math.log((lInfMm - l0Mm) / (lInfMm - sale)) / Math.max(1, middle(figures.saleDays)) };
}

/** The spread of a brood's lengths, its own samples drawn towards the usual one. */
function pooledSpread(samples: readonly AgedSample[]): number {
  const told = samples.filter(({ count }) => count > 1);
  const sum = told.reduce((all, { count, spread }) => all + (count - 1) * spread ** 2, USUAL_COUNT * LENGTH_SPREAD ** 2);
  return Math.sqrt(sum / told.reduce((all, { count }) => all + count - 1, USUAL_COUNT));
}

/**
 * How a brood grows: every curve with a pace and a final length that its species' ranges allow, weighed by how well it meets the
 * lengths that were measured (Bayes on a grid). Source: docs/sources.md#brood-growth
 * @param samples - oldest first; none leaves the species' figures alone
 */
export function growBrood(
  figures: Grows,
  samples: readonly AgedSample[],
  ageDays: number,
  curve: Curve = 'gompertz',
): BroodGrowth {
  const usual = usualCurve(figures, curve);
  const cv = pooledSpread(samples);
  const newest = Math.max(0, ...samples.map((sample) => sample.ageDays));
  const [kSd, lSd] = [spreadOf(figures.saleDays, PACE_BOUNDS), spreadOf(figures.adultMm, FINAL_BOUNDS)];
  const candidates: Candidate[] = [];
  for (let i = 0; i < K_STEPS; i++)
    for (let j = 0; j < L_STEPS; j++) {
      const kOff = (2 * K_REACH * i) / (K_STEPS - 1) - K_REACH;
      const lOff = (2 * L_REACH * j) / (L_STEPS - 1) - L_REACH;
      const lInfMm = Math.max(usual.l0Mm * 1.1, usual.lInfMm * Math.exp(lOff * lSd));
      const grown = { ...usual, lInfMm, kPerDay: usual.kPerDay * Math.exp(kOff * kSd) };
      let log = -(kOff ** 2 + lOff ** 2) / 2;
      for (const sample of samples) {
        const mm = lengthAt(grown, sample.ageDays);
        const off = OFF + (OFF_A_WEEK * (newest - sample.ageDays)) / 7;
        log -= (sample.meanMm - mm) ** 2 / (2 * mm ** 2 * (cv ** 2 / sample.count + off ** 2));
      }
      candidates.push({ grown, weight: log });
    }
  const best = Math.max(...candidates.map(({ weight }) => weight));
  const weighed = candidates
    .map(({ grown, weight }) => ({ grown, weight: Math.exp(weight - best) }))
    .filter(({ weight }) => weight > LEAST_WEIGHT);
  const sum = weighed.reduce((all, { weight }) => all + weight, 0);
  const likely = weighed.map(({ grown, weight }) => ({ grown, weight: weight / sum }));
  const mean = (of: (grown: GrowthCurve) => number) =>
    Math.exp(likely.reduce((all, { grown, weight }) => all + weight * Math.log(of(grown)), 0));
  return {
    curve,
    ageDays,
    samples,
    candidates: likely,
    cv,
    middle: { ...usual, kPerDay: mean(({ kPerDay }) => kPerDay), lInfMm: mean(({ lInfMm }) => lInfMm) },
  };
}

/** How far the best curve alone is off the means, mm: `growth.fit` with the species' final length as prior. Null where none fits. */
export function fitOff({ samples, curve }: Pick<BroodGrowth, 'samples' | 'curve'>, figures: Grows): number | null {
  const { lInfMm, l0Mm } = usualCurve(figures, curve);
  const points = samples.map(({ ageDays, meanMm, count }) => ({ ageDays, lengthMm: meanMm, n: count }));
  const prior = { mean: lInfMm, sd: lInfMm * spreadOf(figures.adultMm, FINAL_BOUNDS) };
  const found = tryCompute(() => fit({ curve, points, l0Mm, lInfPrior: prior }));
  return found.ok ? found.value.rmseMm : null;
}

/** Low, middle and high of values that are weighed; null stands for beyond all. */
export interface Likely<Value> {
  low: Value;
  mid: Value;
  high: Value;
}

/** The 5th, 50th and 95th of a hundred of weighed values; infinite ones are told as null. */
function likelyOf(values: readonly { value: number; weight: number }[]): Likely<number | null> {
  const sorted = [...values].sort((a, b) => a.value - b.value);
  const at = (share: number) => {
    let sum = 0;
    for (const { value, weight } of sorted) if ((sum += weight) >= share) return Number.isFinite(value) ? value : null;
    return sorted.at(-1)?.value ?? null;
  };
  return { low: at(0.05), mid: at(0.5), high: at(0.95) };
}

/** Bands that were worked out, by a brood's curves and the age: every list asks for the same ones. */
const BANDS = new WeakMap<BroodGrowth['candidates'], Map<number, Likely<number>>>();

/** Mean length at an age with its band, mm. */
export function lengthBand(growth: BroodGrowth, ageDays: number): Likely<number> {
  const known = BANDS.get(growth.candidates) ?? new Map<number, Likely<number>>();
  BANDS.set(growth.candidates, known);
  const found = known.get(ageDays) ?? bandAt(growth, ageDays);
  known.set(ageDays, found);
  return found;
}

function bandAt({ candidates }: BroodGrowth, ageDays: number): Likely<number> {
  const { low, mid, high } = likelyOf(candidates.map(({ grown, weight }) => ({ value: lengthAt(grown, ageDays), weight })));
  return { low: low ?? 0, mid: mid ?? 0, high: high ?? 0 };
}

/** A share of a brood and when it is of a length, with the band of that day. Null where it never is. */
export interface ShareReady {
  share: number;
  days: Likely<number | null>;
}

/** Shares that dates are told for. */
export const SHARES = [0.1, 0.5, 0.9] as const;

/** Where on a curve a brood is: a hair below its end, which nothing reaches. */
const lengthNow = (grown: GrowthCurve, ageDays: number): number => Math.min(lengthAt(grown, ageDays), grown.lInfMm * (1 - 1e-9));

/** In how many days shares of a brood have reached a length, with 90 % bands; 0 when they have. Source: docs/sources.md#brood-growth */
export function readyShares({ candidates, cv, ageDays }: BroodGrowth, lengthMm: number): ShareReady[] {
  const each = candidates.map(({ grown, weight }) => {
    return {
      weight,
      days: readyOn({ ...grown, lengthMm: lengthNow(grown, ageDays), cv, saleMm: lengthMm, shares: SHARES }).days,
    };
  });
  return SHARES.map((share, i) => ({
    share,
    days: likelyOf(each.map(({ days, weight }) => ({ value: days[i] ?? Infinity, weight }))),
  }));
}

/** Share of young that is at least so long, by their mean and their spread. */
export const shareOfLength = (meanMm: number, cv: number, lengthMm: number): number =>
  1 - normalBelow((lengthMm / meanMm - 1) / cv);

/** Share of a brood that is at least so long now. */
export const shareOver = ({ middle: grown, cv, ageDays }: BroodGrowth, lengthMm: number): number =>
  shareOfLength(lengthAt(grown, ageDays), cv, lengthMm);

/** Days by which the brood is ahead of its species' usual curve at its length; null beyond the curve's end. */
export function daysAhead(growth: BroodGrowth, figures: Grows): number | null {
  const age = ageAt(usualCurve(figures, growth.curve), lengthAt(growth.middle, growth.ageDays));
  return age === null ? null : age - growth.ageDays;
}

/** How likely a brood grows slower than is usual for its species. */
export const likelySlower = (growth: BroodGrowth, figures: Grows): number => {
  const usual = lengthAt(usualCurve(figures, growth.curve), growth.ageDays);
  return growth.candidates.reduce((sum, { grown, weight }) => sum + (lengthAt(grown, growth.ageDays) < usual ? weight : 0), 0);
};

/** The species' usual length at an age, mm. */
export const usualMm = (figures: Grows, curve: Curve, ageDays: number): number => lengthAt(usualCurve(figures, curve), ageDays);

/** In how many days a share is so long, by the curve in the middle alone: for what is asked of every brood of a walk. */
export function likelyDays({ middle: grown, cv, ageDays }: BroodGrowth, lengthMm: number, share: number): number | null {
  return readyOn({ ...grown, lengthMm: lengthNow(grown, ageDays), cv, saleMm: lengthMm, shares: [share] }).days[0] ?? null;
}

/** What was worked out of a brood as it is in the snapshot, with the figures it rests on; its age goes on, its curves do not. */
/** Curves of broods that were never measured, by their species' figures: they are all alike. */
const unmeasured = new Map<string, BroodGrowth>();
const kept = new WeakMap<BroodRecord, { rests: string; growth: BroodGrowth }>();

/** How a brood of the house grows; null before it feeds. */
export function growthOf({ state: { feedingDays }, brood, species: { figures, start } }: ReadBrood): BroodGrowth | null {
  if (feedingDays === null) return null;
  const rests = [figures.fryMm, figures.adultMm, figures.saleMm, figures.saleDays].join();
  const found = kept.get(brood);
  if (found?.rests === rests) return { ...found.growth, ageDays: feedingDays };
  const swam = start === 'born' ? brood.laid : brood.freeSwimming;
  const samples = (swam ? (brood.samples ?? []) : []).map(({ at, ...sample }) => ({
    ...sample,
    ageDays: Math.max(0, (Date.parse(at) - Date.parse(middleOf(swam ?? brood.laid))) / DAY_MS),
  }));
  const known = samples.length === 0 ? unmeasured.get(rests) : undefined;
  const growth = known ? { ...known, ageDays: feedingDays } : growBrood(figures, samples, feedingDays);
  if (samples.length === 0) unmeasured.set(rests, growth);
  kept.set(brood, { rests, growth });
  return growth;
}

/** A day in so many days from today, rounded up; null stays null. */
export const dayIn = (days: number | null, today: Day): Day | null => (days === null ? null : addDays(today, Math.ceil(days)));
