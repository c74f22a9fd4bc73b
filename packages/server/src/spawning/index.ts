export { createSpawning, type SpawningService } from './spawning.service';
export { createSpawningFacts } from './spawning.facts';
export type { BroodsBy } from './spawning.replies';
export type { AttemptFacts, TriggerDetails } from './spawning.repository';
export { spawningHandlers } from './spawning.routes';
