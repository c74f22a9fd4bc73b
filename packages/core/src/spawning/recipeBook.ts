import * as v from 'valibot';
import { METHODS, type Method } from '../species';
import { RecipeFieldsSchema, type Recipe } from './recipeFields';
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

const ShippedRecipeSchema = v.strictObject({
  key: v.string(),
  method: v.picklist(METHODS),
  school: v.string(),
  why: v.string(),
  recipe: v.strictObject(RecipeFieldsSchema.entries),
});

/** Starting points from general husbandry, to be copied and changed. */
export const RECIPE_BOOK: readonly ShippedRecipe[] = v.parse(v.array(ShippedRecipeSchema), shipped);

/** A shipped recipe by its key, as an attempt or a copy names it. */
export const shippedRecipe = (key: string): ShippedRecipe | null => RECIPE_BOOK.find((one) => one.key === key) ?? null;
