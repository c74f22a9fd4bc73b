import { daysBetween, houseDay, type Day } from '../time';
import { kindOf, type CultureKind } from './cultureKinds';
import { usualRate, type Culture, type CultureState } from './cultures';

/** A value with the band that holds it nine times in ten. */
export interface Banded {
  mean: number;
  low90: number;
  high90: number;
}

/** What the looks at one culture have taught of it. */
export interface LearnedCulture {
  /** Growth of a thin one, per day. */
  ratePerDay: Banded;
  doublingDays: Banded;
  /** How full it is today, 1 is full. */
  fullness: Banded;
  /** What it gives for good, ml a day as it is given. */
  sustainableMlPerDay: Banded;
  /** Share to take at each harvest, and how often. */
  share: number;
  everyDays: number;
  /** What may be taken today without setting it back, ml. */
  mayTakeMl: number;
  /** Days from today until the next harvest of that size; 0 when it is there. */
  nextInDays: number;
  /** Looks that it rests on. */
  looks: number;
}

/** How full a vessel is at each density, 0 nothing to 4 full. */
const FULL_AT = [0, 0.08, 0.27, 0.55, 0.9] as const;
/** A torch and an eye are about this far off, in steps of density. */
const EYE_SD = 0.6;
/** A count of one drop, as a factor's logarithm: drops differ, and what is full is a guess. */
const COUNT_LOG_SD = 0.5;
/** How far the state follows a look; days are not all alike. */
const LOOK_GAIN = 0.35;
const CRASH_STEPS = 1.6;
const LEAST_LOG = -3.5;
const RATES = 33;
const STARTS = 25;

/** The density that a fullness looks like, 0..4, between the steps. */
export function densityOf(fullness: number): number {
  const above = FULL_AT.findIndex((full) => full > fullness);
  if (above < 0) return 4;
  const [low, high] = [FULL_AT[above - 1] ?? 0, FULL_AT[above] ?? 1];
  return above - 1 + (fullness - low) / (high - low);
}

/** What a density of 0..4 says of how full it is, 0..1. */
export const fullnessOf = (density: number): number => {
  // Never quite nothing, never quite full: from either it could not go on.
  const step = Math.min(3, Math.max(0, Math.floor(density)));
  const [low, high] = [FULL_AT[step] ?? 0, FULL_AT[step + 1] ?? 1];
  return low + (density - step) * (high - low);
};

/**
 * The best rhythm of a culture that grows at a rate: the share taken every so many days, and what that gives, as full vessels a day.
 * The share 1 - e^(-r d/2) gives most for good; one that may not be taken at once is capped. Source: docs/sources.md#culture-learned
 */
export function bestHarvest(ratePerDay: number, everyDays: number, mostShare: number) {
  const grown = Math.exp(ratePerDay * everyDays);
  const share = Math.min(mostShare, 1 - 1 / Math.sqrt(grown));
  const after = Math.max(0, ((1 - share) * grown - 1) / (grown - 1));
  const before = after / (1 - share);
  return { share, fullBefore: before, fullAfter: after, perDay: (share * before) / everyDays };
}

/** One step of a culture's records: so many days on, then what was seen or taken. */
interface Step {
  days: number;
  /** What was taken, as a share of a full vessel. */
  taken: number;
  density: number | null;
  counted: number | null;
}

const normalLog = (value: number, sd: number) => -(value * value) / (2 * sd * sd);

/** Records in order, as days between them; a harvest that nobody measured is taken as half of what may be taken at once. */
function stepsOf(culture: Culture, kind: CultureKind, vesselMl: number, today: Day, timeZone: string): Step[] {
  const from = culture.renewedAt ?? culture.startedAt;
  const seen = [
    ...(culture.looks ?? []).map((look) => ({ at: look.at, look, ml: null })),
    ...(culture.harvests ?? []).map(({ at, ml }) => ({ at, look: null, ml })),
  ]
    .filter(({ at }) => at >= from)
    .sort((a, b) => (a.at < b.at ? -1 : 1));
  let last = Date.parse(from);
  const steps = seen.map(({ at, look, ml }): Step => {
    const days = Math.max(0, (Date.parse(at) - last) / 86_400_000);
    last = Date.parse(at);
    const taken = look ? 0 : ml === null ? kind.mostShare / 2 : ml / vesselMl;
    return {
      days,
      taken: Math.min(0.95, taken),
      density: look?.density ?? null,
      counted: look?.perMl != null && kind.fullPerMl !== null ? look.perMl / kind.fullPerMl : null,
    };
  });
  const rest = daysBetween(houseDay(new Date(last).toISOString(), timeZone), today);
  return [...steps, { days: Math.max(0, rest), taken: 0, density: null, counted: null }];
}

/** Logistic growth of a vessel's fullness, 0..1, over days. @param rate - per day */
export const grow = (full: number, rate: number, days: number): number => {
  if (days <= 0 || full <= 0) return full;
  const grown = Math.exp(rate * days);
  return (full * grown) / (1 + full * (grown - 1));
};

