import { byWeight, lower } from './factors';
import type { Lever } from './schools';
import type { Recipe } from './recipeFields';
import type { AttemptFactors, EvidenceRow } from './weighEvidence';

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
      words: `Next time ${tell(helpful, set)}: it worked ${side.successes} of ${side.trials} times, ${other.successes} of ${other.trials} otherwise. Your best chance.`,
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
      words: `Next time ${main.withWords} but without ${lower(left.label)}: you always did both, so it could be either. You’d learn most from it.`,
    };
  const least = open
    .map((row) => ({ row, fewest: Math.min(row.with.trials, row.without.trials), set: row.with.trials <= row.without.trials }))
    .sort((a, b) => a.fewest - b.fewest || (a.row.factor < b.row.factor ? -1 : 1))[0];
  return least
    ? {
        factor: least.row.factor,
        set: least.set,
        aim: 'teach',
        words: `Next time ${tell(least.row, least.set)}: ${least.fewest === 0 ? 'none' : least.fewest} of your spawnings ${least.fewest === 1 ? 'was' : 'were'} so. You’d learn most from it.`,
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
