import * as v from 'valibot';
import { METHOD_TEMPLATES, type Method } from '../species';
import type { Day } from '../time';
import { EGG_WAYS } from './eggWays';
import { RecipeFieldsSchema, type KeptRecipe, type Recipe } from './recipeFields';

const EMPTY = v.getDefaults(RecipeFieldsSchema);

/** A recipe as it was kept, with what was not asked for then left empty, or as usual. */
export const completeRecipe = (kept: KeptRecipe): Recipe => ({ ...EMPTY, ...kept });

/** The starting recipe of a method; every choice can be changed on the attempt. */
export function defaultRecipe(method: Method): Recipe {
  const { eggWay, eggsRest } = METHOD_TEMPLATES[method];
  const { areApart, againstFungus } = EGG_WAYS[eggWay];
  return completeRecipe({
    eggPlan: eggWay,
    fungus: againstFungus,
    trigger: 'stable',
    // Half a day is the rule of egg boxes; loose eggs in a spawning tank are not siphoned, and a pond never.
    dailyChangeFraction: areApart && !eggsRest ? 0.5 : 0,
  });
}

/**
 * Whether a day lies in one of the recipe's seasons; any day does when there are none. A season may go over the year's end.
 * @param isSouth - south of the equator the year is turned round by half
 */
export function inSeason({ seasons }: Pick<Recipe, 'seasons'>, day: Day, isSouth = false): boolean {
  const here = Number(day.slice(5, 7));
  const month = isSouth ? ((here + 5) % 12) + 1 : here;
  return (
    seasons.length === 0 ||
    seasons.some(([from, to]) => (from <= to ? month >= from && month <= to : month >= from || month <= to))
  );
}

/** What stands in the way of a recipe, at its field. */
export interface RecipeProblem {
  field: keyof Recipe;
  message: string;
}

/** What cannot work about a recipe: no way to get the eggs, an egg plan without a place for it, a step before its water. */
export function checkRecipe(recipe: Recipe, start: 'laid' | 'carried' | 'born'): RecipeProblem[] {
  const problems: RecipeProblem[] = [];
  const eaten = recipe.eggPlan === 'leaveWithParents' || recipe.eggPlan === 'removeParents';
  if (start === 'laid' && !eaten && recipe.cover.length === 0)
    problems.push({
      field: 'cover',
      message: 'Eggs that are pulled have to be laid where they can be reached: name a cave, slate, mop, glass or the like.',
    });
  if (recipe.fungus === 'dye' && (recipe.dyeMgPerL === null || recipe.dyeStockPercent === null))
    problems.push({
      field: 'dyeMgPerL',
      message: 'Dye needs its target in mg/L and its stock strength in %, both from the label.',
    });
  const cold = recipe.steps.find(({ lever, degC }) => (lever === 'cooler' || lever === 'warmer') && degC === null);
  if (cold) problems.push({ field: 'steps', message: 'Say by how many degrees.' });
  if (recipe.males === 0 && start !== 'born')
    problems.push({ field: 'males', message: 'Without a male there are no eggs to hatch.' });
  if (recipe.females === 0) problems.push({ field: 'females', message: 'Without a female there are no eggs.' });
  if (recipe.firstIn !== 'together' && recipe.daysAhead < 1)
    problems.push({ field: 'daysAhead', message: 'Who goes in first is in at least a day ahead.' });
  return problems;
}
