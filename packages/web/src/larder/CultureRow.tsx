import { v7 as newId } from 'uuid';
import { CULTURES, type CultureKind } from '@freshet/core/larder';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDay, formatDayRange, houseDay } from '@freshet/core/time';
import { useHouse, useLog, type Reply } from '../data';
import { stageFill } from '../ui';

type Culture = Reply<'cultures'>[number];
const PHASE: Record<Culture['phase'], string> = {
  ripening: 'ripening',
  maybeRipe: 'may be ripe',
  ripe: 'ripe',
  overdue: 'past its time',
};

/** How ripe, as a jar that fills. */
function Jar({ ripeness, overdue }: { ripeness: number; overdue: boolean }) {
  const height = 32 * ripeness;
  return (
    <svg width="30" height="42" aria-hidden className="shrink-0">
      <path d="M8 1h14M8 1v5L3 11v30h24V11l-5-5V1" fill="none" stroke="var(--ink)" />
      <rect x="4" y={40 - height * 0.9} width="22" height={height * 0.9} fill={stageFill('culture')} />
      {overdue && <path d="M3 11 27 41M27 11 3 41" stroke="var(--rust)" strokeWidth="2" />}
    </svg>
  );
}

/** One culture: how ripe, what it wants, and its taps. */
export function CultureRow({ culture }: { culture: Culture }) {
  const house = useHouse();
  const log = useLog();
  const kind: CultureKind = CULTURES[culture.food];
  const event = (what: 'fed' | 'ripe' | 'harvested' | 'ended', words: string) => (
    <button
      type="button"
      className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
      onClick={() =>
        void log(
          'cultureEvent',
          { id: newId(), cultureId: culture.id, kind: what, at: house.now() },
          `${culture.name} ${words.toLowerCase()}`,
        )
      }
    >
      {words}
    </button>
  );
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2">
      <Jar ripeness={culture.ripeness} overdue={culture.phase === 'overdue'} />
      <div className="min-w-44 flex-1">
        <b>{culture.name}</b>{' '}
        <span className={culture.phase === 'overdue' ? 'font-semibold text-rust' : 'text-quiet'}>{PHASE[culture.phase]}</span>
        <p className="text-note text-quiet">
          {FOOD_NAMES[culture.food]}, started {formatDay(houseDay(culture.startedAt, house.timeZone), house.today)};{' '}
          {culture.ripeSeenAt
            ? `seen ripe ${formatDay(culture.ripeFrom, house.today)}`
            : `ripe ${formatDayRange(culture.ripeFrom, culture.ripeBy, house.today)}: ${kind.sign}`}
        </p>
        <p className="text-note text-quiet">
          good until {formatDay(culture.lastDay, house.today)}
          {culture.feedDue &&
            `; feed ${culture.feedDue <= house.today ? 'now' : formatDay(culture.feedDue, house.today)}: ${kind.feed}`}
        </p>
      </div>
      {house.may('sitter') && (
        <div className="flex flex-wrap gap-2">
          {!culture.ripeSeenAt && event('ripe', 'Ripe')}
          {kind.feedEveryDays > 0 && event('fed', 'Fed')}
          {culture.phase !== 'ripening' && event('harvested', 'Harvested')}
          {event('ended', 'Emptied')}
        </div>
      )}
    </li>
  );
}
