import { compare, rate, type Rate, type Tally } from '../evidence';
import type { EggPlan } from '../species';
import type { FungusSchool } from '../spawning';
import { totalHeads, type Cause } from '../stock';
import { middleOf, type TimeRange } from '../time';
import { survival, type SurvivalStep } from './countBrood';
import type { BroodMovement } from './describeBrood';
import type { LossSpan, OutcomeStage } from './stages';

/** A brood as it turned out. */
export interface BroodOutcome {
  broodId: string;
  name: string;
  laid: TimeRange;
  /** Heads at each point; null before it was reached or seen. */
  counts: Readonly<Record<OutcomeStage, number | null>>;
  losses: { cause: Cause; span: LossSpan; count: number }[];
  events: { day: number; deaths: number; removedAlive: number }[];
  alive: number;
  /** Whole days since it was laid or born. */
  ageDays: number;
  /** Days from swimming until half of those that were sold or given had gone; null while none did. */
  daysToSale: number | null;
  /** Animals of it whose sex came out, wherever they went. */
  males: number;
  females: number;
  eggPlan: EggPlan | null;
  fungus: FungusSchool | null;
  /** What the eggs lay in; null where it was not said. */
  container: string | null;
  /** The tank it was laid or first kept in. */
  tankCode: string | null;
  /** The mothers it may be of, with when they were born. */
  mothers: { lotId: string; label: string; bornOn: string | null; females: number }[];
  /** Means over its first weeks; null where nobody measured. */
  tempC: number | null;
  ph: number | null;
}

const DAY_MS = 86_400_000;
const ALIVE_AWAY: ReadonlySet<Cause> = new Set(['sale', 'gift', 'move', 'split', 'merge', 'cull']);

/**
 * How a brood turned out, from its movements: heads at each point of its life, what was lost when and why, and the events its survival is
 * worked out from. Those moved or sold alive are taken out, not lost; a white egg is lost as an egg.
 * @param lotIds - all lots it was ever in
 */
export function foldOutcome(
  brood: {
    id: string;
    name: string;
    laid: TimeRange;
    hatched: TimeRange | null;
    freeSwimming: TimeRange | null;
    /** Born free-swimming. */
    isBorn: boolean;
    /** Days from swimming to the first sale. */
    saleDays: number;
  },
  movements: readonly BroodMovement[],
  lotIds: ReadonlySet<string>,
  now: string,
): Pick<
  BroodOutcome,
  'broodId' | 'name' | 'laid' | 'counts' | 'losses' | 'events' | 'alive' | 'ageDays' | 'daysToSale' | 'males' | 'females'
> {
  const laidMs = Date.parse(middleOf(brood.laid));
  const at = (range: TimeRange | null) => (range ? Date.parse(range.to) : null);
  const swimming = brood.isBorn ? laidMs : at(brood.freeSwimming);
  const hatched = brood.isBorn ? laidMs : (at(brood.hatched) ?? swimming);
  const day30 = swimming === null ? null : swimming + 30 * DAY_MS;
  const sale = swimming === null ? null : swimming + brood.saleDays * DAY_MS;
  const spanOf = (ms: number): LossSpan =>
    hatched === null || ms <= hatched
      ? 'eggs'
      : swimming === null || ms <= swimming
        ? 'yolk'
        : ms <= (day30 ?? ms)
          ? 'fry'
          : 'later';
  const losses = new Map<string, { cause: Cause; span: LossSpan; count: number }>();
  const byDay = new Map<number, { deaths: number; removedAlive: number }>();
  const gone: { ms: number; count: number }[] = [];
  const sold: { ms: number; count: number }[] = [];
  let [began, infertile, alive, males, females] = [0, 0, 0, 0, 0];
  for (const movement of movements) {
    // Whom sexing turns from one sex into another neither comes nor goes.
    if (movement.cause === 'sexing') continue;
    const count = totalHeads(movement);
    const comes = movement.toLotId !== null && lotIds.has(movement.toLotId);
    const goes = movement.fromLotId !== null && lotIds.has(movement.fromLotId);
    if (comes === goes) continue;
    const sign = comes ? 1 : -1;
    alive += sign * count;
    if (movement.cause === 'birth') began += count;
    if (comes) {
      // More than booked, or put back: they were there from the beginning.
      if (movement.cause !== 'birth') began += count;
      continue;
    }
    const ms = Date.parse(middleOf(movement.at));
    const day = Math.max(0, Math.floor((ms - laidMs) / DAY_MS));
    const sum = byDay.get(day) ?? { deaths: 0, removedAlive: 0 };
    if (ALIVE_AWAY.has(movement.cause)) {
      sum.removedAlive += count;
      if (movement.cause === 'sale' || movement.cause === 'gift') sold.push({ ms, count });
      males += movement.males;
      females += movement.females;
    } else {
      sum.deaths += count;
      gone.push({ ms, count });
      if (movement.cause === 'infertile') infertile += count;
      const span = movement.cause === 'infertile' ? 'eggs' : spanOf(ms);
      const key = `${movement.cause} ${span}`;
      losses.set(key, { cause: movement.cause, span, count: (losses.get(key)?.count ?? 0) + count });
    }
    byDay.set(day, sum);
  }
  const nowMs = Date.parse(now);
  /** Of those that began, not lost until then: whoever left alive counts as alive. */
  const left = (until: number | null) =>
    until === null || until > nowMs
      ? null
      : began - gone.filter(({ ms }) => ms <= until).reduce((sum, { count }) => sum + count, 0);
  return {
    broodId: brood.id,
    name: brood.name,
    laid: brood.laid,
    counts: {
      laid: began,
      fertile: hatched === null && infertile === 0 ? null : began - infertile,
      hatched: brood.isBorn || brood.hatched || brood.freeSwimming ? left(hatched) : null,
      swimming: left(swimming),
      day30: left(day30),
      sale: left(sale),
    },
    losses: [...losses.values()].sort((a, b) => b.count - a.count),
    events: [...byDay].map(([day, { deaths, removedAlive }]) => ({ day, deaths, removedAlive })).sort((a, b) => a.day - b.day),
    alive,
    ageDays: Math.max(0, Math.floor((nowMs - laidMs) / DAY_MS)),
    daysToSale: swimming === null ? null : halfGone(sold, swimming),
    males,
    females,
  };
}

