import { useState } from 'react';
import { Link } from 'react-router';
import { v7 as newId } from 'uuid';
import { FOOD_NAMES } from '@freshet/core/species';
import { formatDay, formatDayRange, formatInstant, formatInstantRange, houseDay } from '@freshet/core/time';
import { formatNumber, roundToFigures } from '@freshet/core/units';
import { useHouse, useLog, type Reply } from '../../data';
import { Dialog, stageFill } from '../../ui';
import { CultureForm } from './CultureForm';
import { CountForm, HarvestForm } from './HarvestForm';
import { LookForm } from './LookForm';

type Culture = Reply<'cultures'>[number];
const PHASE: Record<Culture['phase'], string> = {
  ripening: 'ripening',
  maybeRipe: 'could be ripe',
  ripe: 'ripe',
  overdue: 'finished',
};
const STEP = { split: 'split it', renew: 'start a new one from it', empty: 'empty it', thin: 'thin it out' } as const;

/** How ripe or full, as a jar that fills. */
export function Jar({ ripeness, overdue }: { ripeness: number; overdue: boolean }) {
  const height = 32 * ripeness;
  return (
    <svg width="30" height="42" aria-hidden className="shrink-0">
      <path d="M8 1h14M8 1v5L3 11v30h24V11l-5-5V1" fill="none" stroke="var(--ink)" />
      <rect x="4" y={40 - height * 0.9} width="22" height={height * 0.9} fill={stageFill('culture')} />
      {overdue && <path d="M3 11 27 41M27 11 3 41" stroke="var(--rust)" strokeWidth="2" />}
    </svg>
  );
}

/** When it is ripe, until when it is good, in a line. */
function whenWords(culture: Culture, today: string, timeZone: string): string {
  if (culture.hatch)
    return culture.kept
      ? `kept ${culture.kept}, good until ${formatInstant(culture.hatch.goodUntil, today, timeZone)}`
      : `ready ${formatInstantRange({ from: culture.hatch.from, to: culture.hatch.by }, today, timeZone)}`;
  const ripe = culture.ripeSeenAt
    ? `seen ripe ${formatDay(culture.ripeFrom, today)}`
    : `ripe ${formatDayRange(culture.ripeFrom, culture.ripeBy, today)}`;
  return `${ripe}, good until ${formatDay(culture.lastDay, today)}`;
}

/** No more figures than a look under a torch bears. */
export const ml = (value: number): string => formatNumber(roundToFigures(value, 2));

/** What it gives every day, and when next. */
export function giveWords(culture: Culture): string {
  const { learned } = culture;
  if (!learned) return '';
  if (learned.looks === 0) return 'Not looked at yet; this is the usual amount.';
  const { mean, low90, high90 } = learned.sustainableMlPerDay;
  const next =
    learned.mayTakeMl >= 0.05
      ? `Take ${ml(learned.mayTakeMl)} ml today.`
      : learned.nextInDays === 0
        ? 'Take a little today.'
        : `Leave it ${learned.nextInDays === 1 ? 'one more day' : `${learned.nextInDays} more days`}.`;
  return `${next} About ${ml(mean)} ml a day, every day (${ml(low90)} to ${ml(high90)}, from ${learned.looks === 1 ? 'one look' : `${learned.looks} looks`}).`;
}

