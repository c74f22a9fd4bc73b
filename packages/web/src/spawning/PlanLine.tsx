import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { PlanMark, PlanMarkKind } from '@freshet/core/spawning';
import { addDays, daysBetween, formatDay, formatDayRange, isWeekend } from '@freshet/core/time';
import { inUnits } from '@freshet/core/units';
import { useHouse } from '../data';
import { measureText, useWidth } from '../ui';

/** Dates that can be taken hold of, and what moves with them. */
export type Held = 'conditioning' | 'setUp' | 'trigger' | 'all';
const HELD: Partial<Record<PlanMarkKind, Held>> = {
  conditioning: 'conditioning',
  firstIn: 'setUp',
  allIn: 'setUp',
  trigger: 'trigger',
  sale: 'all',
};
const ROW = 24;
const TOP = 22;
const RIGHT = 12;
const LEFT = 8;

/**
 * A plan on one line of time: dates can be dragged with mouse or finger, or moved by the arrow keys; what follows goes along.
 * @param move - null where nothing may be moved
 */
export function PlanLine({ marks, move }: { marks: readonly PlanMark[]; move: ((held: Held, days: number) => void) | null }) {
  const house = useHouse();
  const [box, width] = useWidth();
  const [drag, setDrag] = useState<{ key: number; held: Held; x: number; days: number } | null>(null);
  const moved = useRef(0);
  const first = marks[0]?.day ?? house.today;
  const last = marks.reduce((latest, { to }) => (to > latest ? to : latest), first);
  const from = first < house.today ? first : house.today;
  // The far end, sale, is pressed together: the days until the young swim matter most.
  const span = Math.max(14, daysBetween(from, last));
  const near = Math.min(span, 70);
  const usable = Math.max(280, width) - LEFT - RIGHT - 150;
  const x = (day: string) => {
    const days = daysBetween(from, day);
    return (
      LEFT + (days <= near ? (usable * 0.86 * days) / near : usable * (0.86 + (0.14 * (days - near)) / Math.max(1, span - near)))
    );
  };
  const perDay = (usable * 0.86) / near;
  const start = (key: number, held: Held) => (event: PointerEvent<SVGGElement>) => {
    if (!move) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    moved.current = 0;
    setDrag({ key, held, x: event.clientX, days: 0 });
  };
  const go = (event: PointerEvent<SVGGElement>) => {
    if (!drag || !move) return;
    const days = Math.round((event.clientX - drag.x) / perDay);
    if (days !== moved.current) {
      move(drag.held, days - moved.current);
      moved.current = days;
    }
  };
  const press = (held: Held) => (event: KeyboardEvent) => {
    const days = { ArrowLeft: -1, ArrowRight: 1, PageUp: -7, PageDown: 7 }[event.key];
    if (!days || !move) return;
    event.preventDefault();
    move(held, days);
  };
  const height = TOP + marks.length * ROW + 6;
  const ticks = Array.from({ length: Math.floor(near / 7) + 1 }, (_, i) => addDays(from, i * 7));
  return (
    <div ref={box} className="w-full overflow-x-auto">
      <svg
        width={Math.max(360, width)}
        height={height}
        role="group"
        aria-label="The plan by day"
        className="block touch-pan-y select-none"
      >
        {ticks.map((day) => (
          <g key={day}>
            <line x1={x(day)} x2={x(day)} y1={TOP - 4} y2={height} stroke="var(--rule)" />
            <text x={x(day) + 3} y={14} className={isWeekend(day) ? 'fill-ink text-note' : 'fill-quiet text-note'}>
              {formatDay(day, house.today).replace(/^\w+ /, '')}
            </text>
          </g>
        ))}
        <line x1={x(house.today)} x2={x(house.today)} y1={TOP - 4} y2={height} stroke="var(--rust)" strokeWidth={2} />
        {marks.map((mark, i) => {
          const held = HELD[mark.kind];
          const [a, b] = [x(mark.day), Math.max(x(mark.day) + 10, x(mark.to) + 4)];
          const y = TOP + i * ROW;
          const words = inUnits(mark.words, house.units);
          const when = mark.day === mark.to ? formatDay(mark.day, house.today) : formatDayRange(mark.day, mark.to, house.today);
          const label = `${when}: ${words}`;
          const after = b + 6 + measureText(label) < Math.max(360, width) - 4 || a < 200;
          const isHeld = drag?.key === i;
          const window = mark.day !== mark.to;
          return (
            <g
              key={`${mark.kind}:${i}`}
              {...(held && move
                ? {
                    tabIndex: 0,
                    role: 'slider',
                    'aria-label': words,
                    'aria-valuetext': when,
                    'aria-valuenow': daysBetween(house.today, mark.day),
                    className: 'cursor-ew-resize',
                    style: { touchAction: 'none' },
                    onPointerDown: start(i, held),
                    onPointerMove: go,
                    onPointerUp: () => setDrag(null),
                    onPointerCancel: () => setDrag(null),
                    onKeyDown: press(held),
                  }
                : {})}
            >
              <rect x={a - 14} y={y} width={b - a + 28} height={ROW} fill="transparent" />
              <rect
                x={a}
                y={y + 5}
                width={b - a}
                height={14}
                fill={window ? 'var(--sheet)' : held && move ? 'var(--deep)' : 'var(--tank)'}
                stroke="var(--ink)"
                strokeWidth={isHeld ? 2.5 : 1}
                strokeDasharray={window ? '3 2' : undefined}
              />
              <text x={after ? b + 6 : a - 6} y={y + 17} textAnchor={after ? 'start' : 'end'} className="fill-ink text-note">
                {label}
              </text>
            </g>
          );
        })}
      </svg>
    </div>
  );
}