/** Days from an instant until half of some heads had gone; null where none did. */
function halfGone(gone: readonly { ms: number; count: number }[], from: number): number | null {
  const half = gone.reduce((sum, { count }) => sum + count, 0) / 2;
  let sum = 0;
  for (const { ms, count } of [...gone].sort((a, b) => a.ms - b.ms))
    if ((sum += count) >= half) return Math.max(0, Math.round((ms - from) / DAY_MS));
  return null;
}

/** A share over several clutches: the clutches differ more than eggs of one would, and the band says so. */
export interface ClutchRate extends Rate {
  clutches: number;
  /** As many eggs as the clutches are worth together. */
  tally: Tally;
}

/**
 * The share over clutches that differ among themselves: heads are weighed down by how much more the clutches scatter than chance would
 * (Pearson's dispersion of the binomial), so that one big clutch does not pass for much evidence. Source: docs/sources.md#clutch-rate
 * @param clutches - each whole, successes at most trials; those of nothing are left out
 */
export function clutchRate(clutches: readonly Tally[]): ClutchRate | null {
  const some = clutches.filter(({ trials }) => trials > 0);
  const trials = some.reduce((sum, one) => sum + one.trials, 0);
  if (trials === 0) return null;
  const successes = some.reduce((sum, one) => sum + one.successes, 0);
  const share = (successes + 0.5) / (trials + 1);
  const scatter = some.reduce(
    (sum, one) => sum + (one.successes - one.trials * share) ** 2 / (one.trials * share * (1 - share)),
    0,
  );
  // One clutch says nothing of how clutches differ: it counts as a handful of eggs.
  const dispersion = some.length > 1 ? Math.max(1, scatter / (some.length - 1)) : Math.max(1, trials / LONE_CLUTCH_EGGS);
  const tally = { successes: Math.round(successes / dispersion), trials: Math.max(1, Math.round(trials / dispersion)) };
  tally.successes = Math.min(tally.successes, tally.trials);
  return { ...rate(tally), mean: successes / trials, clutches: some.length, tally };
}
/** What a single clutch counts for. */
const LONE_CLUTCH_EGGS = 8;

/** Two points of a brood's life as a tally; null where either was not counted. */
export function tallyBetween(outcome: BroodOutcome, from: OutcomeStage, to: OutcomeStage): Tally | null {
  const [trials, successes] = [outcome.counts[from], outcome.counts[to]];
  return trials === null || successes === null ? null : { trials, successes: Math.max(0, Math.min(successes, trials)) };
}

/** A way of keeping with what it kept. */
export interface WayKept<Way> {
  way: Way;
  kept: ClutchRate;
  /** How likely it keeps more than the others together; null where there are no others. */
  likelyBetter: number | null;
}

/** The ways of keeping that were tried, best first, each against all others together. @param wayOf - null leaves a brood out */
export function compareWays<Way extends string>(
  outcomes: readonly BroodOutcome[],
  wayOf: (outcome: BroodOutcome) => Way | null,
  from: OutcomeStage,
  to: OutcomeStage,
): WayKept<Way>[] {
  const groups = new Map<Way, Tally[]>();
  for (const outcome of outcomes) {
    const way = wayOf(outcome);
    const tally = tallyBetween(outcome, from, to);
    if (way !== null && tally && tally.trials > 0) groups.set(way, [...(groups.get(way) ?? []), tally]);
  }
  return [...groups]
    .flatMap(([way, tallies]) => {
      const kept = clutchRate(tallies);
      const others = clutchRate([...groups].flatMap(([other, theirs]) => (other === way ? [] : theirs)));
      return kept ? [{ way, kept, likelyBetter: others ? compare({ a: kept.tally, b: others.tally }).probability : null }] : [];
    })
    .sort((a, b) => b.kept.mean - a.kept.mean);
}

/** How long broods of one way took until half of them were sold. */
export interface WayDays<Way> {
  way: Way;
  /** Middle brood, days from swimming. */
  days: number;
  low: number;
  high: number;
  broods: number;
}

