import { clsx } from 'clsx';
import { useEffect, useRef, type ReactNode } from 'react';
import { NavLink, useLocation } from 'react-router';
import { toast } from 'sonner';
import { startOutbox, useGet, useHouse, useOutbox, useTouch } from '../data';
import { Horizon, JotLine } from '../rounds';
import { ErrorBoundary } from '../ui';
import { HouseMenu } from './HouseMenu';

const AREAS = [
  { to: '/', label: 'Rounds' },
  { to: '/room', label: 'Room' },
  { to: '/stock', label: 'Stock' },
  { to: '/spawns', label: 'Spawns' },
  { to: '/broods', label: 'Broods' },
  { to: '/larder', label: 'Larder' },
  { to: '/growout', label: 'Growth' },
  { to: '/sales', label: 'Sales' },
  { to: '/bench', label: 'Bench' },
] as const;

/** The areas along a staff gauge, with a float at the current one. */
function Staff() {
  return (
    <nav
      aria-label="Areas"
      className="no-print relative flex shrink-0 overflow-x-auto border-b border-ink bg-sheet md:w-[92px] md:flex-col md:overflow-visible md:border-r md:border-b-0"
    >
      <div
        aria-hidden
        className="absolute inset-y-0 left-0 hidden w-5 md:block"
        style={{
          background:
            'repeating-linear-gradient(var(--ink) 0 1px, transparent 1px 80px) 0 8px / 20px 100% no-repeat, repeating-linear-gradient(var(--edge) 0 1px, transparent 1px 16px) 0 8px / 8px 100% no-repeat',
        }}
      />
      {AREAS.map(({ to, label }) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          className="flex min-h-11 shrink-0 items-center font-semibold md:min-h-0 md:flex-1"
        >
          {({ isActive }) => (
            <span
              className={clsx(
                'flex h-11 items-center px-4 md:ml-[22px] md:w-[69px] md:px-0',
                isActive
                  ? 'bg-deep text-on-deep md:pl-3 md:[clip-path:polygon(0_50%,10px_0,100%_0,100%_100%,10px_100%)]'
                  : 'text-quiet hover:text-ink md:pl-3',
              )}
            >
              {label}
            </span>
          )}
        </NavLink>
      ))}
    </nav>
  );
}

/** What stands between the keeper and the server, in words, while it does. */
function Connection() {
  const horizon = useGet('horizon');
  const waiting = useOutbox();
  const away = horizon.error?.passing ?? false;
  if (!away && waiting.length === 0) return null;
  return (
    <div role="status" className="no-print border-b border-ink bg-rust-wash px-4 py-2">
      {away && (
        <span>
          <b>{horizon.error?.title}.</b> You’re seeing the last saved copy. What you type is kept.{' '}
        </span>
      )}
      {waiting.length > 0 && (
        <span>
          {waiting.length} {waiting.length === 1 ? 'entry waits' : 'entries wait'} to be sent:{' '}
          {waiting
            .map((entry) => entry.label)
            .slice(0, 2)
            .join('; ')}
          {waiting.length > 2 && ' …'}
        </span>
      )}
    </div>
  );
}

/** The frame of every page: Horizon above, staff at the left, jot line below. */
export function Shell({ children }: { children: ReactNode }) {
  const touch = useTouch();
  const house = useHouse();
  const { pathname } = useLocation();
  const main = useRef<HTMLElement>(null);
  // A new page is read from its top.
  useEffect(() => {
    main.current?.scrollTo(0, 0);
  }, [pathname]);
  useEffect(
    () =>
      startOutbox(`${house.userName} ${house.id}`, touch, (label, problem) => {
        toast.error(`${label} was refused: ${problem.message}`, { duration: 20_000 });
      }),
    [touch, house.userName, house.id],
  );
  return (
    <div className="flex h-dvh flex-col print:h-auto">
      <header className="no-print flex shrink-0 border-b border-ink bg-sheet md:h-[96px]">
        <HouseMenu />
        <ErrorBoundary what="The Horizon">
          <Horizon />
        </ErrorBoundary>
      </header>
      <div className="flex min-h-0 flex-1 flex-col md:flex-row">
        <Staff />
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
          <Connection />
          <main ref={main} className="min-h-0 flex-1 overflow-y-auto px-3 py-4 md:px-[22px] print:overflow-visible">
            {children}
          </main>
        </div>
      </div>
      {house.may('sitter') && <JotLine />}
    </div>
  );
}
