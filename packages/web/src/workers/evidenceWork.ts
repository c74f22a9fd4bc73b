import { wrap, type Remote } from 'comlink';
import type { EvidenceWork } from './evidence.worker';

let work: Remote<EvidenceWork> | null = null;

/** The worker that weighs what was tried; started when first asked. */
export function evidenceWork(): Remote<EvidenceWork> {
  work ??= wrap<EvidenceWork>(new Worker(new URL('./evidence.worker.ts', import.meta.url), { type: 'module' }));
  return work;
}
