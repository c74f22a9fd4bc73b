import { wrap, type Remote } from 'comlink';
import type { TideWork } from './tide.worker';

let work: Remote<TideWork> | null = null;

/** The worker that plans starts of cultures; started when first asked. */
export function tideWork(): Remote<TideWork> {
  work ??= wrap<TideWork>(new Worker(new URL('./tide.worker.ts', import.meta.url), { type: 'module' }));
  return work;
}
