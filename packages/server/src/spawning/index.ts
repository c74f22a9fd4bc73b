export { createSpawning, type SpawningService, type AttemptFacts } from './spawning.service';
export { spawningHandlers } from './spawning.routes';
