import type { EggKeeping, PeatBag } from './keeping';
import { developmentWindows, type StageWindow, type TemperatureReading } from '../spawning';
import {
  expectedAgeDays,
  expectedLengthMm,
  foodsOn,
  middle,
  smallestTenthMm,
  type Food,
  type FoodSpan,
  type ResolvedSpecies,
  type StageDuration,
} from '../species';
import { totalHeads, type Movement } from '../stock';
import { daysBetween, houseDay, instantOf, middleOf, plusDays, type Instant, type TimeRange } from '../time';

/** Stages of life, each with its colour and pattern on screen. */
export const LIFE_STAGES = ['eggs', 'yolk', 'fry', 'growing', 'ready'] as const;
export type LifeStage = (typeof LIFE_STAGES)[number];

/** A headcount movement of one brood, with when it happened. */
export interface BroodMovement extends Movement {
  at: TimeRange;
}

/** Lengths of a brood measured within a week. */
export interface LengthSample {
  at: Instant;
  meanMm: number;
  smallestTenthMm: number;
  /** Standard deviation over mean; 0 for one. */
  spread: number;
  count: number;
}

/** What has been logged of one brood. */
export interface BroodFacts {
  laid: TimeRange;
  hatched: TimeRange | null;
  freeSwimming: TimeRange | null;
  /** When they were taken from the mother that carried them; absent while she holds them. */
  stripped?: TimeRange | null;
  /** When their peat was wetted; absent while they rest. */
  wetted?: TimeRange | null;
  eggsSeenAt: Instant | null;
  /** Living headcount over all its lots; eggs count. */
  alive: number;
  /** The newest sample of its lengths, of all its lots together; absent where nobody measured. */
  measured?: { at: Instant; meanMm: number; smallestTenthMm: number; count: number } | null;
  /** All samples of its lengths, those of a week together, oldest first; absent where nobody measured. */
  samples?: readonly LengthSample[];
  /** How its eggs are kept since that was changed; absent while the recipe holds. */
  keeping?: EggKeeping | null;
  /** The bag of peat its eggs lie in; absent where nobody bagged them. */
  peat?: PeatBag | null;
}

/** A brood by name, with what has been logged of it. */
export interface BroodRecord extends BroodFacts {
  id: string;
  name: string;
  speciesKey: string;
  attemptId: string | null;
}

/** Where a brood stands now and what comes next. */
export interface BroodState {
  stage: LifeStage;
  windows: StageWindow[];
  /** Nobody logged a stage for two weeks after its window: nothing further is expected until somebody says what became of them. */
  isForgotten: boolean;
  next: StageWindow | null;
  /** Whole days since it was laid or born, by the middle of an uncertain date. */
  ageDays: number;
  /** Days since first feeding; null before. */
  feedingDays: number | null;
  /** Mean length, mm: as measured and grown on by the curve since, or by the curve alone; null before first feeding. */
  lengthMm: number | null;
  /** Days by which they are ahead of the species' curve, by their measured lengths; 0 where nobody measured. */
  aheadDays: number;
  /** The smallest tenth are shorter than this; the ladder of foods goes by them. */
  smallestMm: number | null;
  /** The main food of today. */
  food: Food | null;
  /** What goes on or begins beside it. */
  beside: readonly FoodSpan[];
  ready: { from: Instant; to: Instant } | null;
}

const DAY_MS = 86_400_000;
const GROWING_FROM_MM = 10;

/** So long after its window a stage that nobody logged is no longer waited for. */
const FORGOTTEN_DAYS = 14;

/** Eggs in peat hatch within hours to two days of their wetting, however long they rested. */
const WETTED_DAYS = [0.1, 2] as const;

/**
 * From when eggs develop: from laying, or those in peat from their wetting, also from one that is planned for today or later. Null while
 * they rest: nothing is expected of them then.
 */
function developsFrom(facts: BroodFacts, species: ResolvedSpecies, now: Instant, timeZone: string): TimeRange | null {
  if (!species.eggsRest || facts.hatched || facts.freeSwimming) return facts.laid;
  if (facts.wetted) return facts.wetted;
  if (!facts.peat || facts.peat.wetOn < houseDay(now, timeZone)) return null;
  const planned = instantOf(facts.peat.wetOn, '12:00', timeZone);
  return { from: planned, to: planned };
}

/**
 * Stage, windows, expected length, food and sale window of a brood. A stage changes only when it was seen, except that feeding
 * young grow by the species' expected curve; a sample of their lengths goes before it and is grown on from its day. Source: docs/sources.md#growth
 */
