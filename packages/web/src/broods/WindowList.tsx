import { daysBetween, formatInstantRange, formatDayRange, houseDay } from '@freshet/core/time';
import { STAGE_NAMES } from '@freshet/core/spawning';
import { useHouse, type Reply } from '../data';
import { Why } from '../ui';

type StageWindow = Reply<'brood'>['windows'][number];

/** What was seen longer ago is told by its days, without the hours. */
const RECENT_DAYS = 3;

/** A window as keepers say it: the moment when it was seen, the days when it is expected. */
export function showWindow(window: StageWindow, today: string, timeZone: string): string {
  if (window.status === 'notReached' || !window.earliest) return 'not at this temperature';
  const { earliest } = window;
  const days = formatDayRange(houseDay(earliest, timeZone), houseDay(window.latest ?? earliest, timeZone), today);
  if (window.status === 'observed' && daysBetween(houseDay(earliest, timeZone), today) > RECENT_DAYS) return days;
  if (window.status === 'observed') return formatInstantRange({ from: earliest, to: window.latest ?? earliest }, today, timeZone);
  if (window.latest === null)
    return `from ${formatDayRange(houseDay(earliest, timeZone), houseDay(earliest, timeZone), today)}, end open`;
  return days;
}

/** Hatch, end of yolk, free-swimming and first feed: seen ones plain, expected ones with a dashed mark, each with its why. */
export function WindowList({ windows, carried = false }: { windows: readonly StageWindow[]; carried?: boolean }) {
  const house = useHouse();
  return (
    <ul>
      {windows.map((window) => {
        const name = window.stage === 'hatch' && carried ? 'Release' : STAGE_NAMES[window.stage];
        const late = window.status === 'overdue' || window.status === 'notReached';
        return (
          <li key={window.stage} className="border-b border-rule py-1.5">
            <div className="flex items-baseline justify-between gap-3">
              <span className="flex items-baseline gap-2">
                <span
                  aria-hidden
                  className={`inline-block h-0 w-4 self-center border-t-2 ${window.status === 'observed' ? 'border-solid border-ink' : late ? 'border-dashed border-rust' : 'border-dashed border-ink'}`}
                />
                {name}
                <Why about={name} {...window.why} />
              </span>
              <span className={`text-right font-semibold ${late ? 'text-rust' : ''}`}>
                {showWindow(window, house.today, house.timeZone)}
                <span className="sr-only">{window.status === 'observed' ? ', seen' : ', expected'}</span>
              </span>
            </div>
            {late && window.why.notes.length > 0 && <p className="text-note text-rust">{window.why.notes.at(-1)}</p>}
          </li>
        );
      })}
    </ul>
  );
}
