import { useRef } from 'react';
import { Link } from 'react-router';
import { useVirtualizer } from '@tanstack/react-virtual';
import { LIFE_STAGES } from '@freshet/core/broods';
import { STAGE_NAMES } from '@freshet/core/spawning';
import { addDays, formatDate, formatDateRange, formatDayRange, houseDay, startOfDay } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import {
  ButtonLink,
  Empty,
  KindField,
  Loaded,
  PageHead,
  Segmented,
  SelectField,
  STAGE_WORDS,
  Swatch,
  TextField,
  usePageParams,
  useWidth,
  withParam,
  type StageKind,
} from '../ui';
import { BROOD_ORDERS, orderBroods, type BroodOrder } from './broodOrder';
import { StreamBands } from './StreamBands';
import { shapeStream } from './streamShape';

type Brood = Reply<'broods'>[number];
const ROW_PX = 46;
const DAY_MS = 86_400_000;
/** Days back and ahead that are drawn; what comes next is what is asked here, and older bands begin at the edge. */
const ZOOMS = {
  weeks: { label: '6 weeks', back: 14, ahead: 28 },
  months: { label: '4 months', back: 42, ahead: 84 },
  all: { label: 'All', back: 0, ahead: 0 },
} as const;
type Zoom = keyof typeof ZOOMS;

/** What the axis runs over, days from today. */
interface Span {
  back: number;
  ahead: number;
}

/** Days that hold every brood from laying to sale. */
function spanOfAll(broods: readonly Brood[], nowMs: number): Span {
  const back = Math.max(7, ...broods.map(({ laid }) => (nowMs - Date.parse(laid.from)) / DAY_MS));
  const ahead = Math.max(14, ...broods.map(({ ready }) => (ready ? (Date.parse(ready.to) - nowMs) / DAY_MS : 0)));
  return { back: Math.ceil(back), ahead: Math.ceil(ahead) };
}

function nextWords(brood: Brood, today: string, timeZone: string): string {
  const { next } = brood;
  const name = next ? (next.stage === 'hatch' && brood.carried ? 'release' : STAGE_NAMES[next.stage].toLowerCase()) : '';
  if (next?.earliest)
    return `${name} ${next.status === 'overdue' ? 'was due ' : ''}${formatDayRange(houseDay(next.earliest, timeZone), houseDay(next.latest ?? next.earliest, timeZone), today)}`;
  if (next) return `${name}: too cold`;
  if (brood.stage === 'ready') return 'probably ready to sell; measure them';
  return brood.ready
    ? `ready ${formatDateRange(houseDay(brood.ready.from, timeZone), houseDay(brood.ready.to, timeZone), today)}`
    : '';
}

