export { createSpawning, type SpawningService, type AttemptFacts, type BroodIdsBy } from './spawning.service';
export { createSpawningFacts } from './spawning.facts';
export { spawningHandlers } from './spawning.routes';
