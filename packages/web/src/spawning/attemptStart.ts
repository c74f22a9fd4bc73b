import { defaultRecipe, planDays, shiftPlan, USUAL_TRIGGER_DAYS, type PlanDays, type Recipe } from '@freshet/core/spawning';
import { addDays, daysBetween } from '@freshet/core/time';
import type { House, Reply } from '../data';
import { fit, type Lot } from './ParentsField';
import { toDraft, type RecipeDraft } from './recipeDraft';
import { choicesFor, type RecipeChoice } from './useRecipeChoices';

/** An attempt as it is typed. */
export interface AttemptValues {
  speciesKey: string;
  name: string;
  tankId: string;
  sires: string[];
  dams: string[];
  from: string;
  to: string;
  conditioningFrom: string;
  setUpOn: string;
  triggerOn: string;
  tags: string;
  note: string;
}

/** What a form starts from. */
export interface AttemptStart {
  values: AttemptValues;
  recipeRef: string | null;
  draft: RecipeDraft;
}

/** What there is to choose from. */
export interface Choices {
  species: Reply<'species'>;
  lots: readonly Lot[];
  attempts: Reply<'attempts'>['attempts'];
  recipes: readonly RecipeChoice[];
  allRecipes: readonly RecipeChoice[];
}

export const daysAsTyped = (days: PlanDays) => ({ ...days, conditioningFrom: days.conditioningFrom ?? '' });

/** A tank whose end stays open is drawn for so long after the trigger. */
const OPEN_DAYS = 14;
/** The days of an attempt as they are typed. */
export const toDays = (values: Pick<AttemptValues, 'conditioningFrom' | 'from' | 'setUpOn' | 'triggerOn' | 'to'>): PlanDays => ({
  conditioningFrom: values.conditioningFrom || null,
  from: values.from,
  setUpOn: values.setUpOn,
  triggerOn: values.triggerOn,
  to: values.to || addDays(values.triggerOn, OPEN_DAYS),
});
/** The earliest dates that a recipe allows from today: conditioning, when it is wanted, begins today. */
export function fromToday(recipe: Recipe, today: string, triggerDays: readonly [number, number] = USUAL_TRIGGER_DAYS): PlanDays {
  const days = planDays(recipe, today, triggerDays);
  const first = [days.conditioningFrom ?? days.from, days.from].sort()[0] ?? days.from;
  return shiftPlan(days, 'all', Math.max(0, daysBetween(first, today)));
}

/** Dates of what is set up already: the tank is taken today, and the trigger may be today. */
export const setUpAlready = (recipe: Recipe, today: string): PlanDays => ({
  ...planDays(recipe, today),
  conditioningFrom: null,
  from: today,
  setUpOn: today,
});

/** What a species brings along: a name, its recipe, parents where there is but one choice, and their home. */
export function speciesStart(key: string, { species, lots, attempts, recipes }: Choices) {
  const kind = species.find((candidate) => candidate.key === key);
  if (!kind) return null;
  // Numbered on from the highest number of its attempts.
  const numbers = attempts
    .filter((attempt) => attempt.speciesKey === key)
    .map(({ name }) => Number(/(\d+)$/.exec(name)?.[1] ?? 0));
  const number = Math.max(numbers.length, 0, ...numbers) + 1;
  const [males, females] = [fit(lots, key, 'males'), fit(lots, key, 'females')];
  return {
    kind,
    name: `${kind.commonName} ${number}`,
    recipe: choicesFor(recipes, kind)[0] ?? null,
    sires: males.length === 1 && males[0] ? [males[0].id] : [],
    dams: females.length === 1 && females[0] ? [females[0].id] : [],
    home: males[0]?.tankId ?? females[0]?.tankId ?? '',
  };
}

/** The first values of a new attempt: what its link names, and what follows from the species. */
export function attemptStart(search: URLSearchParams, choices: Choices, { today, units }: House): AttemptStart {
  const linked = choices.allRecipes.find(({ ref }) => ref === search.get('recipe')) ?? null;
  const key = search.get('species') ?? linked?.speciesKey ?? '';
  const start = speciesStart(key, choices);
  const recipe = linked ?? start?.recipe ?? null;
  const list = (name: string) => search.get(name)?.split(',').filter(Boolean);
  const days =
    recipe && start
      ? daysAsTyped(fromToday(recipe.recipe, today))
      : { from: today, to: '', conditioningFrom: '', setUpOn: today, triggerOn: '' };
  return {
    recipeRef: recipe?.ref ?? null,
    draft: toDraft(recipe?.recipe ?? defaultRecipe(start?.kind.method ?? 'eggScatterer'), units),
    values: {
      speciesKey: key,
      name: search.get('name')?.slice(0, 80) ?? start?.name ?? '',
      tankId: search.get('tank') ?? start?.home ?? '',
      sires: list('sire') ?? start?.sires ?? [],
      dams: list('dam') ?? start?.dams ?? [],
      ...days,
      tags: '',
      note: '',
    },
  };
}

/** The days of a plan as they are asked for. */
export const DAYS = [
  ['conditioningFrom', 'Conditioning from', 'can be left empty'],
  ['from', 'Tank reserved from', undefined],
  ['setUpOn', 'Parents in on', undefined],
  ['triggerOn', 'Trigger on', undefined],
  ['to', 'Tank free after', 'can stay open'],
] as const;
/** Whether a day was typed that is understood. */
export const isDay = (text: string) => /^\d{4}-\d{2}-\d{2}$/.test(text);
