import { compare, rate, screen, type Rate, type Tally } from '../evidence';
import { methodOf, type Method } from '../species';
import { byWeight, factorWords, NUMBERS } from './factors';

/** What was done at an attempt and stood around it; flags and numbers, null where not known. */
export type AttemptFactors = Readonly<Record<string, boolean | number | null>>;

/** One attempt as evidence: what was done, and what came of it. */
export interface AttemptRecord {
  id: string;
  name: string;
  speciesKey: string;
  factors: AttemptFactors;
  /** Days from trigger (else from set-up) to the first eggs, and days waited so far or until it ended; null when none were seen. */
  spawnedAfterDays: number | null;
  waitedDays: number;
  isEnded: boolean;
  /** Of all its clutches; null where not counted. */
  eggs: number | null;
  fertile: number | null;
  hatched: number | null;
  swimming: number | null;
}

export const OUTCOMES = ['spawned', 'fertile', 'hatched', 'swimming'] as const;
export type Outcome = (typeof OUTCOMES)[number];
/** What counts as good; shares are of the eggs counted. */
export interface OutcomeRule {
  outcome: Outcome;
  withinDays: number;
  share: number;
}
export const USUAL_RULE: OutcomeRule = { outcome: 'spawned', withinDays: 14, share: 0.7 };
/** What counts as good for a species: in the time its method takes, which for those that carry is weeks. */
export const usualRule = (species: { method: Method } | null): OutcomeRule =>
  species ? { ...USUAL_RULE, withinDays: methodOf(species).workedWithinDays } : USUAL_RULE;

/** Whether an attempt came out well; null while it cannot be said. */
export function outcomeOf(record: AttemptRecord, { outcome, withinDays, share }: OutcomeRule): boolean | null {
  if (outcome === 'spawned') {
    if (record.spawnedAfterDays !== null) return record.spawnedAfterDays <= withinDays;
    return record.isEnded || record.waitedDays > withinDays ? false : null;
  }
  const of = { fertile: record.fertile, hatched: record.hatched, swimming: record.swimming }[outcome];
  return record.eggs === null || record.eggs === 0 || of === null ? null : of / record.eggs >= share;
}

/** One factor against the outcome. */
export interface EvidenceRow {
  factor: string;
  label: string;
  /** Which side is which, in words: a number is parted at its middle. */
  withWords: string;
  withoutWords: string;
  with: Tally & { rate: Rate };
  without: Tally & { rate: Rate };
  /** How likely the first side works more often. */
  probability: number;
  p: number | null;
  q: number | null;
  claim: boolean;
  /** Other factors that stood with it, or against it, in every attempt: nothing tells them apart. */
  together: string[];
  /** Claimed ones, surer than this, that mostly stood with it or against it: it may only stand for one of them. */
  often: string[];
}

/** Fewer on a side say nothing that may be called a sign. */
export const FEW = 4;
/** Between these nothing leans. */
const LEANS = 0.8;

/** How far two flags went together over the attempts where both are known, -1..1; 0 where nothing can be said. */
function goTogether(a: readonly (boolean | null)[], b: readonly (boolean | null)[]): number {
  const count = [0, 0, 0, 0];
  a.forEach((one, i) => {
    const other = b[i] ?? null;
    if (one === null || other === null) return;
    const cell = (one ? 2 : 0) + (other ? 1 : 0);
    count[cell] = (count[cell] ?? 0) + 1;
  });
  const [neither = 0, second = 0, first = 0, both = 0] = count;
  const scale = Math.sqrt((neither + second) * (first + both) * (neither + first) * (second + both));
  return scale === 0 ? 0 : (neither * both - first * second) / scale;
}
/** From here on two factors mostly go together. */
const MOSTLY = 0.4;

/** A factor as a flag: numbers are parted at their median. */
function asFlags(name: string, records: readonly AttemptRecord[]): { flags: (boolean | null)[]; at: number | null } {
  const values = records.map(({ factors }) => factors[name] ?? null);
  const numbers = values.filter((value) => typeof value === 'number').sort((a, b) => a - b);
  if (numbers.length === 0) return { flags: values.map((value) => (typeof value === 'boolean' ? value : null)), at: null };
  const middle = numbers[Math.floor(numbers.length / 2)] ?? 0;
  const least = numbers[0] ?? 0;
  const at = middle > least ? middle : (numbers.find((value) => value > least) ?? middle);
  return { flags: values.map((value) => (typeof value === 'number' ? value >= at : null)), at };
}

/**
 * What worked: every factor against one outcome, the surest first, corrected for how many were looked at. Factors never or always
 * there are left out. Source: docs/sources.md#evidence-screen
 * @param level - share of false claims that is accepted
 */