function Row({ brood, width, span }: { brood: Brood; width: number; span: Span }) {
  const house = useHouse();
  const nowMs = Date.parse(house.now());
  const from = Date.parse(startOfDay(addDays(house.today, -span.back), house.timeZone));
  const x = (ms: number) => ((ms - from) / ((span.back + span.ahead) * DAY_MS)) * width;
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

function TimeAxis({ width, span }: { width: number; span: Span }) {
  const house = useHouse();
  const perDay = width / (span.back + span.ahead);
  const step = [7, 14, 28, 56, 84].find((days) => days * perDay >= 74) ?? 182;
  const from = -Math.floor(span.back / step) * step;
  const days = Array.from({ length: Math.floor((span.ahead - from) / step) + 1 }, (_, i) => from + i * step);
  return (
    <svg width={width} height="26" aria-hidden className="block">
      {days.map((day) => {
        const px = (day + span.back) * perDay;
        return px > width - 40 && day !== 0 ? null : (
          <g key={day}>
            <path d={`M${px} 18v8`} stroke="var(--ink)" />
            <text
              x={Math.max(0, Math.min(width - 44, px - 18))}
              y="13"
              fontSize="12"
              fill={day === 0 ? 'var(--rust)' : 'var(--quiet)'}
              fontWeight={day === 0 ? 700 : 400}
            >
              {day === 0 ? 'today' : formatDate(addDays(house.today, day), house.today)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function BroodRow({ brood, width, span }: { brood: Brood; width: number; span: Span }) {
  const house = useHouse();
  return (
    <Link
      to={`/broods/${brood.id}`}
      className="grid items-center hover:bg-today md:grid-cols-[330px_1fr]"
      onKeyDown={(event) => {
        // Arrow keys go from row to row.
        const row = event.currentTarget.parentElement;
        const to =
          event.key === 'ArrowDown' ? row?.nextElementSibling : event.key === 'ArrowUp' ? row?.previousElementSibling : null;
        const link = to?.querySelector('a');
        if (!link) return;
        event.preventDefault();
        link.focus();
      }}
    >
      <div className="flex min-w-0 items-center gap-3 px-3 py-1.5">
        <span className="w-14 shrink-0 font-mono font-semibold">{brood.lots.find((lot) => lot.count > 0)?.tankCode}</span>
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
      <div className="min-w-0 overflow-hidden">{width > 0 && <Row brood={brood} width={width} span={span} />}</div>
    </Link>
  );
}

/** Rows of streams on one axis; only those in sight are drawn, so that hundreds scroll like ten. */
function Streams({ broods, zoom }: { broods: readonly Brood[]; zoom: Zoom }) {
  const house = useHouse();
  const [measure, width] = useWidth<HTMLDivElement>();
  const box = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: broods.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW_PX + 2,
    getItemKey: (i) => broods[i]?.id ?? i,
    overscan: 8,
  });
  const shown = virtual.getVirtualItems();
  const span = zoom === 'all' ? spanOfAll(broods, Date.parse(house.now())) : ZOOMS[zoom];
  return (
    <div ref={box} className="max-h-[calc(100dvh-312px)] min-h-72 overflow-auto border border-rule bg-sheet">
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
          {width > 0 && <TimeAxis width={width} span={span} />}
        </div>
      </div>
      <ul style={{ paddingTop: shown[0]?.start ?? 0, paddingBottom: virtual.getTotalSize() - (shown.at(-1)?.end ?? 0) }}>
        {shown.map(({ index, key }) => {
          const brood = broods[index];
          return (
            brood && (
              <li key={key} data-index={index} ref={virtual.measureElement} className="border-b border-rule">
                <BroodRow brood={brood} width={width} span={span} />
              </li>
            )
          );
        })}
      </ul>
    </div>
  );
}

/** How many, how old, what comes next and when? Every brood on one time axis. */
export function BroodsPage() {
  const broods = useGet('broods');
  const [search, setSearch] = usePageParams();
  const set = (key: string, value: string) => setSearch(withParam(search, key, value));
  const told = (key: string) => search.get(key) ?? '';
  const orderTold = told('by');
  const order: BroodOrder = orderTold in BROOD_ORDERS ? (orderTold as BroodOrder) : 'newest';
  const zoomTold = told('zoom');
  const zoom: Zoom = zoomTold in ZOOMS ? (zoomTold as Zoom) : 'months';
  return (
    <Loaded reply={broods} what="the broods">
      {(data) => {
        const kinds = [...new Map(data.map(({ speciesKey, speciesName }) => [speciesKey, speciesName]))].sort((a, b) =>
          a[1].localeCompare(b[1]),
        );
        const shown = orderBroods(data, { order, species: told('species'), stage: told('stage'), find: told('find') });
        const heads = shown.reduce((sum, brood) => sum + brood.alive, 0);
        return (
          <>
            <PageHead
              title="Broods"
              about={`${shown.length === data.length ? `${data.length} alive` : `${shown.length} of ${data.length}`}, ${heads} young; the band is as thick as its headcount`}
            >
              <ButtonLink to="/broods/carriers">Carriers</ButtonLink>
            </PageHead>
            {data.length === 0 ? (
              <Empty
                title="No broods yet"
                action={
                  <ButtonLink to="/spawns/new" look="main">
                    Plan a spawning
                  </ButtonLink>
                }
              >
                A brood begins when you log eggs or newborn fry.
              </Empty>
            ) : (
              <>
                <div className="mb-2 flex flex-wrap items-end gap-x-3 gap-y-2">
                  <TextField
                    label="Find"
                    boxClass="w-36"
                    placeholder="name or tank"
                    value={told('find')}
                    onChange={(event) => set('find', event.target.value)}
                  />
                  <KindField value={told('species')} kinds={kinds} onChange={(key) => set('species', key)} />
                  <SelectField
                    label="Stage"
                    boxClass="w-32"
                    value={told('stage')}
                    onChange={(event) => set('stage', event.target.value)}
                  >
                    <option value="">all</option>
                    {LIFE_STAGES.map((stage) => (
                      <option key={stage} value={stage}>
                        {STAGE_WORDS[stage]}
                      </option>
                    ))}
                  </SelectField>
                  <SelectField
                    label="Sort by"
                    boxClass="w-44"
                    value={order}
                    onChange={(event) => set('by', event.target.value === 'newest' ? '' : event.target.value)}
                  >
                    {Object.entries(BROOD_ORDERS).map(([key, label]) => (
                      <option key={key} value={key}>
                        {label}
                      </option>
                    ))}
                  </SelectField>
                  <Segmented
                    label="Time shown"
                    value={zoom}
                    onChange={(next) => set('zoom', next === 'months' ? '' : next)}
                    options={(Object.keys(ZOOMS) as Zoom[]).map((value) => ({ value, label: ZOOMS[value].label }))}
                  />
                </div>
                {shown.length === 0 ? (
                  <Empty title="None match" action={<ButtonLink to="/broods">Show all</ButtonLink>}>
                    No living brood matches your choice above.
                  </Empty>
                ) : (
                  <Streams broods={shown} zoom={zoom} />
                )}
              </>
            )}
          </>
        );
      }}
    </Loaded>
  );
}
