import { Fragment, useEffect, useState } from 'react';
import { alarmLines } from '@freshet/core/agenda';
import { walkAt, walkWords } from '@freshet/core/room';
import { addDays, formatDay, localTime, sentence } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { ButtonLink, Empty, Loaded, PageHead, Segmented, usePageParams, withParam } from '../ui';
import { AlarmList } from './AlarmList';
import { BEHIND_MS } from './behindPage';
import { choreFields, isPlain } from './ChoreRow';
import { AllAsPlanned } from './MealRow';
import { FeedingRow } from './FeedingRow';
import { StopRow } from './StopRow';
import { choresOf, isDone, walkItems } from './walkItems';
import { WalkMap } from './WalkMap';

/** Today, tomorrow, the day after. */
const LAST_AHEAD = 2;
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];
const longDay = (day: string) => WEEKDAYS[new Date(`${day}T00:00:00Z`).getUTCDay()] ?? '';

/** A round as it stands on one of the day's walks: what is for later ones is left out, with stops that have nothing else. */
function onWalk(round: Reply<'round'>, walk: number): Reply<'round'> {
  const stops = round.stops.flatMap((stop) => {
    const chores = stop.chores.filter((chore) => chore.walk <= walk);
    const meals = stop.meals.filter((meal) => meal.walk <= walk);
    return chores.length > 0 || stop.chores.length === 0 ? [{ ...stop, chores, meals }] : [];
  });
  const chores = stops.flatMap((stop) => stop.chores);
  const open = chores.filter((chore) => !chore.outcome);
  return {
    ...round,
    stops,
    rackMeals: round.rackMeals.filter((meal) => meal.walk <= walk),
    total: chores.length,
    done: chores.length - open.length,
    minutesLeft: Math.round(open.reduce((sum, chore) => sum + chore.seconds, 0) / 60),
  };
}

/** Keys 1, 2 and 3 show today, tomorrow and the day after. */
function useDayKeys(choose: (ahead: number) => void): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!['1', '2', '3'].includes(event.key) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [role=dialog]')) return;
      choose(Number(event.key) - 1);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}

/** A rack of the walk with one tap for all that is left of it, where that is more than one stop's. */
function RackLine({ round, rackCode }: { round: Reply<'round'>; rackCode: string }) {
  const stops = round.stops.flatMap((stop) => {
    const chores = stop.rackCode === rackCode ? stop.chores.filter(isPlain) : [];
    return chores.length > 0 ? [{ stop, chores }] : [];
  });
  if (rackCode === '' || stops.length < 2) return null;
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-b border-rule px-2 text-note text-quiet max-md:hidden">
      Rack {rackCode}
      <AllAsPlanned stops={stops} words={`Rack ${rackCode}`} day={round.day} />
    </li>
  );
}

function Stops({ round, ahead, walk }: { round: Reply<'round'>; ahead: number; walk: number }) {
  const [showDone, setShowDone] = useState(false);
  const items = walkItems(round);
  const firstOpen = items.find((item) => !isDone(item) && choresOf(item).length > 0)?.number ?? null;
  const done = ahead > 0 ? [] : items.filter((item) => isDone(item) && item.number < (firstOpen ?? Infinity));
  const shown = showDone ? items : items.filter((item) => !done.includes(item));
  return (
    <>
      <WalkMap items={items} nextNumber={ahead > 0 ? null : firstOpen} />
      <div className="border-t border-ink">
        {done.length > 0 && (
          <button
            type="button"
            onClick={() => setShowDone(!showDone)}
            aria-expanded={showDone}
            className="flex min-h-11 w-full items-center gap-3 border-b border-rule px-2 text-left text-quiet hover:bg-sheet"
          >
            <span
              className="grid size-[26px] place-items-center rounded-part border border-ink bg-ink font-bold text-sheet"
              aria-hidden
            >
              ✓
            </span>
            {done.length === items.length
              ? 'The whole walk is done'
              : done.length === 1
                ? 'Stop 1 is done'
                : `Stops 1 to ${done.length} are done`}
            :{' '}
            {done
              .map((item) => (item.kind === 'stop' ? item.stop.code : `rack ${item.rackCode} fed`))
              .slice(0, 8)
              .join(', ')}
            {done.length > 8 ? ' …' : ''}
            <span className="ml-auto link">{showDone ? 'hide' : 'show'}</span>
          </button>
        )}
        <ol>
          {shown.map((item, i) => (
            <Fragment key={item.kind === 'stop' ? (item.stop.tankId ?? item.stop.code) : item.feeding.key}>
              {ahead === 0 && item.rackCode !== shown[i - 1]?.rackCode && <RackLine round={round} rackCode={item.rackCode} />}
              {item.kind === 'stop' ? (
                <StopRow
                  stop={item.stop}
                  number={item.number}
                  day={round.day}
                  ahead={ahead > 0}
                  next={ahead === 0 && item.number === firstOpen}
                />
              ) : (
                <FeedingRow
                  feeding={item.feeding}
                  missed={ahead === 0 && item.feeding.walk < walk ? walkWords(round.walks, item.feeding.walk) : null}
                  number={item.number}
                  day={round.day}
                  ahead={ahead > 0}
                  next={ahead === 0 && item.number === firstOpen}
                />
              )}
            </Fragment>
          ))}
        </ol>
      </div>
    </>
  );
}

