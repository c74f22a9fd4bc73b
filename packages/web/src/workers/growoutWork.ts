import { wrap, type Remote } from 'comlink';
import type { GrowoutWork } from './growout.worker';

let work: Remote<GrowoutWork> | null = null;

/** The worker that works out growth and places; started when first asked. */
export function growoutWork(): Remote<GrowoutWork> {
  work ??= wrap<GrowoutWork>(new Worker(new URL('./growout.worker.ts', import.meta.url), { type: 'module' }));
  return work;
}
