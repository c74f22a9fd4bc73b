import { Link } from 'react-router';
import { STAGE_NAMES } from '@freshet/core/spawning';
import { addDays, formatDate, formatDateRange, formatDayRange, houseDay, startOfDay } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { ButtonLink, Empty, Loaded, PageHead, STAGE_WORDS, Swatch, useWidth, type StageKind } from '../ui';
import { StreamBands } from './StreamBands';
import { shapeStream } from './streamShape';

type Brood = Reply<'broods'>[number];
/** Six weeks back, twelve ahead: what comes next is what is asked here; older bands begin at the edge. */
const PAST_DAYS = 42;
const AHEAD_DAYS = 84;
const ROW_PX = 46;
const DAY_MS = 86_400_000;

function nextWords(brood: Brood, today: string, timeZone: string): string {
  const { next } = brood;
  const name = next ? (next.stage === 'hatch' && brood.carried ? 'release' : STAGE_NAMES[next.stage].toLowerCase()) : '';
  if (next?.earliest)
    return `${name} ${next.status === 'overdue' ? 'was due ' : ''}${formatDayRange(houseDay(next.earliest, timeZone), houseDay(next.latest ?? next.earliest, timeZone), today)}`;
  if (next) return `${name}: too cold`;
  if (brood.stage === 'ready') return 'for sale by the curve; measure them';
  return brood.ready
    ? `ready ${formatDateRange(houseDay(brood.ready.from, timeZone), houseDay(brood.ready.to, timeZone), today)}`
    : '';
}

function Row({ brood, width }: { brood: Brood; width: number }) {
  const house = useHouse();
  const nowMs = Date.parse(house.now());
  const from = Date.parse(startOfDay(addDays(house.today, -PAST_DAYS), house.timeZone));
  const x = (ms: number) => ((ms - from) / ((PAST_DAYS + AHEAD_DAYS) * DAY_MS)) * width;
  const most = Math.max(1, ...brood.stream.bands.flatMap((band) => band.points.map((point) => point.count)));
  const { bands } = shapeStream(brood, { x, nowMs, perHead: (ROW_PX - 16) / most, top: 5, gap: 2, forkPx: 8 });
  const height = Math.max(ROW_PX - 4, ...bands.flatMap((band) => band.past.map((point) => point.bottom + 4)));
  return (
    <svg width={width} height={height} aria-hidden className="block">
      <StreamBands
        bands={bands}
        stages={brood.stages}
        x={x}
        nowMs={nowMs}
        left={Math.max(0, x(Date.parse(brood.laid.from)))}
        right={width}
      />
      <path d={`M${x(nowMs)} 0V${height}`} stroke="var(--rust)" strokeWidth="1.5" />
    </svg>
  );
}

function TimeAxis({ width }: { width: number }) {
  const house = useHouse();
  const weeks = Array.from({ length: Math.floor((PAST_DAYS + AHEAD_DAYS) / 14) + 1 }, (_, i) => i * 14);
  return (
    <svg width={width} height="26" aria-hidden className="block">
      {weeks.slice(0, -1).map((day) => {
        const px = (day / (PAST_DAYS + AHEAD_DAYS)) * width;
        const date = addDays(house.today, day - PAST_DAYS);
        return (
          <g key={day}>
            <path d={`M${px} 18v8`} stroke="var(--ink)" />
            <text
              x={Math.max(0, Math.min(width - 44, px - 18))}
              y="13"
              fontSize="12"
              fill={day === PAST_DAYS ? 'var(--rust)' : 'var(--quiet)'}
              fontWeight={day === PAST_DAYS ? 700 : 400}
            >
              {day === PAST_DAYS ? 'today' : formatDate(date, house.today)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** How many, how old, what comes next and when? Every brood on one time axis. */
export function BroodsPage() {
  const house = useHouse();
  const broods = useGet('broods');
  const [measure, width] = useWidth<HTMLDivElement>();
  return (
    <Loaded reply={broods} what="the broods">
      {(data) => (
        <>
          <PageHead
            title="Broods"
            about={`${data.length} alive, ${data.reduce((sum, brood) => sum + brood.alive, 0)} young; the band is as thick as its headcount`}
          >
            <ButtonLink to="/broods/carriers">Carriers</ButtonLink>
          </PageHead>
          {data.length === 0 ? (
            <Empty
              title="No brood yet"
              action={
                <ButtonLink to="/spawns/new" look="main">
                  Start an attempt
                </ButtonLink>
              }
            >
              A brood begins when eggs are seen in a spawning attempt, or young are born.
            </Empty>
          ) : (
            <div className="border border-rule bg-sheet">
              <div className="sticky top-0 z-10 grid border-b border-ink bg-sheet md:grid-cols-[330px_1fr]">
                <div className="hidden items-center gap-3 overflow-hidden px-3 text-note text-quiet md:flex">
                  {(['eggs', 'yolk', 'fry', 'growing', 'ready'] as StageKind[]).map((kind) => (
                    <span key={kind} className="flex items-center gap-1">
                      <Swatch kind={kind} width={14} height={12} />
                      {STAGE_WORDS[kind]}
                    </span>
                  ))}
                </div>
                <div ref={measure} className="min-w-0 overflow-hidden">
                  {width > 0 && <TimeAxis width={width} />}
                </div>
              </div>
              <ul>
                {data.map((brood) => (
                  <li key={brood.id} className="border-b border-rule">
                    <Link to={`/broods/${brood.id}`} className="grid items-center hover:bg-today md:grid-cols-[330px_1fr]">
                      <div className="flex min-w-0 items-center gap-3 px-3 py-1.5">
                        <span className="w-14 shrink-0 font-mono font-semibold">
                          {brood.lots.find((lot) => lot.count > 0)?.tankCode}
                        </span>
                        <div className="min-w-0 flex-1">
                          <div className="flex justify-between gap-3">
                            <b className="truncate">{brood.name}</b>
                            <span className="shrink-0">
                              <b>{brood.alive}</b> {STAGE_WORDS[brood.stage]}
                            </span>
                          </div>
                          <div
                            className={`truncate text-note ${brood.next?.status === 'overdue' || brood.next?.status === 'notReached' ? 'font-semibold text-rust' : 'text-quiet'}`}
                          >
                            day {brood.ageDays}, {nextWords(brood, house.today, house.timeZone)}
                          </div>
                        </div>
                      </div>
                      <div className="min-w-0 overflow-hidden">{width > 0 && <Row brood={brood} width={width} />}</div>
                    </Link>
                  </li>
                ))}
              </ul>
            </div>
          )}
        </>
      )}
    </Loaded>
  );
}