/** Days to sale by way, the quickest first; broods of which none were sold yet say nothing. @param wayOf - null leaves a brood out */
export function daysToSaleBy<Way extends string>(
  outcomes: readonly BroodOutcome[],
  wayOf: (outcome: BroodOutcome) => Way | null,
): WayDays<Way>[] {
  const groups = new Map<Way, number[]>();
  for (const outcome of outcomes) {
    const way = wayOf(outcome);
    if (way !== null && outcome.daysToSale !== null) groups.set(way, [...(groups.get(way) ?? []), outcome.daysToSale]);
  }
  return [...groups]
    .map(([way, all]) => {
      const days = [...all].sort((a, b) => a - b);
      const [low = 0, high = 0] = [days[0], days.at(-1)];
      return { way, days: days[Math.floor((days.length - 1) / 2)] ?? 0, low, high, broods: days.length };
    })
    .sort((a, b) => a.days - b.days);
}

/** The survival of all broods of a species together, by days from laying. Those alive were watched until their age of today and no longer. */
export function poolSurvival(outcomes: readonly BroodOutcome[]): SurvivalStep[] {
  const start = outcomes.reduce((sum, { counts }) => sum + (counts.laid ?? 0), 0);
  if (start === 0) return [];
  const events = outcomes.flatMap(({ events: own, ageDays, alive }) => [...own, { day: ageDays, removedAlive: alive }]);
  return survival({ start, events }).steps;
}

/** Where most is lost: the span with the greatest share of all losses; null where nothing was lost. */
export function worstSpan(outcomes: readonly BroodOutcome[]): { span: LossSpan; share: number } | null {
  const sums = new Map<LossSpan, number>();
  for (const { losses } of outcomes) for (const { span, count } of losses) sums.set(span, (sums.get(span) ?? 0) + count);
  const all = [...sums.values()].reduce((sum, count) => sum + count, 0);
  const [worst] = [...sums].sort(([, a], [, b]) => b - a);
  return worst && all > 0 ? { span: worst[0], share: worst[1] / all } : null;
}

/** A female with what she brought. */
export interface FemaleRecord {
  lotId: string;
  label: string;
  /** Clutches of which she is the only possible mother. */
  clutches: number;
  /** A year, over the time from her first to her last clutch; null below two clutches or 60 days. */
  perYear: number | null;
  lastLaid: string;
}

const LEAST_SPAN_DAYS = 60;
const YEAR_DAYS = 365.25;

/** Clutches by female: only those that can be of no other. */
export function clutchesByFemale(outcomes: readonly BroodOutcome[]): FemaleRecord[] {
  const byFemale = new Map<string, { label: string; laid: string[] }>();
  for (const { mothers, laid } of outcomes) {
    const [mother] = mothers;
    if (!mother || mothers.length > 1 || mother.females > 1) continue;
    const known = byFemale.get(mother.lotId) ?? { label: mother.label, laid: [] };
    known.laid.push(middleOf(laid));
    byFemale.set(mother.lotId, known);
  }
  return [...byFemale]
    .map(([lotId, { label, laid }]) => {
      laid.sort();
      const [first = '', last = ''] = [laid[0], laid.at(-1)];
      const days = (Date.parse(last) - Date.parse(first)) / DAY_MS;
      return {
        lotId,
        label,
        clutches: laid.length,
        perYear: laid.length > 1 && days >= LEAST_SPAN_DAYS ? ((laid.length - 1) / days) * YEAR_DAYS : null,
        lastLaid: last,
      };
    })
    .sort((a, b) => b.clutches - a.clutches);
}

/** Clutch sizes against the mother's age, days, where she is the only one and her birth is known. */
export function sizeByAge(outcomes: readonly BroodOutcome[]): { broodId: string; name: string; ageDays: number; size: number }[] {
  return outcomes
    .flatMap(({ mothers, laid, counts, broodId, name }) => {
      const [mother] = mothers;
      if (!mother?.bornOn || mothers.length > 1 || counts.laid === null) return [];
      const ageDays = Math.round((Date.parse(middleOf(laid)) - Date.parse(mother.bornOn)) / DAY_MS);
      // Several females of one age lay together: a share each.
      return ageDays > 0 ? [{ broodId, name, ageDays, size: counts.laid / Math.max(1, mother.females) }] : [];
    })
    .sort((a, b) => a.ageDays - b.ageDays);
}

/** Too few of a brood sexed say nothing of its ratio. */
export const SEXED_LEAST = 5;

/** The house's own broods as points of a sex-ratio curve: share of males against the surroundings of their first weeks. */
export function sexRatioPoints(
  outcomes: readonly BroodOutcome[],
  by: 'ph' | 'tempC',
): { broodId: string; name: string; value: number; males: number; females: number }[] {
  return outcomes
    .flatMap(({ broodId, name, males, females, ...surroundings }) => {
      const value = surroundings[by];
      return value === null || males + females < SEXED_LEAST ? [] : [{ broodId, name, value, males, females }];
    })
    .sort((a, b) => a.value - b.value);
}
