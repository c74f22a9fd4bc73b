import { useState } from 'react';
import { Link } from 'react-router';
import type { Reply } from '../data';
import { LinkButton } from '../ui';
import { subjectPath, subjectWords } from './subjectPath';

type Alarm = Reply<'round'>['alarms'][number];

/** So many stand in sight; the rest are under one line. */
const IN_SIGHT = 7;

/** What needs the keeper: what is wrong, what to do, and the page to do it on. */
export function AlarmList({ alarms }: { alarms: readonly Alarm[] }) {
  const [showAll, setShowAll] = useState(false);
  if (alarms.length === 0) return <p className="text-quiet">All good. Nothing urgent today.</p>;
  const more = alarms.length - IN_SIGHT;
  return (
    <>
      <ul className="flex flex-col gap-2">
        {(showAll ? alarms : alarms.slice(0, IN_SIGHT)).map((alarm) => (
          <li
            key={alarm.key}
            className={
              alarm.severity === 'now'
                ? 'border-l-[5px] border-rust bg-rust-wash px-3 py-2'
                : 'border-l-[5px] border-amber-line bg-amber-wash px-3 py-2'
            }
          >
            <b>
              <span className="sr-only">{alarm.severity === 'now' ? 'Now: ' : 'Soon: '}</span>
              {alarm.title}
            </b>{' '}
            {alarm.text}{' '}
            {alarm.subject && (
              <Link to={subjectPath(alarm.subject)} className="link inline-block min-h-6 font-semibold">
                {subjectWords(alarm.subject)}
              </Link>
            )}
          </li>
        ))}
      </ul>
      {more > 0 && (
        <LinkButton className="mt-1 min-h-11" aria-expanded={showAll} onClick={() => setShowAll(!showAll)}>
          {showAll ? 'Show fewer' : `${more} more`}
        </LinkButton>
      )}
    </>
  );
}
