import { clsx } from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { useHouse } from '../data';
import { LinkButton } from '../ui';
import { useTicks } from './ChoreRow';
import { StopChores, StopNotes } from './StopChores';
import { TickBox } from './TickBox';
import { WalkLine } from './WalkLine';
import type { Feeding } from './walkItems';

/** What a whole rack is fed: one line and one tick; opened it says each tank's food, to be ticked or changed tank by tank. */
export function FeedingRow({
  feeding,
  number,
  day,
  ahead,
  next,
  missed,
}: {
  feeding: Feeding;
  number: number;
  day: string;
  ahead: boolean;
  next: boolean;
  /** The earlier walk it was for; null when it is for this one. */
  missed: string | null;
}) {
  const house = useHouse();
  const [isOpen, setIsOpen] = useState(false);
  const open = feeding.stops.flatMap((stop) => {
    const due = stop.chores.filter(({ outcome }) => !outcome);
    return due.length > 0 ? [{ stop, chores: due }] : [];
  });
  const { pressed, tickAll } = useTicks(open, day);
  const isFed = open.length === 0;
  return (
    <WalkLine number={number} next={next} columns="grid-cols-[24px_1fr] md:grid-cols-[24px_62px_1fr]">
      <span className="hidden pt-2 font-mono text-code font-semibold md:block">{feeding.rackCode}</span>
      <div className="min-w-0">
        <div className={clsx('flex min-h-11 min-w-0 items-center gap-2.5', (pressed || isFed) && 'text-quiet')}>
          <TickBox
            label={feeding.words}
            status={(pressed || isFed) && 'done'}
            isDashed={ahead}
            disabled={!house.may('sitter') || ahead || isFed}
            onPress={() => void tickAll(`Rack ${feeding.rackCode} fed`)}
          />
          <span className="min-w-0 py-1">
            {missed && !isFed && (
              <span className="text-quiet">
                Not ticked on the {missed} walk. Tick it if they were fed; don’t feed double now.{' '}
              </span>
            )}
            {feeding.words}{' '}
            <LinkButton
              className="min-h-11 text-note sm:min-h-6"
              aria-expanded={isOpen}
              aria-label={`Rack ${feeding.rackCode}: ${isOpen ? 'close' : 'tank by tank'}`}
              onClick={() => setIsOpen(!isOpen)}
            >
              {isOpen ? 'close' : 'tank by tank'}
            </LinkButton>
          </span>
        </div>
        {isOpen && (
          <ul className="ml-9">
            {feeding.stops.map((stop) => (
              <li key={stop.tankId} className="flex items-start gap-x-3 border-t border-rule">
                <Link to={`/tanks/${stop.tankId ?? ''}`} className="w-12 shrink-0 pt-3 font-mono text-code hover:link">
                  {stop.code}
                </Link>
                <div className="min-w-0">
                  <StopNotes notes={stop.notes} />
                  <StopChores stop={stop} day={day} ahead={ahead} />
                </div>
              </li>
            ))}
          </ul>
        )}
      </div>
    </WalkLine>
  );
}
