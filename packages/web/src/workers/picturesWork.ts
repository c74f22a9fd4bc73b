import { proxy, wrap, type Remote } from 'comlink';
import type { CountOptions, PictureCount } from '@freshet/core/pictures';
import type { PicturesWork } from './pictures.worker';

/** A count that goes on, and how to stop it. */
export interface RunningCount {
  result: Promise<PictureCount>;
  cancel: () => void;
}

/** Counts a picture in a worker of its own; stopping it ends the worker. */
export function countInWorker(file: Blob, options: CountOptions, onStep: (share: number) => void): RunningCount {
  const worker = new Worker(new URL('./pictures.worker.ts', import.meta.url), { type: 'module' });
  const work: Remote<PicturesWork> = wrap<PicturesWork>(worker);
  const end = () => worker.terminate();
  const result = work.count(file, options, proxy(onStep)).finally(end);
  return { result, cancel: end };
}
