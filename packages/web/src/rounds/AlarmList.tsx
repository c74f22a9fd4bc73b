import { Link } from 'react-router';
import type { Reply } from '../data';
import { subjectPath } from './subjectPath';

type Alarm = Reply<'round'>['alarms'][number];

/** What needs the keeper, each as a sentence: what is wrong, why, what to do. */
export function AlarmList({ alarms }: { alarms: readonly Alarm[] }) {
  if (alarms.length === 0) return <p className="text-quiet">Nothing needs you beyond the round.</p>;
  return (
    <ul className="flex flex-col gap-2">
      {alarms.map((alarm) => (
        <li
          key={alarm.key}
          className={
            alarm.severity === 'now'
              ? 'border-l-[5px] border-rust bg-rust-wash'
              : 'border-l-[5px] border-amber-line bg-amber-wash'
          }
        >
          {alarm.subject ? (
            <Link
              to={subjectPath(alarm.subject)}
              className="block px-3 py-2 hover:underline hover:decoration-1 hover:underline-offset-2"
            >
              <AlarmText alarm={alarm} />
            </Link>
          ) : (
            <div className="px-3 py-2">
              <AlarmText alarm={alarm} />
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}

function AlarmText({ alarm }: { alarm: Alarm }) {
  return (
    <>
      <b>
        <span className="sr-only">{alarm.severity === 'now' ? 'Now: ' : 'Soon: '}</span>
        {alarm.title}
      </b>{' '}
      {alarm.text}
    </>
  );
}
