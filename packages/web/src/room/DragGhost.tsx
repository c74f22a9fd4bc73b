import { useDndMonitor, type DragMoveEvent } from '@dnd-kit/core';
import { useState } from 'react';
import { placeAt, tankAt, type DragPlace } from './dragTarget';
import type { Elevation, PlacedTank } from './layoutRoom';

/** What a drag carries: the animals of a tank, or the tank itself. */
export type DragMode = 'animals' | 'tanks';

interface Over {
  dragged: PlacedTank;
  x: number;
  y: number;
  target: PlacedTank | null;
  place: DragPlace | null;
}

/** What a drag is over, from where it began and how far it went. */
export function readDrag(
  elevation: Elevation,
  mode: DragMode,
  { active, delta }: Pick<DragMoveEvent, 'active' | 'delta'>,
): Over | null {
  const dragged = elevation.tanks.find(({ drawn }) => drawn.tank.id === active.id);
  if (!dragged) return null;
  const { box } = dragged;
  const [x, y] = [box.x + delta.x, box.y + delta.y];
  return {
    dragged,
    x,
    y,
    target: mode === 'animals' ? tankAt(elevation, x + box.width / 2, y + box.height / 2) : null,
    place: mode === 'tanks' ? placeAt(elevation, dragged, x, y + box.height) : null,
  };
}

/** What it comes to when it is let go here, in words. */
function wordsFor({ dragged, target, place }: Over, mode: DragMode, what: string): string {
  const { tank } = dragged.drawn;
  if (mode === 'animals') return target && target.drawn.tank.id !== tank.id ? `${what} to ${target.drawn.tank.code}` : what;
  if (!place) return 'no shelf here';
  return place.decision.ok ? `${tank.code} at ${place.leftCm} cm` : place.decision.message;
}

/** What is being dragged, and where it would come to; the only thing drawn anew while it moves. */
export function DragGhost({
  elevation,
  mode,
  carries,
  say,
}: {
  elevation: Elevation;
  mode: DragMode;
  carries: (tankId: string) => string;
  /** Tells those who do not see it. */
  say: (words: string) => void;
}) {
  const [over, setOver] = useState<Over | null>(null);
  const show = (event: Pick<DragMoveEvent, 'active' | 'delta'>) => {
    const next = readDrag(elevation, mode, event);
    setOver(next);
    if (next) say(wordsFor(next, mode, carries(next.dragged.drawn.tank.id)));
  };
  useDndMonitor({
    onDragStart: (event) => show({ active: event.active, delta: { x: 0, y: 0 } }),
    onDragMove: show,
    onDragEnd: () => setOver(null),
    onDragCancel: () => setOver(null),
  });
  if (!over) return null;
  const { dragged, x, y, target, place } = over;
  const { box, drawn } = dragged;
  const isElsewhere = target !== null && target.drawn.tank.id !== drawn.tank.id;
  const message = wordsFor(over, mode, carries(drawn.tank.id));
  const isRefused = mode === 'tanks' && (!place || !place.decision.ok);
  const width = Math.min(330, message.length * 6.8 + 16);
  const textX = Math.max(4, Math.min(elevation.width - width - 4, x + box.width / 2 - width / 2));
  const textY = Math.max(2, y - 32);
  return (
    <g pointerEvents="none">
      {isElsewhere && (
        <rect
          x={target.box.x - 2}
          y={target.box.y - 2}
          width={target.box.width + 4}
          height={target.box.height + 4}
          fill="none"
          stroke="var(--deep)"
          strokeWidth="4"
        />
      )}
      {place && (
        <rect
          x={place.x}
          y={place.y}
          width={box.width}
          height={box.height}
          fill={place.decision.ok ? 'var(--today)' : 'var(--rust-wash)'}
          stroke={place.decision.ok ? 'var(--deep)' : 'var(--rust)'}
          strokeWidth="2.5"
          strokeDasharray={place.decision.ok ? undefined : '5 3'}
        />
      )}
      <rect
        x={x}
        y={y}
        width={box.width}
        height={box.height}
        fill="var(--sheet)"
        fillOpacity="0.35"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <rect x={textX} y={textY} width={width} height="24" fill="var(--ink)" />
      <text x={textX + 8} y={textY + 16.5} fontSize="13" fontWeight="600" fill={isRefused ? 'var(--eggs)' : 'var(--sheet)'}>
        {message.length > 47 ? `${message.slice(0, 46)}…` : message}
      </text>
    </g>
  );
}
