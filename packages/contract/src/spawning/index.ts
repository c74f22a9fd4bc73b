export {
  spawningEndpoints,
  RecipeSchema,
  NewAttempt,
  NewTrigger,
  EndAttempt,
  Attempt,
  StageWindowSchema,
} from './spawning.endpoints';
