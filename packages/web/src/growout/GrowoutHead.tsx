import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { PageHead } from '../ui';

const PLACES = [
  { to: '/growout', label: 'Places' },
  { to: '/growout/weeks', label: 'Tanks by week' },
  { to: '/growout/record', label: 'Flow and faults' },
];

/** The head of every page of grow-out: what it says, and the way to the others. */
export function GrowoutHead({ title, about, children }: { title: string; about?: ReactNode; children?: ReactNode }) {
  return (
    <>
      <PageHead title={title} about={about}>
        {children}
      </PageHead>
      <nav aria-label="Grow-out" className="no-print -mt-2 mb-3 flex flex-wrap gap-x-1 border-b border-edge">
        {PLACES.map(({ to, label }) => (
          <NavLink
            key={to}
            to={to}
            end={to === '/growout'}
            className="flex min-h-11 items-center px-3 text-quiet hover:bg-today aria-[current=page]:border-b-[3px] aria-[current=page]:border-ink aria-[current=page]:font-bold aria-[current=page]:text-ink"
          >
            {label}
          </NavLink>
        ))}
      </nav>
    </>
  );
}
