import * as v from 'valibot';
import { RecipeFieldsSchema } from '@freshet/core/spawning';
import { METHODS } from '@freshet/core/species';
import { Id, Name, Note } from '../values';

/** A recipe as it is shown and kept. */
export const RecipeReply = RecipeFieldsSchema;

/** A recipe as it comes in: what is left out is empty. */
export const RecipeSchema = v.pipe(
  RecipeFieldsSchema,
  v.forward(
    v.partialCheck(
      [['fungus'], ['dyeMgPerL'], ['dyeStockPercent']],
      (recipe) => recipe.fungus !== 'dye' || (recipe.dyeMgPerL !== null && recipe.dyeStockPercent !== null),
      'Dye needs its target in mg/L and its stock strength in %, both from the label.',
    ),
    ['dyeMgPerL'],
  ),
);

/** What a recipe file is called, so that another kind of file is told apart. */
export const RECIPE_FORMAT = 'freshet-recipe-1';
/** A recipe to share, as open JSON. */
export const RecipeFile = v.object({
  format: v.literal(RECIPE_FORMAT, 'This is no recipe file of this kind.'),
  name: Name,
  speciesKey: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  method: v.picklist(METHODS, 'No breeding method of this name.'),
  note: v.nullable(Note),
  recipe: RecipeSchema,
});

/** One version of a recipe of the house. */
export const RecipeVersion = v.object({
  id: v.string(),
  recipeId: v.string(),
  version: v.number(),
  speciesKey: v.nullable(v.string()),
  method: v.picklist(METHODS),
  name: v.string(),
  /** The version or shipped recipe that it was copied from. */
  basedOn: v.nullable(v.string()),
  recipe: RecipeReply,
  note: v.nullable(v.string()),
  at: v.string(),
});

export const NewRecipe = v.object({
  id: Id,
  versionId: Id,
  /** A new one begins a recipe, one that is there gets its next version. */
  recipeId: Id,
  speciesKey: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  method: v.picklist(METHODS),
  name: Name,
  basedOn: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  recipe: RecipeSchema,
  note: v.nullable(Note),
});
