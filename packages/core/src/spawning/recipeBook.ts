import type { Method } from '../species';
import { completeRecipe, type Recipe } from './recipe';
import shipped from './recipes.json';

/** A recipe the application ships: one for each main school of a method. */
export interface ShippedRecipe {
  key: string;
  method: Method;
  /** What keepers of this school do. */
  school: string;
  /** Why one may choose it, and what it costs. */
  why: string;
  recipe: Recipe;
}

type Raw = Omit<ShippedRecipe, 'recipe'> & { recipe: Parameters<typeof completeRecipe>[0] };

/** Starting points from general husbandry, to be copied and changed. */
export const RECIPE_BOOK: readonly ShippedRecipe[] = (shipped as unknown as Raw[]).map((one) => ({
  ...one,
  recipe: completeRecipe(one.recipe),
}));

/** A shipped recipe by its key, as an attempt or a copy names it. */
export const shippedRecipe = (key: string): ShippedRecipe | null => RECIPE_BOOK.find((one) => one.key === key) ?? null;
