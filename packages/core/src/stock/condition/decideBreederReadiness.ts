import type { BreederLimits } from './breederCondition';

/** What is known of a breeder or a group of them. */
export interface BreederFacts {
  sex: 'male' | 'female' | 'mixed' | 'unsexed';
  /** Null where not known. */
  ageDays: number | null;
  lengthMm: number | null;
  /** Newest score, 1 to 5, and how old it is. */
  score: { value: number; daysAgo: number } | null;
  daysSinceSpawn: number | null;
  /** Month of today, 1 to 12. */
  month: number;
  /** South of the equator the year is turned round by half. */
  isSouth?: boolean | undefined;
  males: number;
  females: number;
}

/** One thing that speaks for or against spawning now. */
export interface ReadinessCheck {
  what: 'sex' | 'age' | 'size' | 'score' | 'rest' | 'season' | 'ratio' | 'life';
  /** `unknown`: nothing speaks against it, but nobody has looked. */
  state: 'met' | 'unmet' | 'unknown';
  words: string;
}

export interface BreederReadiness {
  state: 'ready' | 'notReady' | 'unknown';
  checks: ReadinessCheck[];
  /** Beyond useful life. */
  isDueForReplacement: boolean;
}

/** A score older than this says little. */
const SCORE_DAYS = 10;
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
const whole = (value: number) => String(Math.round(value));

function checkAge({ ageDays }: BreederFacts, { minDays, maxDays }: BreederLimits): ReadinessCheck {
  if (ageDays === null) return { what: 'age', state: 'unknown', words: 'Age is not known.' };
  if (ageDays < minDays)
    return { what: 'age', state: 'unmet', words: `${whole(ageDays)} days old; breeding begins at about ${whole(minDays)}.` };
  return ageDays > maxDays
    ? {
        what: 'life',
        state: 'met',
        words: `${whole(ageDays)} days old, past a useful life of about ${whole(maxDays)}: broods get small. Raise a successor.`,
      }
    : { what: 'age', state: 'met', words: `${whole(ageDays)} days old.` };
}

function checkRest({ sex, daysSinceSpawn }: BreederFacts, limits: BreederLimits): ReadinessCheck {
  if (daysSinceSpawn === null) return { what: 'rest', state: 'met', words: 'Has not spawned here yet.' };
  const need = sex === 'male' ? limits.maleRestDays : limits.femaleRestDays;
  return daysSinceSpawn >= need
    ? { what: 'rest', state: 'met', words: `Last spawned ${whole(daysSinceSpawn)} days ago.` }
    : {
        what: 'rest',
        state: 'unmet',
        words: `Spawned ${whole(daysSinceSpawn)} days ago; ${whole(need - daysSinceSpawn)} more days of rest.`,
      };
}

function checkScore({ score }: BreederFacts, { minScore }: BreederLimits): ReadinessCheck {
  if (!score) return { what: 'score', state: 'unknown', words: 'Condition has not been scored.' };
  if (score.daysAgo > SCORE_DAYS)
    return {
      what: 'score',
      state: 'unknown',
      words: `Condition ${score.value} of 5, but ${whole(score.daysAgo)} days ago; look again.`,
    };
  return score.value >= minScore
    ? { what: 'score', state: 'met', words: `Condition ${score.value} of 5.` }
    : { what: 'score', state: 'unmet', words: `Condition ${score.value} of 5; they need ${minScore}. Feed them up.` };
}

function checkRatio({ males, females }: BreederFacts, { femalesPerMale: [low, high] }: BreederLimits): ReadinessCheck {
  if (males === 0 || females === 0)
    return { what: 'ratio', state: 'unmet', words: males === 0 ? 'No male is with them.' : 'No female is with them.' };
  const ratio = females / males;
  const wanted = low === high ? `${low}` : `${low} to ${high}`;
  const words = `${males} males, ${females} females; ${wanted} females to a male.`;
  return { what: 'ratio', state: ratio >= low && ratio <= high ? 'met' : 'unmet', words };
}

/**
 * Is a breeder, or a group that breeds together, ready to spawn, and if not, what is missing?
 * Nothing that is unknown is taken as met: it is `unknown` until somebody looks. Source: docs/sources.md#condition
 */
export function decideBreederReadiness(facts: BreederFacts, limits: BreederLimits): BreederReadiness {
  const checks: ReadinessCheck[] = [];
  if (facts.sex === 'unsexed') checks.push({ what: 'sex', state: 'unknown', words: 'Not sexed yet.' });
  checks.push(checkAge(facts, limits));
  checks.push(
    facts.lengthMm === null
      ? { what: 'size', state: 'unknown', words: 'Not measured.' }
      : facts.lengthMm < limits.minMm
        ? { what: 'size', state: 'unmet', words: `${whole(facts.lengthMm)} mm; breeding begins at about ${whole(limits.minMm)}.` }
        : { what: 'size', state: 'met', words: `${whole(facts.lengthMm)} mm long.` },
  );
  checks.push(checkScore(facts, limits), checkRest(facts, limits));
  const months = limits.months?.map((month) => (facts.isSouth ? ((month + 5) % 12) + 1 : month));
  if (months && !months.includes(facts.month))
    checks.push({
      what: 'season',
      state: 'unmet',
      words: `Spawns from ${MONTHS[(months[0] ?? 1) - 1]} to ${MONTHS[(months.at(-1) ?? 12) - 1]}.`,
    });
  if (facts.sex === 'mixed') checks.push(checkRatio(facts, limits));
  const unmet = checks.some(({ state }) => state === 'unmet');
  // Size and age stand in for each other; the score alone must have been looked at.
  const open = checks.some(({ what, state }) => state === 'unknown' && (what === 'score' || what === 'sex'));
  return {
    state: unmet ? 'notReady' : open ? 'unknown' : 'ready',
    checks,
    isDueForReplacement: checks.some(({ what }) => what === 'life'),
  };
}

/** Change of the score against about a week before; null without one to compare with. */
export function scoreTrend(scores: readonly { day: number; value: number }[]): number | null {
  const newest = scores.at(-1);
  if (!newest) return null;
  const before = scores
    .slice(0, -1)
    .filter(({ day }) => newest.day - day >= 3)
    .sort((a, b) => Math.abs(newest.day - a.day - 7) - Math.abs(newest.day - b.day - 7))[0];
  return before ? newest.value - before.value : null;
}
