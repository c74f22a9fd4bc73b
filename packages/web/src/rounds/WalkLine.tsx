import { clsx } from 'clsx';
import type { ReactNode } from 'react';

/** One line of the walk with its number; the next one to go to is marked. @param columns - how it is divided, the number first */
export function WalkLine({
  number,
  next,
  columns,
  children,
}: {
  number: number;
  next: boolean;
  columns: string;
  children: ReactNode;
}) {
  return (
    <li
      id={`stop-${number}`}
      tabIndex={-1}
      className={clsx(
        'grid scroll-mt-2 gap-x-2 border-b border-rule py-1.5 pr-2 pl-2',
        columns,
        next && 'border-l-[5px] border-l-rust bg-sheet md:pl-[3px]',
      )}
    >
      <span className="pt-2.5 text-quiet">{number}</span>
      {children}
    </li>
  );
}
