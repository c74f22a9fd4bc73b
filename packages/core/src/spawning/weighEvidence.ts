import { compare, rate, screen, type Rate, type Tally } from '../evidence';
import { COVERS, LEVERS, type Lever, type Recipe } from './recipe';
import { COVER_WORDS, LEVER_WORDS } from './recipeFields';

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

/** Whether an attempt came out well; null while it cannot be said. */
export function outcomeOf(record: AttemptRecord, { outcome, withinDays, share }: OutcomeRule): boolean | null {
  if (outcome === 'spawned') {
    if (record.spawnedAfterDays !== null) return record.spawnedAfterDays <= withinDays;
    return record.isEnded || record.waitedDays > withinDays ? false : null;
  }
  const of = { fertile: record.fertile, hatched: record.hatched, swimming: record.swimming }[outcome];
  return record.eggs === null || record.eggs === 0 || of === null ? null : of / record.eggs >= share;
}

/** How a factor is told: "with a cooler change", "without". */
interface FactorWords {
  label: string;
  with: string;
  without: string;
}
const FIXED: Record<string, FactorWords> = {
  rain: { label: 'Rain or osmosis water', with: 'with rain or osmosis water', without: 'without' },
  bareTank: { label: 'Bare, fresh tank', with: 'in a bare tank', without: 'in a mature one' },
  covered: { label: 'Sides covered', with: 'covered', without: 'open' },
  company: { label: 'Company in the tank', with: 'with other species', without: 'alone' },
  liveFood: { label: 'Live food in the fortnight before', with: 'with live food', without: 'without' },
  pressureFalling: { label: 'Falling air pressure', with: 'while it fell', without: 'otherwise' },
  fullMoon: { label: 'Full moon', with: 'around full moon', without: 'at other times' },
  newMoon: { label: 'New moon', with: 'around new moon', without: 'at other times' },
  winterHalf: { label: 'Cold half of the year', with: 'in the cold half', without: 'in the warm half' },
  femalesFirst: { label: 'Females in first', with: 'with females in first', without: 'otherwise' },
  conditioned: { label: 'Conditioned beforehand', with: 'after conditioning', without: 'without' },
};
/** Numbers: how they are called and their unit. */
const NUMBERS: Record<string, { label: string; unit: string }> = {
  tempC: { label: 'Temperature', unit: '°C' },
  ghDeg: { label: 'Hardness', unit: '°dGH' },
  ph: { label: 'pH', unit: '' },
  changeShare: { label: 'Size of the change', unit: '%' },
  coolerC: { label: 'Step in temperature', unit: '°C' },
  daysSinceLast: { label: 'Days since their last spawning', unit: 'days' },
  condition: { label: 'Condition of the parents', unit: '' },
  females: { label: 'Females', unit: '' },
  dayHours: { label: 'Length of the day', unit: 'h' },
};

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
/** The words of a factor. */
export function factorWords(name: string): FactorWords {
  if (FIXED[name]) return FIXED[name];
  const [kind, what = ''] = name.split(':');
  if (kind === 'lever') {
    const words = LEVER_WORDS[what as Lever];
    return { label: words, with: `with ${lower(words)}`, without: 'without' };
  }
  if (kind === 'cover') {
    const words = COVER_WORDS[what as keyof typeof COVER_WORDS];
    return { label: words.charAt(0).toUpperCase() + words.slice(1), with: `with ${words}`, without: 'without' };
  }
  if (kind === 'tank') return { label: `In ${what}`, with: `in ${what}`, without: 'elsewhere' };
  if (kind === 'tag') return { label: `“${what}”`, with: `with “${what}”`, without: 'without' };
  const number = NUMBERS[name];
  return { label: number?.label ?? name, with: 'more', without: 'less' };
}

/** What a recipe alone says of an attempt. */
export function recipeFactors(recipe: Recipe): Record<string, boolean | number | null> {
  const levers = new Set<Lever>(recipe.steps.map(({ lever }) => lever));
  // What the school of the trigger says is done, too, where no steps were written down.
  if (recipe.trigger === 'coolChange') levers.add('cooler');
  if (recipe.trigger === 'warm') levers.add('warmer');
  if (recipe.trigger === 'dawnLightAndFood') levers.add('liveFood');
  if (recipe.trigger === 'season') levers.add('season');
  const covers = new Set(recipe.cover.map(({ kind }) => kind));
  return {
    ...Object.fromEntries(LEVERS.filter((lever) => lever !== 'wait').map((lever) => [`lever:${lever}`, levers.has(lever)])),
    ...(covers.size === 0 ? {} : Object.fromEntries(COVERS.map((kind) => [`cover:${kind}`, covers.has(kind)]))),
    bareTank: recipe.tankSchool === 'bare',
    covered: recipe.covered,
    femalesFirst: recipe.firstIn === 'females',
    females: recipe.females,
  };
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

/** Strong levers first: of several that always went together the first is kept. */
const WEIGHT = [
  'lever:cooler',
  'lever:warmer',
  'lever:liveFood',
  'lever:softer',
  'lever:season',
  'lever:dark',
  'lever:levelDown',
  'lever:light',
  'lever:flow',
];
const weightOf = ({ factor }: EvidenceRow) => WEIGHT.indexOf(factor) + 1 || WEIGHT.length + 1;
const byWeight = (a: EvidenceRow, b: EvidenceRow) => weightOf(a) - weightOf(b);

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
  const lean = `${percent} % likely ${better ? 'better' : 'worse'}, in your tanks`;
  if (claim) return lean;
  if (Math.min(one.trials, without.trials) < FEW) return 'too few tries to say';
  return Math.max(probability, 1 - probability) >= LEANS
    ? `leans ${better ? 'to better' : 'to worse'}, not sure yet`
    : 'no sign that it matters';
}

