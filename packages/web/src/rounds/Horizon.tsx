import { lazy, Suspense, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { packLanes } from '@freshet/core/rounds';
import { addDays, daysBetween, formatDay, formatDayRange, isWeekend, weekday } from '@freshet/core/time';
import { useGet, useHouse, type Reply } from '../data';
import { measureText, stageFill, useWidth } from '../ui';
import { subjectPath } from './subjectPath';

/** The whole list is fetched when it is asked for: its dialog is no part of the first page. */
const HorizonList = lazy(async () => ({ default: (await import('./HorizonList')).HorizonList }));

type Item = Reply<'horizon'>['items'][number];

const DAYS = 21;
const LANES = 4;
const LANE_PX = 18;
const TOP_PX = 21;
const HEIGHT = 95;
const LEAST_DAY_PX = 54;
const PAD = 5;
/** The corner in which the number of hidden ones stands, px. */
const MORE_PX = 84;

interface Placed {
  item: Item;
  x: number;
  width: number;
  labelX: number;
  lane: number;
}

/** Bars with their labels, in lanes without overlap; the label stands behind its bar, or before it near the right edge. */
function placeItems(items: readonly Item[], today: string, dayPx: number): Placed[] {
  const width = dayPx * DAYS;
  const boxes = new Map(
    items.map((item) => {
      const x = daysBetween(today, item.from) * dayPx + 2;
      const bar = Math.min(width - x, (daysBetween(item.from, item.to) + 1) * dayPx - 4);
      const label = measureText(item.label) + 2 * PAD;
      const after = x + bar + label <= width;
      return [
        item.key,
        {
          item,
          x,
          width: bar,
          labelX: after ? x + bar + PAD : x - label + PAD,
          from: after ? x : x - label,
          to: after ? x + bar + label : x + bar,
        },
      ];
    }),
  );
  const lanes = packLanes(
    items.filter((item) => (boxes.get(item.key)?.from ?? -1) >= 0),
    LANES,
    (item) => ({ from: boxes.get(item.key)?.from ?? 0, to: boxes.get(item.key)?.to ?? 0 }),
  );
  // Where some do not fit the corner is kept free for what tells of them.
  const isFull = lanes.size < items.length;
  return items.flatMap((item) => {
    const [box, lane] = [boxes.get(item.key), lanes.get(item.key)];
    if (isFull && box && lane !== undefined && lane >= LANES - 2 && box.to > width - MORE_PX) return [];
    return box && lane !== undefined ? [{ item, x: box.x, width: box.width, labelX: box.labelX, lane }] : [];
  });
}

function DayColumn({ day, today, x, dayPx }: { day: string; today: string; x: number; dayPx: number }) {
  const first = day.endsWith('-01') || day === today;
  const [name = '', date = '', month = ''] = formatDay(day, today).split(' ');
  return (
    <g>
      {(day === today || isWeekend(day)) && (
        <rect x={x} width={dayPx} height={HEIGHT} fill={day === today ? 'var(--today)' : 'var(--shade)'} />
      )}
      <path d={`M${x} 0V${HEIGHT}`} stroke="var(--rule)" />
      <text x={x + 6} y="15" fontSize="13" fill="var(--ink)" fontWeight={day === today ? 700 : 400}>
        {first && day !== today && dayPx < 76 ? '' : `${name} `}
        <tspan fontWeight="700">{date}</tspan>
        {first && (day !== today || dayPx >= 76) ? ` ${month}` : ''}
      </text>
    </g>
  );
}

/** The next three weeks in one strip: hatches, first feeds, cultures ripe, tanks falling free, ready for sale. */
export function Horizon() {
  const house = useHouse();
  const horizon = useGet('horizon');
  const navigate = useNavigate();
  const [measure, width] = useWidth<HTMLDivElement>();
  const [open, setOpen] = useState(false);
  const today = horizon.data?.today ?? house.today;
  const items = useMemo(() => horizon.data?.items ?? [], [horizon.data]);
  const dayPx = Math.max(LEAST_DAY_PX, width / DAYS);
  const placed = useMemo(() => (width > 0 ? placeItems(items, today, dayPx) : []), [items, today, dayPx, width]);
  const hidden = items.length - placed.length;
  const [next] = items;
  const days = Array.from({ length: DAYS }, (_, i) => addDays(today, i));
  return (
    <div className="min-w-0 flex-1">
      <button
        type="button"
        aria-label={`Horizon: ${next ? next.label : 'nothing yet'}, ${items.length} in all`}
        onClick={() => setOpen(true)}
        className="flex min-h-11 w-full items-center gap-2 border-l border-rule px-3 text-left md:hidden"
      >
        <span className={`min-w-0 truncate ${next?.urgent ? 'font-semibold text-rust' : ''}`}>
          {next ? next.label : 'Nothing coming up yet'}
        </span>
        {items.length > 1 && <span className="ml-auto shrink-0 text-note font-semibold">+{items.length - 1}</span>}
      </button>
      <div ref={measure} className="relative hidden overflow-x-auto overflow-y-hidden md:block">
        <svg width={dayPx * DAYS} height={HEIGHT} role="group" aria-label="Horizon: the next three weeks" className="block">
          {days.map((day, i) => (
            <DayColumn key={day} day={day} today={today} x={i * dayPx} dayPx={dayPx} />
          ))}
          {placed.map(({ item, x, width: barWidth, labelX, lane }) => {
            const y = TOP_PX + lane * LANE_PX + 3;
            const name = `${weekday(item.from)}: ${item.label}, ${formatDayRange(item.from, item.to, today)}${item.predicted ? ', predicted' : ''}`;
            const go = () => void navigate(subjectPath(item.subject));
            return (
              <g
                key={item.key}
                role="link"
                tabIndex={0}
                aria-label={name}
                className="cursor-pointer"
                onClick={go}
                onKeyDown={(event) => event.key === 'Enter' && go()}
              >
                <title>{name}</title>
                <rect
                  x={x}
                  y={y}
                  width={Math.max(6, barWidth)}
                  height="14"
                  fill={stageFill(item.kind)}
                  fillOpacity={item.predicted ? 0.65 : 1}
                  stroke={item.urgent ? 'var(--rust)' : 'var(--ink)'}
                  strokeWidth={item.urgent ? 2 : 1}
                  strokeDasharray={item.predicted ? '4 3' : undefined}
                />
                <text
                  x={labelX}
                  y={y + 11.5}
                  fontSize="13"
                  fill={item.urgent ? 'var(--rust)' : 'var(--ink)'}
                  fontWeight={item.urgent ? 650 : 400}
                >
                  {item.label}
                </text>
              </g>
            );
          })}
          {horizon.data && items.length === 0 && (
            <text x={dayPx + 8} y={54} fontSize="13" fill="var(--quiet)">
              Nothing coming up yet. Spawnings, hatches and cultures show here as you log them.
            </text>
          )}
        </svg>
        {hidden > 0 && (
          <button
            type="button"
            onClick={() => setOpen(true)}
            className="sticky right-0 bottom-0 float-right -mt-[25px] min-h-6 border-t border-l border-ink bg-sheet px-2 text-note font-semibold hover:bg-today md:absolute"
          >
            +{hidden} more
          </button>
        )}
      </div>
      {open && (
        <Suspense fallback={null}>
          <HorizonList items={items} today={today} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </div>
  );
}
