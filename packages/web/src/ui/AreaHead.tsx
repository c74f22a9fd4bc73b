import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { PageHead } from './Page';

/** The head of every page of an area: what it says, and the way to the area's other pages. @param area - the name of the way, for a screen reader */
export function AreaHead({
  area,
  pages,
  title,
  about,
  children,
}: {
  area: string;
  pages: readonly { to: string; label: string }[];
  title: string;
  about?: ReactNode;
  children?: ReactNode;
}) {
  return (
    <>
      <PageHead title={title} about={about}>
        {children}
      </PageHead>
      <nav aria-label={area} className="no-print -mt-2 mb-3 flex flex-wrap gap-x-1 border-b border-edge">
        {pages.map(({ to, label }, i) => (
          <NavLink
            key={to}
            to={to}
            end={i === 0}
            className="flex min-h-11 items-center px-3 text-quiet hover:bg-today aria-[current=page]:border-b-[3px] aria-[current=page]:border-ink aria-[current=page]:font-bold aria-[current=page]:text-ink"
          >
            {label}
          </NavLink>
        ))}
      </nav>
    </>
  );
}
