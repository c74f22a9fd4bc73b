import { useGet } from '../../data';
import { ChoreRow } from '../../rounds';
import { Panel } from '../../ui';

/** What is to do today at a tank, box or jar. */
export function TodayHere({ tankId }: { tankId: string }) {
  const round = useGet('round');
  const stop = round.data?.stops.find((candidate) => candidate.tankId === tankId);
  return (
    <Panel title="Today here">
      {stop?.notes.map((note) => (
        <p key={note} className="mb-1 border-l-2 border-edge pl-2.5 text-note text-quiet">
          {note}
        </p>
      ))}
      {stop && round.data ? (
        stop.chores.map((chore) => (
          <ChoreRow key={chore.key} chore={chore} stop={stop} day={round.data?.day ?? ''} ahead={false} />
        ))
      ) : (
        <p className="text-quiet">Nothing extra today.</p>
      )}
    </Panel>
  );
}
