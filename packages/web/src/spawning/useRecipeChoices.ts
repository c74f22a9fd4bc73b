import { RECIPE_BOOK, type Recipe } from '@freshet/core/spawning';
import type { Method } from '@freshet/core/species';
import { useGet, type Reply } from '../data';

/** A recipe that can be chosen: shipped, or the newest version of one of the house's own. */
export interface RecipeChoice {
  ref: string;
  name: string;
  why: string;
  recipe: Recipe;
  method: Method;
  speciesKey: string | null;
  isOwn: boolean;
  version: number | null;
}

/** What an own version says about itself. */
const toChoice = ({ id, name, version, note, recipe, method, speciesKey }: Reply<'recipes'>[number]): RecipeChoice => ({
  ref: id,
  name,
  why: note ?? '',
  recipe,
  method,
  speciesKey,
  isOwn: true,
  version,
});

/** Every recipe, own ones first; `all` holds every version of them. */
export function useRecipeChoices(): { choices: RecipeChoice[]; all: RecipeChoice[]; isLoaded: boolean } {
  const own = useGet('recipes');
  const versions = own.data ?? [];
  const newest = versions.filter(
    (one) => !versions.some((other) => other.recipeId === one.recipeId && other.version > one.version),
  );
  const shipped = RECIPE_BOOK.map(({ key, school, why, recipe, method }): RecipeChoice => ({
    ref: key,
    name: school,
    why,
    recipe,
    method,
    speciesKey: null,
    isOwn: false,
    version: null,
  }));
  return {
    choices: [...newest.map(toChoice), ...shipped],
    all: [...versions.map(toChoice), ...shipped],
    isLoaded: own.data !== undefined,
  };
}

/** Those that suit a species: its own first, then those of its method. */
export const choicesFor = (
  choices: readonly RecipeChoice[],
  species: { key: string; method: Method } | undefined,
): RecipeChoice[] =>
  species
    ? [
        ...choices.filter(({ speciesKey }) => speciesKey === species.key),
        ...choices.filter(({ speciesKey, method }) => speciesKey === null && method === species.method),
      ]
    : [];
