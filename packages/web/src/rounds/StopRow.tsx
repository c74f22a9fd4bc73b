import { Link } from 'react-router';
import { Swatch } from '../ui';
import type { Stop } from './chore';
import { StopChores, StopNotes } from './StopChores';
import { WalkLine } from './WalkLine';

/** One stop of the walk: who lives here, what is to know, what is to do. */
export function StopRow({
  stop,
  number,
  day,
  ahead,
  next,
}: {
  stop: Stop;
  number: number;
  day: string;
  ahead: boolean;
  next: boolean;
}) {
  const cautions = [...new Set(stop.chores.filter((chore) => !chore.outcome).flatMap((chore) => chore.caution ?? []))];
  return (
    <WalkLine number={number} next={next} columns="grid-cols-[24px_auto_1fr] md:grid-cols-[24px_62px_178px_1fr]">
      <span className="pt-2 font-mono text-code font-semibold">
        {stop.tankId ? (
          <Link to={`/tanks/${stop.tankId}`} className="hover:link">
            {stop.code}
          </Link>
        ) : (
          <span className="font-sans text-base">{stop.code}</span>
        )}
      </span>
      <div className="min-w-0 pt-2.5">
        <div className="flex items-start gap-2 font-semibold">
          {stop.stage && (
            <span className="pt-1">
              <Swatch kind={stop.stage} width={14} height={14} />
            </span>
          )}
          <span className="min-w-0 break-words">{stop.who}</span>
        </div>
        <div className="text-note text-quiet">{stop.detail}</div>
      </div>
      <div className="col-span-2 col-start-2 min-w-0 md:col-span-1 md:col-start-auto">
        <StopNotes notes={stop.notes} />
        <StopChores stop={stop} day={day} ahead={ahead} />
        {cautions.map((caution) => (
          <p key={caution} className="mb-1.5 border-l-2 border-amber-line pl-2.5 text-note">
            {caution}
          </p>
        ))}
      </div>
    </WalkLine>
  );
}
