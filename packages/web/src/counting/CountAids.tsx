import { lazy, Suspense } from 'react';
import type { WorkedCount } from './WorkedCount';

const CountWays = lazy(async () => ({ default: (await import('./CountWays')).CountWays }));

/** Ways to come to a count, beside typing it; fetched when a form that counts is opened. */
export function CountAids(props: {
  kind: 'eggs' | 'young';
  done: (counted: WorkedCount) => void;
  /** Keeps the picture with the brood; absent where there is none yet. */
  keep?: ((picture: File) => void) | undefined;
}) {
  return (
    <Suspense fallback={<div className="min-h-24 border border-rule bg-shade" />}>
      <CountWays {...props} />
    </Suspense>
  );
}
