import { useRef, useState } from 'react';
import type { TideDay, TideVessel } from '@freshet/core/larder';
import { addDays, formatDay, isWeekend } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import { useHouse } from '../../data';
import { measureText, stageFill, useWidth } from '../../ui';
import { CHART_PX, dayAt, LEFT_PX, shapeTide, tickOf, TOP_PX, VESSEL_PX, vesselBar } from './tideShape';

/** A vessel of the picture and whether its start can be moved. */
export interface DrawnVessel extends TideVessel {
  /** `suggested` by the plan, `held` by the keeper, `taken` over before; null for what runs. */
  plan: 'suggested' | 'held' | 'taken' | null;
}

const AXIS_PX = 34;
/** On a phone only the day of a start is written; its handle tells the rest. */
const NARROW_PX = 560;
const KEY_DAYS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 };
const PLAN_WORDS = { suggested: 'suggested', held: 'held there', taken: 'planned' } as const;

/** A vessel's bar on the axis; a planned one has a handle at its start, for the pointer and for keys. */
function VesselLine({
  vessel,
  row,
  x,
  days,
  width,
  move,
}: {
  vessel: DrawnVessel;
  row: number;
  x: (day: number) => number;
  days: number;
  width: number;
  move: (id: string, day: number, isDone: boolean) => void;
}) {
  const house = useHouse();
  const bar = vesselBar(vessel, days);
  const y = row * VESSEL_PX + 4;
  const height = VESSEL_PX - 10;
  const dashed = vessel.plan ? '4 3' : undefined;
  const dayWords = (day: number) => formatDay(addDays(house.today, day), house.today);
  const words = bar.isGone
    ? `${vessel.name}, giving nothing now`
    : width < NARROW_PX && vessel.plan
      ? `start ${dayWords(vessel.startDay)}`
      : `${vessel.name}${vessel.plan ? `, ${PLAN_WORDS[vessel.plan]}: start ${dayWords(vessel.startDay)}` : ''}`;
  const end = x(bar.end);
  const fits = end + measureText(words) + 16 < width;
  const start = vessel.startDay;
  return (
    <g>
      <rect
        x={x(bar.start)}
        y={y}
        width={Math.max(0, x(bar.ripe) - x(bar.start))}
        height={height}
        fill="var(--sheet)"
        stroke="var(--edge)"
        strokeDasharray={dashed}
      />
      <rect
        x={x(bar.ripe)}
        y={y}
        width={Math.max(bar.isGone ? 0 : 2, end - x(bar.ripe))}
        height={height}
        fill={stageFill('culture')}
        fillOpacity={vessel.plan ? 0.6 : 1}
        stroke="var(--ink)"
        strokeDasharray={dashed}
      />
      <text
        x={fits ? end + (bar.end === bar.start ? 4 : 8) : Math.max(x(bar.ripe), x(bar.start)) + 14}
        y={y + height - 4}
        fontSize="13"
        fontWeight={vessel.plan ? 600 : 400}
        fill="var(--ink)"
        paintOrder="stroke"
        stroke={fits ? 'none' : 'var(--sheet)'}
        strokeWidth="4"
      >
        {words}
      </text>
      {vessel.plan && (
        <g
          role="slider"
          tabIndex={0}
          aria-label={`Start of ${vessel.name}, ${PLAN_WORDS[vessel.plan]}`}
          aria-valuemin={0}
          aria-valuemax={days - 1}
          aria-valuenow={start}
          aria-valuetext={dayWords(start)}
          className="cursor-ew-resize touch-none focus-visible:outline-2 focus-visible:outline-deep"
          onKeyDown={(event) => {
            const by = KEY_DAYS[event.key];
            if (by === undefined) return;
            event.preventDefault();
            move(vessel.id, Math.min(days - 1, Math.max(0, start + by)), true);
          }}
          onPointerDown={(event) => {
            event.stopPropagation();
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onPointerMove={(event) => {
            if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
            const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
            if (box) move(vessel.id, dayAt(event.clientX - box.left, width, days), false);
          }}
          onPointerUp={(event) => {
            event.stopPropagation();
            const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
            if (box) move(vessel.id, dayAt(event.clientX - box.left, width, days), true);
          }}
        >
          <rect x={x(bar.start) - 22} y={y - 13} width="44" height="44" fill="transparent" />
          <path
            d={`M${x(bar.start) - 12} ${y + height / 2}l6-4v8zM${x(bar.start) + 12} ${y + height / 2}l-6-4v8z`}
            fill="var(--deep)"
          />
          <circle cx={x(bar.start)} cy={y + height / 2} r="6" fill="var(--deep)" stroke="var(--sheet)" strokeWidth="1.5" />
        </g>
      )}
    </g>
  );
}

/** Supply and demand of one class of food, and the vessels that give it, on one axis of days. */
export function TidePicture({
  days,
  vessels,
  touched,
  touch,
  move,
  tinWords,
  children,
}: {
  days: readonly TideDay[];
  vessels: readonly DrawnVessel[];
  touched: number | null;
  touch: (day: number | null) => void;
  move: (id: string, day: number, isDone: boolean) => void;
  tinWords: string | null;
  /** What the touched day tells; placed beside it. */
  children: React.ReactNode;
}) {
  const house = useHouse();
  const [box, width] = useWidth<HTMLDivElement>();
  const [dragging, setDragging] = useState(false);
  const chart = useRef<SVGSVGElement>(null);
  const shape = shapeTide(days, width);
  const { x, y } = shape;
  const bottom = TOP_PX + CHART_PX;
  const dayWords = (day: number) => formatDay(addDays(house.today, day), house.today);
  const firstShort = days.findIndex(({ short }) => short > 0);
  const step = tickOf(shape.top);
  const ticks = Array.from({ length: Math.floor(shape.top / step) }, (_, i) => (i + 1) * step);
  const every = width < 600 ? 14 : 7;
  const cut = days.some(({ supply }) => supply > shape.top * 1.001);
  const at = touched ?? -1;
  const touchWords = (day: number) => {
    const one = days[day];
    return one ? `${dayWords(day)}: ${formatNumber(one.demand)} ml needed, ${formatNumber(one.supply)} ml ripe` : '';
  };
  return (
    <div ref={box} className="relative border-b border-rule">
      {width > 0 && (
        <>
          <svg
            ref={chart}
            width={width}
            height={bottom + AXIS_PX}
            role="slider"
            tabIndex={0}
            aria-label="Need and supply by day; use the arrow keys to read a day"
            aria-valuemin={0}
            aria-valuemax={days.length - 1}
            aria-valuenow={touched ?? 0}
            aria-valuetext={touchWords(touched ?? 0)}
            className="block touch-pan-y focus-visible:outline-2 focus-visible:outline-deep"
            onKeyDown={(event) => {
              const by = KEY_DAYS[event.key];
              if (by === undefined) return;
              event.preventDefault();
              touch(Math.min(days.length - 1, Math.max(0, (touched ?? 0) + by)));
            }}
            onPointerDown={(event) => {
              setDragging(true);
              touch(dayAt(event.nativeEvent.offsetX, width, days.length));
            }}
            onPointerMove={(event) => {
              if (dragging || event.pointerType === 'mouse') touch(dayAt(event.nativeEvent.offsetX, width, days.length));
            }}
            onPointerUp={() => setDragging(false)}
            onPointerLeave={() => setDragging(false)}
          >
            <defs>
              <pattern id="tide-short" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <rect width="7" height="7" fill="var(--rust-wash)" />
                <path d="M0 0V7" stroke="var(--rust)" strokeWidth="3" />
              </pattern>
            </defs>
            {days.map((_, day) =>
              isWeekend(addDays(house.today, day)) ? (
                <rect key={day} x={x(day)} y={TOP_PX} width={x(day + 1) - x(day)} height={CHART_PX} fill="var(--shade)" />
              ) : null,
            )}
            {ticks.map((ml) => (
              <g key={ml}>
                <path d={`M${LEFT_PX} ${y(ml)}H${width}`} stroke="var(--rule)" />
                <text x={LEFT_PX - 6} y={y(ml) + 4} fontSize="12" textAnchor="end" fill="var(--quiet)">
                  {formatNumber(ml)}
                </text>
              </g>
            ))}
            <text x={LEFT_PX - 6} y={TOP_PX - 2} fontSize="12" textAnchor="end" fill="var(--quiet)">
              ml
            </text>
            {shape.surplus.map((one) => (
              <rect
                key={`o${one.x}`}
                x={one.x}
                y={one.y}
                width={one.width + 0.3}
                height={one.height}
                fill="var(--culture)"
                opacity="0.2"
              />
            ))}
            {shape.used.map((one) => (
              <rect
                key={`u${one.x}`}
                x={one.x}
                y={one.y}
                width={one.width + 0.3}
                height={one.height}
                fill={stageFill('culture')}
              />
            ))}
            {shape.short.map((one) => (
              <rect key={`s${one.x}`} x={one.x} y={one.y} width={one.width + 0.3} height={one.height} fill="url(#tide-short)" />
            ))}
            <path d={shape.band} fill="var(--ink)" opacity="0.1" />
            <path d={shape.demand} fill="none" stroke="var(--ink)" strokeWidth="2" />
            <path d={`M${LEFT_PX} ${bottom}H${width}`} stroke="var(--ink)" />
            {days.map((_, day) =>
              day % every === 0 && x(day) < width - 40 ? (
                <g key={day}>
                  <path d={`M${x(day)} ${bottom}v6`} stroke="var(--ink)" />
                  <text
                    x={x(day)}
                    y={bottom + 20}
                    fontSize="13"
                    fill={day === 0 ? 'var(--ink)' : 'var(--quiet)'}
                    fontWeight={day === 0 ? 700 : 400}
                  >
                    {dayWords(day)}
                  </text>
                </g>
              ) : null,
            )}
            {firstShort >= 0 && (
              <text
                x={Math.min(x(firstShort), width - 150)}
                y={TOP_PX + 12}
                fontSize="13"
                fontWeight="700"
                fill="var(--rust)"
                paintOrder="stroke"
                stroke="var(--sheet)"
                strokeWidth="4"
              >
                short {firstShort === 0 ? 'today' : `from ${dayWords(firstShort)}`}
              </text>
            )}
            {cut && (
              <text x={width - 6} y={TOP_PX - 2} fontSize="12" textAnchor="end" fill="var(--quiet)">
                more is ripe than fits
              </text>
            )}
            {at >= 0 && <path d={`M${(x(at) + x(at + 1)) / 2} ${TOP_PX}V${bottom}`} stroke="var(--deep)" strokeWidth="2" />}
          </svg>
          {touched !== null && (
            <div
              className="absolute z-10 max-w-[min(20rem,90%)] border border-ink bg-sheet p-2.5 text-note shadow-sm"
              style={{
                top: TOP_PX,
                ...(x(touched) < width / 2 ? { left: x(touched + 1) + 8 } : { right: width - x(touched) + 8 }),
              }}
            >
              {children}
            </div>
          )}
          <svg width={width} height={Math.max(1, vessels.length) * VESSEL_PX + 8} className="block">
            {vessels.length === 0 && (
              <text x={LEFT_PX} y={20} fontSize="13" fill="var(--quiet)">
                {tinWords ?? 'No culture of this size running.'}
              </text>
            )}
            {vessels.map((vessel, row) => (
              <VesselLine key={vessel.id} vessel={vessel} row={row} x={x} days={days.length} width={width} move={move} />
            ))}
          </svg>
        </>
      )}
    </div>
  );
}