/** The one change proposed for the next attempt. */
export interface NextChange {
  factor: string;
  /** Whether it should be there next time. */
  set: boolean;
  /** `succeed`: it worked more often; `teach`: too little is known of it. */
  aim: 'succeed' | 'teach';
  words: string;
}

const CHANGEABLE = (factor: string) => factor.startsWith('lever:') || ['bareTank', 'covered', 'femalesFirst'].includes(factor);

/**
 * The next attempt's one change: what most likely helps and the last one did not do; when nothing does, what was tried least on one
 * side. Null when there is nothing to choose from.
 */
export function proposeNext(rows: readonly EvidenceRow[], last: AttemptFactors): NextChange | null {
  const open = rows.filter(({ factor }) => CHANGEABLE(factor));
  const helpful = open
    .filter(
      ({ claim, probability, factor }) =>
        (claim || Math.max(probability, 1 - probability) >= 0.9) && last[factor] !== probability > 0.5,
    )
    .sort((a, b) => Number(b.claim) - Number(a.claim) || Math.abs(b.probability - 0.5) - Math.abs(a.probability - 0.5))[0];
  const tell = ({ label, withWords }: EvidenceRow, set: boolean) => (set ? withWords : `without ${lower(label)}`);
  if (helpful) {
    const set = helpful.probability > 0.5;
    const [side, other] = set ? [helpful.with, helpful.without] : [helpful.without, helpful.with];
    return {
      factor: helpful.factor,
      set,
      aim: 'succeed',
      words: `Next time ${tell(helpful, set)}: it worked ${side.successes} of ${side.trials} times, ${other.successes} of ${other.trials} otherwise. Most likely to succeed.`,
    };
  }
  // What always went together cannot be told apart: leave one of them out.
  const bound = open.find(({ claim, probability, together }) => claim && probability > 0.5 && together.some(CHANGEABLE));
  const main = bound && open.filter(({ factor }) => factor === bound.factor || bound.together.includes(factor)).sort(byWeight)[0];
  const left = main && open.filter(({ factor }) => main.together.includes(factor)).sort(byWeight)[0];
  if (main && left)
    return {
      factor: left.factor,
      set: false,
      aim: 'teach',
      words: `Next time ${main.withWords} but without ${lower(left.label)}: they always stood together, and nothing tells which of them did it. It would teach most.`,
    };
  const least = open
    .map((row) => ({ row, fewest: Math.min(row.with.trials, row.without.trials), set: row.with.trials <= row.without.trials }))
    .sort((a, b) => a.fewest - b.fewest || (a.row.factor < b.row.factor ? -1 : 1))[0];
  return least
    ? {
        factor: least.row.factor,
        set: least.set,
        aim: 'teach',
        words: `Next time ${tell(least.row, least.set)}: ${least.fewest === 0 ? 'none' : least.fewest} of your attempts ${least.fewest === 1 ? 'was' : 'were'} so. It would teach most.`,
      }
    : null;
}

/** A recipe with one change of `proposeNext` made in it. */
export function withChange(recipe: Recipe, { factor, set }: Pick<NextChange, 'factor' | 'set'>): Recipe {
  if (factor === 'bareTank') return { ...recipe, tankSchool: set ? 'bare' : 'mature' };
  if (factor === 'covered') return { ...recipe, covered: set };
  if (factor === 'femalesFirst')
    return { ...recipe, firstIn: set ? 'females' : 'together', daysAhead: Math.max(1, recipe.daysAhead) };
  const lever = factor.slice('lever:'.length) as Lever;
  const trigger = (
    { cooler: 'coolChange', warmer: 'warm', liveFood: 'dawnLightAndFood', season: 'season' } as Partial<
      Record<Lever, Recipe['trigger']>
    >
  )[lever];
  if (!set)
    return {
      ...recipe,
      steps: recipe.steps.filter((step) => step.lever !== lever),
      trigger: trigger === recipe.trigger ? 'stable' : recipe.trigger,
    };
  const step = {
    lever,
    day: 0,
    share: lever === 'cooler' || lever === 'softer' ? 0.3 : null,
    degC: lever === 'cooler' ? 3 : lever === 'warmer' ? 2 : null,
    hours: lever === 'dark' || lever === 'light' ? 12 : null,
  };
  return {
    ...recipe,
    steps: recipe.steps.some((one) => one.lever === lever)
      ? recipe.steps
      : [...recipe.steps.filter((one) => one.lever !== 'wait'), step],
    ...(trigger ? { trigger } : {}),
  };
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
