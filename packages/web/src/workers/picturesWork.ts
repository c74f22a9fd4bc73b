import { proxy, wrap, type Remote } from 'comlink';
import type { CountOptions, PictureCount } from '@freshet/core/pictures';
import type { PicturesWork } from './pictures.worker';

/** A count that goes on, and how to stop it. */
export interface RunningCount {
  result: Promise<PictureCount>;
  cancel: () => void;
}

const newWorker = () => new Worker(new URL('./pictures.worker.ts', import.meta.url), { type: 'module' });
/** One that waits for a picture: its script is read while the keeper still chooses. */
let waiting: Worker | null = null;

/** Gets ready to count; gives back what to call when no picture comes. */
export function awaitPicture(): () => void {
  waiting ??= newWorker();
  return () => {
    waiting?.terminate();
    waiting = null;
  };
}

/** Counts a picture in a worker of its own; stopping it ends the worker. */
export function countInWorker(file: Blob, options: CountOptions, onStep: (share: number) => void): RunningCount {
  const worker = waiting ?? newWorker();
  waiting = null;
  const work: Remote<PicturesWork> = wrap<PicturesWork>(worker);
  const end = () => worker.terminate();
  const result = work.count(file, options, proxy(onStep)).finally(end);
  return { result, cancel: end };
}