/** One culture: how ripe, what it gives, what threatens it, and its taps. */
export function CultureRow({ culture }: { culture: Culture }) {
  const house = useHouse();
  const log = useLog();
  const [form, setForm] = useState<'look' | 'harvest' | 'count' | 'split' | null>(null);
  const [more, setMore] = useState(false);
  const close = () => setForm(null);
  const event = (kind: 'fed' | 'ripe' | 'renewed' | 'ended', words: string, said: string, ended?: 'crashed' | 'emptied') => (
    <button
      type="button"
      className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
      onClick={() =>
        void log(
          'cultureEvent',
          { id: newId(), cultureId: culture.id, kind, at: house.now(), ...(ended ? { ended } : {}) },
          `${culture.name} ${said}`,
        )
      }
    >
      {words}
    </button>
  );
  const open = (which: NonNullable<typeof form>, words: string) => (
    <button
      type="button"
      className="min-h-11 rounded-part border border-ink px-3 font-semibold hover:bg-today"
      onClick={() => setForm(which)}
    >
      {words}
    </button>
  );
  const [risk] = culture.risks;
  const fullness = culture.learned && culture.learned.looks > 0 ? culture.learned.fullness.mean : culture.ripeness;
  // What is finished is emptied: it's neither fed nor harvested.
  const isFinished = culture.phase === 'overdue';
  const bad = isFinished || risk?.level === 'high';
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-2">
      <Jar ripeness={Math.min(1, fullness)} overdue={bad} />
      <div className="min-w-60 flex-1">
        <p>
          <Link to={`/larder/cultures/${culture.id}`} className="link font-bold">
            {culture.name}
          </Link>{' '}
          <span className={culture.phase === 'overdue' ? 'font-semibold text-rust' : 'text-quiet'}>{PHASE[culture.phase]}</span>
        </p>
        <p className="text-note text-quiet">
          {culture.kindName ?? FOOD_NAMES[culture.food]}, started{' '}
          {formatDay(houseDay(culture.startedAt, house.timeZone), house.today)}; {whenWords(culture, house.today, house.timeZone)}
          {!isFinished &&
            culture.feedDue &&
            `; feed ${culture.feedDue <= house.today ? 'now' : formatDay(culture.feedDue, house.today)}: ${culture.feed}`}
        </p>
        {culture.learned && !isFinished && <p className="text-note">{giveWords(culture)}</p>}
        {risk && (
          <p className={`text-note ${risk.level === 'high' ? 'font-semibold text-rust' : ''}`}>
            {risk.words} {risk.remedy}
          </p>
        )}
        {culture.step && (
          <p className="text-note">
            {culture.step.day <= house.today ? 'Now' : formatDay(culture.step.day, house.today)}: {STEP[culture.step.action]}.{' '}
            <span className="text-quiet">{culture.step.why}</span>
          </p>
        )}
      </div>
      {house.may('sitter') && (
        <div className="flex max-w-full flex-wrap justify-end gap-2 md:max-w-[28rem]">
          {!culture.batch && open('look', 'Look')}
          {culture.phase !== 'ripening' && !isFinished && open('harvest', 'Harvest')}
          {culture.batch && culture.setWith && culture.phase !== 'ripening' && open('count', 'Count')}
          {culture.feedEveryDays > 0 && !isFinished && event('fed', 'Fed', 'fed')}
          {isFinished && event('ended', 'Emptied', 'emptied', 'emptied')}
          {!culture.ripeSeenAt && !culture.batch && event('ripe', 'Ripe', 'ripe')}
          <button
            type="button"
            aria-expanded={more}
            aria-label={`More for ${culture.name}`}
            className="min-h-11 rounded-part border border-edge px-3 hover:bg-today"
            onClick={() => setMore(!more)}
          >
            More
          </button>
          {more && (
            <div className="flex basis-full flex-wrap justify-end gap-2">
              {!culture.batch && open('split', 'Split')}
              {!culture.batch && culture.phase !== 'ripening' && event('renewed', 'Fresh medium', 'given fresh medium')}
              {!isFinished && event('ended', 'Emptied', 'emptied', 'emptied')}
              {!culture.batch && event('ended', 'Crashed', 'crashed', 'crashed')}
            </div>
          )}
        </div>
      )}
      {form === 'look' && (
        <Dialog title={`Look at ${culture.name}`} open onClose={close}>
          <LookForm culture={culture} done={close} />
        </Dialog>
      )}
      {form === 'harvest' && (
        <Dialog title={`Harvest ${culture.name}`} open onClose={close}>
          <HarvestForm culture={culture} done={close} />
        </Dialog>
      )}
      {form === 'count' && (
        <Dialog title={`Count ${culture.name}`} open onClose={close}>
          <CountForm culture={culture} done={close} />
        </Dialog>
      )}
      {form === 'split' && (
        <Dialog title={`A new one from ${culture.name}`} open onClose={close}>
          <CultureForm food={culture.food} fromId={culture.id} done={close} />
        </Dialog>
      )}
    </li>
  );
}