/** What do I do on this walk, in which order, with what amounts? */
export function RoundsPage() {
  const house = useHouse();
  const [search, setSearch] = usePageParams();
  const ahead = Math.min(LAST_AHEAD, Math.max(0, Math.trunc(Number(search.get('ahead')) || 0)));
  const setAhead = (days: number) => setSearch(withParam(withParam(search, 'walk', ''), 'ahead', days === 0 ? '' : String(days)));
  useDayKeys(setAhead);
  // Behind the page, so that it is there when the server is away.
  useEffect(() => {
    const timer = setTimeout(() => void choreFields(), BEHIND_MS);
    return () => clearTimeout(timer);
  }, []);
  const days = [0, 1, 2].map((count) => addDays(house.today, count));
  const day = days[ahead] ?? house.today;
  const round = useGet('round', { query: ahead === 0 ? {} : { day } });
  const times = round.data?.walks ?? [];
  const last = Math.max(0, times.length - 1);
  const asked = search.get('walk');
  const usual = walkAt(times, localTime(house.now(), house.timeZone));
  const walk = ahead > 0 ? last : Math.min(last, asked === null ? usual : Math.max(0, Math.trunc(Number(asked)) || 0));
  return (
    <Loaded reply={round} what="the round">
      {(whole) => {
        const data = onWalk(whole, walk);
        return (
          <>
            <PageHead
              title={
                ahead === 0 ? `${longDay(data.day)} ${walkWords(times, walk)} walk` : `${longDay(data.day)}, as it looks today`
              }
              about={
                data.total > 0 && ahead === 0 ? (
                  <>
                    <b className="text-ink">{data.done}</b> of <b className="text-ink">{data.total}</b> done, about{' '}
                    <b className="text-ink">{data.minutesLeft} min</b> left
                  </>
                ) : ahead > 0 ? (
                  <>
                    {data.total} chores, about {data.minutesLeft} min; with today’s numbers
                  </>
                ) : undefined
              }
            >
              {ahead === 0 && times.length > 1 && (
                <Segmented
                  label="Walk of the day"
                  value={String(walk)}
                  onChange={(value) => setSearch(withParam(search, 'walk', value))}
                  options={times.map((_, i) => ({ value: String(i), label: sentence(walkWords(times, i)) }))}
                />
              )}
              <Segmented
                label="Day of the round"
                value={String(ahead)}
                onChange={(value) => setAhead(Number(value))}
                options={days.map((option, i) => ({
                  value: String(i),
                  label: i === 0 ? 'Today' : formatDay(option, house.today).split(' ').slice(0, 2).join(' '),
                }))}
              />
              <ButtonLink to="/sheet" className="hidden md:inline-flex">
                Sheet for the sitter
              </ButtonLink>
            </PageHead>
            {data.stops.length === 0 ? (
              <Empty
                title="Nothing to do yet"
                action={
                  <>
                    <ButtonLink to="/room" look="main">
                      Put up a rack and a tank
                    </ButtonLink>
                    <ButtonLink to="/stock">Record your stock</ButtonLink>
                  </>
                }
              >
                Your chores come from your tanks, fish, broods and cultures. Start with a rack, a shelf and a tank, then add your
                fish.
              </Empty>
            ) : (
              <div className="grid grid-cols-1 gap-2 md:gap-5 lg:grid-cols-[minmax(0,1fr)_296px]">
                <section aria-label="Needs you" className="order-first lg:order-last">
                  {ahead === 0 && (
                    <>
                      <details className="border border-ink bg-sheet lg:hidden">
                        <summary className="min-h-11 cursor-pointer px-3 py-2.5 font-semibold">
                          {alarmLines(data.alarms).filter(({ severity }) => severity === 'now').length} now,{' '}
                          {alarmLines(data.alarms).filter(({ severity }) => severity === 'soon').length} soon
                        </summary>
                        <AlarmList alarms={data.alarms} />
                      </details>
                      <div className="hidden lg:block">
                        <AlarmList alarms={data.alarms} />
                      </div>
                    </>
                  )}
                  {ahead > 0 && <p className="text-quiet">Tomorrow’s list can still change. You can’t tick it yet.</p>}
                </section>
                <section aria-label="Stops" className="min-w-0">
                  <Stops round={data} ahead={ahead} walk={walk} />
                </section>
              </div>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
