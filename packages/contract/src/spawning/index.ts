export {
  spawningEndpoints,
  spawningEntries,
  RecipeSchema,
  NewAttempt,
  NewTrigger,
  EndAttempt,
  Attempt,
  StageWindowSchema,
} from './spawning.endpoints';
