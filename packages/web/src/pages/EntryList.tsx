import { clsx } from 'clsx';
import { formatInstantRange } from '@freshet/core/time';
import { useGet, useHouse, useUndo } from '../data';
import { ButtonLink, Loaded } from '../ui';

/** Lines of the log, newest first; each can be taken back. */
export function EntryList({ tankId, before, limit }: { tankId?: string; before?: string | undefined; limit: number }) {
  const house = useHouse();
  const undo = useUndo();
  const entries = useGet('entries', {
    query: { limit: String(limit), ...(tankId ? { aboutId: tankId } : {}), ...(before ? { before } : {}) },
  });
  return (
    <Loaded reply={entries} what="the log">
      {(data) =>
        data.length === 0 ? (
          <p className="text-quiet">Nothing logged yet.</p>
        ) : (
          <>
            <ul>
              {data.map((entry) => (
                <li key={entry.id} className="flex items-baseline gap-3 border-b border-rule py-1.5">
                  <span className="w-[132px] shrink-0 text-note text-quiet">
                    {formatInstantRange({ from: entry.to, to: entry.to }, house.today, house.timeZone)}
                  </span>
                  <span className={clsx('min-w-0 flex-1 break-words', entry.undone && 'text-quiet line-through')}>
                    {entry.text}
                    <span className="text-note text-quiet">
                      {' '}
                      {entry.by}
                      {entry.reason && `; ${entry.reason}`}
                    </span>
                  </span>
                  {entry.canUndo && (
                    <button
                      type="button"
                      className="min-h-6 shrink-0 text-note text-quiet link hover:text-ink"
                      onClick={() => void undo(entry.id)}
                      aria-label={`Undo: ${entry.text}`}
                    >
                      undo
                    </button>
                  )}
                </li>
              ))}
            </ul>
            {data.length === limit && (
              <ButtonLink className="mt-3" to={`${tankId ? `/log?tank=${tankId}&` : '/log?'}before=${data.at(-1)?.id ?? ''}`}>
                Earlier
              </ButtonLink>
            )}
          </>
        )
      }
    </Loaded>
  );
}