export function weighEvidence(
  records: readonly AttemptRecord[],
  rule: OutcomeRule,
  level = 0.1,
  shown: (value: number, name: string) => string = (value, name) =>
    `${Math.round(value * 10) / 10} ${NUMBERS[name]?.unit ?? ''}`.trim(),
): { rows: EvidenceRow[]; tried: number; worked: number } {
  const judged = records.flatMap((record) => {
    const success = outcomeOf(record, rule);
    return success === null ? [] : [{ record, success }];
  });
  const known = judged.map(({ record }) => record);
  const names = [...new Set(known.flatMap(({ factors }) => Object.keys(factors)))].sort();
  const parted = names.flatMap((name) => {
    const { flags, at } = asFlags(name, known);
    const tally = (side: boolean): Tally => {
      const own = judged.filter((_, i) => flags[i] === side);
      return { trials: own.length, successes: own.filter(({ success }) => success).length };
    };
    const [with_, without] = [tally(true), tally(false)];
    return with_.trials > 0 && without.trials > 0 ? [{ name, flags, at, with: with_, without }] : [];
  });
  const worked = judged.filter(({ success }) => success).length;
  if (parted.length === 0) return { rows: [], tried: judged.length, worked };
  const screened = screen({
    factors: parted.map(({ name, with: one, without }) => ({ name, with: one, without })),
    level,
  }).factors;
  // Columns that say the same, or the opposite, of every attempt: one look-up each.
  const bySignature = new Map<string, string[]>();
  const signatures = parted.map(({ flags }) => {
    const straight = flags.map((flag) => (flag === null ? '-' : flag ? '1' : '0')).join('');
    const turned = flags.map((flag) => (flag === null ? '-' : flag ? '0' : '1')).join('');
    return straight < turned ? straight : turned;
  });
  signatures.forEach((signature, i) =>
    bySignature.set(signature, [...(bySignature.get(signature) ?? []), parted[i]?.name ?? '']),
  );
  const rows = parted.map(({ name, at, with: one, without }, i): EvidenceRow => {
    const words = factorWords(name);
    const found = screened[i];
    return {
      factor: name,
      label: words.label,
      withWords: at === null ? words.with : `${shown(at, name)} or more`,
      withoutWords: at === null ? words.without : 'less',
      with: { ...one, rate: rate(one) },
      without: { ...without, rate: rate(without) },
      probability: compare({ a: one, b: without }).probability,
      p: found?.p ?? null,
      q: found?.q ?? null,
      claim: found?.claim ?? false,
      together: (bySignature.get(signatures[i] ?? '') ?? []).filter((other) => other !== name),
      often: [],
    };
  });
  // To a thousandth: what is as good as equal stands in the order of its weight.
  const sure = ({ claim, q, probability }: EvidenceRow) =>
    Math.round(1000 * ((claim ? 2 : 0) + (1 - (q ?? 1)) + Math.abs(probability - 0.5)));
  const sorted = rows.sort((a, b) => sure(b) - sure(a) || byWeight(a, b) || (a.factor < b.factor ? -1 : 1));
  const flagsOf = new Map(parted.map(({ name, flags }) => [name, flags]));
  const claimed = sorted.filter(({ claim }) => claim);
  for (const [i, row] of claimed.entries())
    row.often = claimed
      .slice(0, i)
      .filter(({ factor }) => !row.together.includes(factor))
      .filter(({ factor }) => Math.abs(goTogether(flagsOf.get(factor) ?? [], flagsOf.get(row.factor) ?? [])) >= MOSTLY)
      .map(({ factor }) => factor);
  return { rows: sorted, tried: judged.length, worked };
}

/** How sure a row is, in plain words; small samples say that they are small, and nothing is said to be nothing. */
export function sureWords({ probability, claim, with: one, without }: EvidenceRow): string {
  const better = probability >= 0.5;
  const percent = Math.min(99, Math.floor(100 * (better ? probability : 1 - probability)));
  const lean = `Works ${better ? 'better' : 'worse'} in your tanks (${percent >= 97 ? 'almost certain' : 'probably'})`;
  if (claim) return lean;
  if (Math.min(one.trials, without.trials) < FEW) return 'Too few tries to tell';
  return Math.max(probability, 1 - probability) >= LEANS
    ? `Maybe ${better ? 'better' : 'worse'}; too early to tell`
    : 'No difference seen yet';
}

/** Rows with each bundle of factors that always went together told once, by its strongest. */
export function bundled(rows: readonly EvidenceRow[]): EvidenceRow[] {
  const told = new Set<string>();
  return rows.filter(({ factor, together }) => {
    if (told.has(factor)) return false;
    for (const other of together) told.add(other);
    return true;
  });
}
