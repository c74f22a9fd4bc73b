export { createSpawning, type SpawningService, type AttemptFacts, type BroodsBy } from './spawning.service';
export { createSpawningFacts } from './spawning.facts';
export type { TriggerDetails } from './spawning.repository';
export { spawningHandlers } from './spawning.routes';
