import type { ReactNode } from 'react';
import { formatNumber } from '@freshet/core/units';
import { Button } from '../ui';
import type { CountWay, WorkedCount } from './WorkedCount';

/** A number that was worked out, with its range, and the button that takes it. @param children - what to mind beside it */
export function TakeEstimate({
  value: { estimate, low95, high95 },
  how,
  done,
  children,
}: {
  value: { estimate: number; low95: number; high95: number };
  how: CountWay;
  done: (counted: WorkedCount) => void;
  children?: ReactNode;
}) {
  const count = Math.round(estimate);
  return (
    <>
      <p aria-live="polite">
        About <b>{count}</b>, likely {formatNumber(low95)} to {formatNumber(high95)}
        {children}
      </p>
      <Button
        look="main"
        onClick={() => done({ count, low: Math.floor(low95), high: Math.ceil(high95), how, white: null, lengthsMm: [] })}
      >
        Take {count}
      </Button>
    </>
  );
}
