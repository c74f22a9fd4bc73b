import { Link } from 'react-router';
import { formatDay, formatDayRange } from '@freshet/core/time';
import type { Reply } from '../data';
import { Dialog, Swatch } from '../ui';
import { subjectPath } from './subjectPath';

type Item = Reply<'horizon'>['items'][number];

/** Everything of the next three weeks, by day. */
export function HorizonList({ items, today, onClose }: { items: readonly Item[]; today: string; onClose: () => void }) {
  const days = [...new Set(items.map((item) => item.from))].sort();
  return (
    <Dialog title="The next three weeks" open onClose={onClose} wide>
      <ul>
        {days.map((day) => (
          <li key={day} className="border-b border-rule py-2 sm:flex">
            <h3 className="w-28 shrink-0 py-1">{formatDay(day, today)}</h3>
            <ul className="min-w-0 flex-1">
              {items
                .filter((item) => item.from === day)
                .map((item) => (
                  <li key={item.key}>
                    <Link
                      to={subjectPath(item.subject)}
                      onClick={onClose}
                      className="flex min-h-9 items-center gap-3 hover:bg-today"
                    >
                      <Swatch kind={item.kind} predicted={item.predicted} />
                      <span className={item.urgent ? 'font-semibold text-rust' : ''}>{item.label}</span>
                      {item.to !== item.from && (
                        <span className="text-note text-quiet">{formatDayRange(item.from, item.to, today)}</span>
                      )}
                    </Link>
                  </li>
                ))}
            </ul>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
