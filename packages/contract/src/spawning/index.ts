export {
  spawningEndpoints,
  spawningEntries,
  NewAttempt,
  NewTrigger,
  EndAttempt,
  Attempt,
  NewAttemptDays,
  NewSettling,
  StageWindowSchema,
} from './spawning.endpoints';
export { NewRecipe, RECIPE_FORMAT, RecipeFile, RecipeReply, RecipeSchema, RecipeVersion } from './recipe.schema';