export function describeBrood(
  facts: BroodFacts,
  species: ResolvedSpecies,
  readings: readonly TemperatureReading[],
  now: Instant,
  timeZone: string,
): BroodState {
  const { figures } = species;
  const assumedTempC = middle(figures.tempC);
  const from = developsFrom(facts, species, now, timeZone);
  const rested = species.eggsRest && from !== null && figures.hatch !== null;
  const expected =
    from === null
      ? []
      : developmentWindows({
          figures: rested ? { ...figures, hatch: { ...figures.hatch, days: WETTED_DAYS } as StageDuration } : figures,
          start: species.start,
          hatchBroods: rested ? undefined : species.hatchBroods,
          swimBroods: species.swimBroods,
          ...facts,
          laid: from,
          readings,
          assumedTempC,
          now,
          timeZone,
        });
  const overdue = expected.findIndex(({ status }) => status === 'overdue');
  const passed = expected[overdue]?.latest ?? null;
  const isForgotten = passed !== null && daysBetween(houseDay(passed, timeZone), houseDay(now, timeZone)) > FORGOTTEN_DAYS;
  const windows = isForgotten ? expected.slice(0, overdue + 1) : expected;
  const feed = windows.find((window) => window.stage === 'firstFeed') ?? null;
  const swimming = species.start === 'born' ? facts.laid : facts.freeSwimming;
  const next = windows.find((window) => window.status !== 'observed') ?? null;
  const ageDays = daysBetween(houseDay(middleOf(facts.laid), timeZone), houseDay(now, timeZone));
  const ready =
    feed?.earliest && feed.latest
      ? { from: plusDays(feed.earliest, figures.saleDays[0]), to: plusDays(feed.latest, figures.saleDays[1]) }
      : null;
  if (!swimming)
    return {
      stage: facts.hatched ? 'yolk' : 'eggs',
      windows,
      isForgotten,
      next,
      ageDays,
      feedingDays: null,
      lengthMm: null,
      aheadDays: 0,
      smallestMm: null,
      food: null,
      beside: [],
      ready,
    };
  const feedingDays = Math.max(0, (Date.parse(now) - Date.parse(middleOf(swimming))) / DAY_MS);
  const measured = facts.measured ?? null;
  // A telephone's clock may run a little before the server's.
  const sinceDays = measured ? Math.max(0, (Date.parse(now) - Date.parse(measured.at)) / DAY_MS) : 0;
  const ageMeasured = measured ? expectedAgeDays(figures, measured.meanMm) : null;
  const aheadDays = ageMeasured === null ? 0 : ageMeasured + sinceDays - feedingDays;
  const grown = feedingDays + aheadDays;
  // Longer than the curve ever gets: as measured.
  const lengthMm = measured && ageMeasured === null ? measured.meanMm : expectedLengthMm(figures, grown);
  const sellable = lengthMm >= figures.saleMm[0] && (measured !== null || feedingDays >= figures.saleDays[0]);
  const stage = sellable ? 'ready' : lengthMm >= growingMm(figures) ? 'growing' : 'fry';
  const { main: food, beside } = foodsOn(figures, Math.max(0, Math.floor(grown)));
  const smallestMm = measured ? lengthMm * (measured.smallestTenthMm / measured.meanMm) : smallestTenthMm(lengthMm);
  const shifted = ready && { from: plusDays(ready.from, -aheadDays), to: plusDays(ready.to, -aheadDays) };
  return {
    stage,
    windows,
    isForgotten,
    next,
    ageDays,
    feedingDays,
    lengthMm,
    aheadDays,
    smallestMm,
    food,
    beside,
    ready: shifted,
  };
}

/** What stands of a brood whose dates cannot be worked out: what was seen, and nothing that is expected. */
export const undescribedBrood = (facts: BroodFacts, now: Instant, timeZone: string): BroodState => ({
  stage: facts.freeSwimming ? 'fry' : facts.hatched ? 'yolk' : 'eggs',
  windows: [],
  isForgotten: false,
  next: null,
  ageDays: daysBetween(houseDay(middleOf(facts.laid), timeZone), houseDay(now, timeZone)),
  feedingDays: null,
  lengthMm: null,
  aheadDays: 0,
  smallestMm: null,
  food: null,
  beside: [],
  ready: null,
});

/** Where a stage of life began, or is expected to. */
export interface StageSpan {
  stage: LifeStage;
  from: Instant;
  predicted: boolean;
}

const growingMm = (figures: ResolvedSpecies['figures']) => Math.max(GROWING_FROM_MM, figures.fryMm[1] * 1.5);

/** The days since first feeding from which a brood can be sold: old enough and long enough; null when never long enough. */
function sellableFromDays(figures: ResolvedSpecies['figures']): number | null {
  const age = expectedAgeDays(figures, figures.saleMm[0]);
  return age === null ? null : Math.max(age, figures.saleDays[0]);
}

