import { wrap, type Remote } from 'comlink';
import type { SalesWork } from './sales.worker';

let work: Remote<SalesWork> | null = null;

/** The worker that works out what can go; started when first asked. */
export function salesWork(): Remote<SalesWork> {
  work ??= wrap<SalesWork>(new Worker(new URL('./sales.worker.ts', import.meta.url), { type: 'module' }));
  return work;
}
