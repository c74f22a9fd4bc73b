import { useEffect, useState } from 'react';
import { wrap, type Remote } from 'comlink';
import type { KinshipWork } from './kinship.worker';

let work: Remote<KinshipWork> | null = null;

/** The worker that does sums over pedigrees; started when first asked. */
export function kinshipWork(): Remote<KinshipWork> {
  work ??= wrap<KinshipWork>(new Worker(new URL('./kinship.worker.ts', import.meta.url), { type: 'module' }));
  return work;
}

/**
 * What a sum in the worker comes to; null until it is there, and again whenever `what` changes, so that no old answer stands beside
 * a new question.
 * @param ask - null asks for nothing
 * @param what - changes when the question does
 */
export function useWork<T>(ask: (() => Promise<T>) | null, what: readonly unknown[]): T | null {
  const [answer, setAnswer] = useState<{ what: readonly unknown[]; value: T } | null>(null);
  useEffect(() => {
    let wanted = true;
    void ask?.().then((value) => {
      if (wanted) setAnswer({ what, value });
    });
    return () => {
      wanted = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `what` stands for everything the question depends on
  }, what);
  return answer && answer.what.length === what.length && answer.what.every((part, i) => part === what[i]) ? answer.value : null;
}
