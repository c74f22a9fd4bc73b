import { useState } from 'react';
import { Link } from 'react-router';
import { alarmLines, type AlarmLine } from '@freshet/core/agenda';
import type { Reply } from '../data';
import { LinkButton } from '../ui';
import { subjectPath, subjectWords } from './subjectPath';

type Alarm = Reply<'round'>['alarms'][number];

/** So many stand in sight; the rest are under one line. */
const IN_SIGHT = 7;

/** An alarm as one line, or one of several of a kind with a link for each place. */
function AlarmItem({ line }: { line: AlarmLine }) {
  return (
    <li
      className={
        line.severity === 'now'
          ? 'border-l-[5px] border-rust bg-rust-wash px-3 py-2'
          : 'border-l-[5px] border-amber-line bg-amber-wash px-3 py-2'
      }
    >
      <b>
        <span className="sr-only">{line.severity === 'now' ? 'Now: ' : 'Soon: '}</span>
        {line.title}
      </b>{' '}
      {line.text}{' '}
      {line.subject && (
        <Link to={subjectPath(line.subject)} className="link inline-block min-h-6 font-semibold">
          {subjectWords(line.subject)}
        </Link>
      )}
      {line.parts.length > 0 && (
        <ul>
          {line.parts.map(({ key, words, subject }) => (
            <li key={key} className="min-h-6">
              {subject ? (
                <Link to={subjectPath(subject)} className="link inline-block min-h-6">
                  {words}
                </Link>
              ) : (
                words
              )}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}

/** What needs the keeper: what is wrong, what to do, and the page to do it on. */
export function AlarmList({ alarms }: { alarms: readonly Alarm[] }) {
  const [showAll, setShowAll] = useState(false);
  if (alarms.length === 0) return <p className="text-quiet">All good. Nothing urgent today.</p>;
  const lines = alarmLines(alarms);
  const more = lines.length - IN_SIGHT;
  return (
    <>
      <ul className="flex flex-col gap-2">
        {(showAll ? lines : lines.slice(0, IN_SIGHT)).map((line) => (
          <AlarmItem key={line.key} line={line} />
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