/** The stages of a brood in order, each from the middle of what was seen or is expected. */
export function stageSpans(facts: BroodFacts, species: ResolvedSpecies, state: BroodState, now: Instant): StageSpan[] {
  const { figures, start } = species;
  const spans: StageSpan[] = [];
  const add = (stage: LifeStage, from: Instant | null, observed: boolean) => {
    const last = spans.at(-1);
    if (from && (!last || from > last.from)) spans.push({ stage, from, predicted: !observed || from > now });
  };
  const expected = (stage: StageWindow['stage']): Instant | null => {
    const window = state.windows.find((candidate) => candidate.stage === stage);
    if (!window?.earliest) return null;
    const at = middleOf({ from: window.earliest, to: window.latest ?? window.earliest });
    return window.status === 'observed' ? at : at < now ? now : at;
  };
  if (start !== 'born') {
    add('eggs', middleOf(facts.laid), true);
    if (start === 'laid')
      add(
        'yolk',
        facts.hatched ? middleOf(facts.hatched) : facts.freeSwimming ? null : expected('hatch'),
        facts.hatched !== null,
      );
  }
  const swimming =
    start === 'born' ? middleOf(facts.laid) : facts.freeSwimming ? middleOf(facts.freeSwimming) : expected('firstFeed');
  const swims = start === 'born' || facts.freeSwimming !== null;
  add('fry', swimming, swims);
  if (!swimming) return spans;
  const grown = expectedAgeDays(figures, growingMm(figures));
  const sellable = facts.measured ? expectedAgeDays(figures, figures.saleMm[0]) : sellableFromDays(figures);
  // Up to the day they were measured they grew evenly to what was measured then; from there on by the curve.
  const ageMeasured = facts.measured ? expectedAgeDays(figures, facts.measured.meanMm) : null;
  const fedMeasured = facts.measured ? (Date.parse(facts.measured.at) - Date.parse(swimming)) / DAY_MS : 0;
  const on = (age: number) =>
    ageMeasured === null || ageMeasured <= 0 || age > ageMeasured
      ? plusDays(swimming, Math.max(0, age - state.aheadDays))
      : plusDays(swimming, (age / ageMeasured) * Math.max(0, fedMeasured));
  if (grown !== null && (sellable === null || grown < sellable)) add('growing', on(grown), swims);
  if (sellable !== null) add('ready', on(sellable), swims);
  return spans;
}

/** One line of a brood's account; the lines add up to those alive. */
export interface LedgerLine {
  label: string;
  count: number;
}

/**
 * The account of a brood's headcount: what came, what went by cause and stage, and who is left. The lines before the last add up to it.
 * Moves between its own lots cancel out and are not shown.
 */
export function broodLedger(
  movements: readonly BroodMovement[],
  lotIds: ReadonlySet<string>,
  facts: Pick<BroodFacts, 'hatched' | 'freeSwimming'>,
  born: boolean,
): LedgerLine[] {
  const sums = new Map<string, number>();
  const add = (label: string, count: number) => sums.set(label, (sums.get(label) ?? 0) + count);
  for (const label of [born ? 'Born' : 'Eggs found', 'White, picked']) sums.set(label, 0);
  for (const movement of movements) {
    const count = totalHeads(movement);
    const comes = movement.toLotId !== null && lotIds.has(movement.toLotId);
    const goes = movement.fromLotId !== null && lotIds.has(movement.fromLotId);
    if (comes === goes) continue;
    if (comes)
      add(
        movement.cause === 'birth'
          ? born
            ? 'Born'
            : 'Eggs found'
          : movement.cause === 'undo'
            ? 'Put back'
            : movement.cause === 'countCorrection'
              ? 'More than booked'
              : 'Joined',
        count,
      );
    else if (movement.cause === 'infertile') add('White, picked', -count);
    else if (movement.cause === 'undo') add('Taken back', -count);
    else if (['sale', 'gift', 'move', 'split', 'merge'].includes(movement.cause)) add('Left the brood', -count);
    else if (movement.cause === 'cull') add('Culled', -count);
    else if (
      !born &&
      (!facts.hatched || movement.at.to <= facts.hatched.to) &&
      !(facts.freeSwimming && movement.at.to > facts.freeSwimming.to)
    )
      add('Lost before hatching', -count);
    else if (!born && (!facts.freeSwimming || movement.at.to <= facts.freeSwimming.to)) add('Lost before swimming', -count);
    else add(born ? 'Lost since birth' : 'Lost since', -count);
  }
  const lines = [...sums]
    .filter(([label, count]) => count !== 0 || label === 'Eggs found' || label === 'Born')
    .map(([label, count]) => ({ label, count }));
  return [...lines, { label: 'Alive', count: lines.reduce((sum, line) => sum + line.count, 0) }];
}