/** Probability of each value, and its mean and 90 % band. */
function banded(values: readonly { value: number; weight: number }[]): Banded {
  const sorted = [...values].sort((a, b) => a.value - b.value);
  const total = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let sum = 0;
  let [low, high] = [sorted[0]?.value ?? 0, sorted.at(-1)?.value ?? 0];
  let [hasLow, hasHigh] = [false, false];
  let mean = 0;
  for (const { value, weight } of sorted) {
    mean += (value * weight) / total;
    sum += weight / total;
    if (!hasLow && sum >= 0.05) [low, hasLow] = [value, true];
    if (!hasHigh && sum >= 0.95) [high, hasHigh] = [value, true];
  }
  return { mean, low90: low, high90: high };
}

/**
 * What a culture's own records say of its growth: a grid over rate and start, logistic growth between the records, the book's doubling
 * time as prior, the eye's error on the density steps. Source: docs/sources.md#culture-learned
 */
export function learnCulture(culture: Culture, state: CultureState, today: Day, timeZone: string): LearnedCulture {
  // Chores, alarms, pouring and tide all ask for it: worked out once for a culture as it is.
  const known = LEARNED.get(culture);
  if (known?.today === today && known.tempC === state.tempC) return known.learned;
  const learned = learn(culture, state, today, timeZone);
  LEARNED.set(culture, { today, tempC: state.tempC, learned });
  return learned;
}
const LEARNED = new WeakMap<Culture, { today: Day; tempC: number; learned: LearnedCulture }>();

function learn(culture: Culture, state: CultureState, today: Day, timeZone: string): LearnedCulture {
  const kind = kindOf(culture);
  const vesselL = culture.vesselL ?? kind.vesselL;
  const fullMl = vesselL * kind.fullMlPerL;
  const prior = usualRate(culture, state.tempC);
  const steps = stepsOf(culture, kind, fullMl, today, timeZone);
  const isWater = kind.fullMlPerL === 1000;
  const points: { rate: number; full: number; weight: number }[] = [];
  let best = -Infinity;
  for (let i = 0; i < RATES; i++) {
    const off = ((i / (RATES - 1)) * 2 - 1) * 2.6 * prior.logSd;
    const rate = prior.perDay * Math.exp(off);
    for (let k = 0; k < STARTS; k++) {
      const startOff = ((k / (STARTS - 1)) * 2 - 1) * 2.5;
      const begun = culture.renewedAt ? 0.15 : 0.04;
      let full = Math.min(0.9, begun * Math.exp(startOff));
      let log = normalLog(off, prior.logSd) + normalLog(startOff, 1);
      for (const { days, taken, density, counted } of steps) {
        full = grow(full, rate, days);
        if (density !== null) {
          const expected = densityOf(full);
          const off = density - expected;
          // A look far from what growth can explain is a crash or a flush: what is seen stands, and growth is judged from there on.
          log += Math.max(normalLog(off, EYE_SD), LEAST_LOG);
          full = fullnessOf(Math.abs(off) > CRASH_STEPS ? density : expected + LOOK_GAIN * off);
        }
        if (counted !== null) log += normalLog(Math.log(Math.max(1e-3, counted) / Math.max(1e-3, full)), COUNT_LOG_SD);
        // Water takes its share of the animals with it; worms are lifted out by themselves.
        full = isWater ? full * (1 - taken) : Math.max(0.02, full - taken);
      }
      best = Math.max(best, log);
      points.push({ rate, full, weight: log });
    }
  }
  for (const point of points) point.weight = Math.exp(point.weight - best);
  const of = (value: (point: { rate: number; full: number }) => number) =>
    banded(points.map((point) => ({ value: value(point), weight: point.weight })));
  const everyDays = kind.harvestEveryDays;
  const ratePerDay = of(({ rate }) => rate);
  const fullness = of(({ full }) => full);
  const rhythm = bestHarvest(ratePerDay.mean, everyDays, kind.mostShare);
  const floor = kind.colony ? Math.max(rhythm.fullAfter, FULL_AT[2]) : rhythm.fullAfter;
  const share = fullness.mean <= floor ? 0 : Math.min(kind.mostShare, 1 - floor / fullness.mean);
  const wanted = Math.max(rhythm.fullBefore, kind.colony ? floor * 1.2 : 0);
  let nextInDays = 0;
  for (let full = fullness.mean; full < wanted * 0.95 && nextInDays < 120; nextInDays++) full = grow(full, ratePerDay.mean, 1);
  const looks = (culture.looks ?? []).filter(({ density, perMl }) => density !== null || perMl !== null).length;
  return {
    ratePerDay,
    doublingDays: of(({ rate }) => Math.LN2 / rate),
    fullness,
    sustainableMlPerDay: of(({ rate }) => bestHarvest(rate, everyDays, kind.mostShare).perDay * fullMl),
    share: rhythm.share,
    everyDays,
    // Of water so much is poured; of worms so much of what is there is lifted out.
    mayTakeMl: share * fullMl * (isWater ? 1 : fullness.mean),
    nextInDays,
    looks,
  };
}
