import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { memo, useCallback, useMemo, useRef } from 'react';
import type { Reply } from '../data';
import { DragGhost, readDrag, type DragMode } from './DragGhost';
import { tankAt, tankBeside, type DragPlace } from './dragTarget';
import { computeElevation, type PlacedTank, type Rack, type Tank } from './layoutRoom';
import type { OverlayMark } from './overlay';
import { OverlayPatterns } from './OverlayPatterns';
import { RackElevation } from './RackElevation';
import { describeLife, TankPicture } from './TankPicture';

type Life = Reply<'tankLife'>[number];

const SHELF_STEP_CM = 5;
/** One key picks up and lets go; Enter stays free to open the tank. */
const KEYS = { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] };

const DraggableTank = memo(function DraggableTank({
  placed,
  life,
  mark,
  canDrag,
  open,
  point,
}: {
  placed: PlacedTank;
  life: Life | undefined;
  mark: OverlayMark | null;
  canDrag: boolean;
  open: (tankId: string) => void;
  point: (tankId: string | null) => void;
}) {
  const { tank } = placed.drawn;
  const { setNodeRef, listeners, attributes } = useDraggable({ id: tank.id, disabled: !canDrag });
  const { onKeyDown, ...others } = (canDrag ? listeners : undefined) ?? {};
  return (
    <g
      // An element of a picture can be dragged like any other.
      ref={setNodeRef as unknown as (element: SVGGElement | null) => void}
      {...others}
      role="link"
      tabIndex={0}
      aria-label={`${describeLife(life, tank.code)}${mark ? `, ${mark.text}` : ''}`}
      aria-describedby={canDrag ? attributes['aria-describedby'] : undefined}
      className={canDrag ? 'cursor-grab' : 'cursor-pointer'}
      style={{ touchAction: 'manipulation' }}
      onClick={() => open(tank.id)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !event.defaultPrevented) open(tank.id);
        else onKeyDown?.(event);
      }}
      onMouseEnter={() => point(tank.id)}
      onMouseLeave={() => point(null)}
      onFocus={() => point(tank.id)}
      onBlur={() => point(null)}
    >
      <TankPicture tank={tank} box={placed.box} life={life} mark={mark} />
    </g>
  );
});

/** The room as it stands; animals or tanks are dragged in it, with the mouse, a finger or the keys. */
export function RoomPicture({
  racks,
  width,
  rowWidthCm,
  maxScale,
  lives,
  markOf,
  mode,
  canDrag,
  open,
  point,
  onSend,
  onPlace,
}: {
  racks: readonly Rack[];
  width: number;
  rowWidthCm: number;
  maxScale: number;
  lives: ReadonlyMap<string, Life>;
  markOf: (tankId: string) => OverlayMark | null;
  mode: DragMode;
  canDrag: boolean;
  open: (tankId: string) => void;
  point: (tankId: string | null) => void;
  /** Animals were dropped on another tank. */
  onSend: (fromTankId: string, toTankId: string) => void;
  /** A tank was dropped on a shelf, whether it fits there or not. */
  onPlace: (tank: Tank, place: DragPlace) => void;
}) {
  const elevation = useMemo(() => computeElevation(racks, width, rowWidthCm, maxScale), [racks, width, rowWidthCm, maxScale]);
  const svg = useRef<HTMLDivElement>(null);
  const spoken = useRef<HTMLDivElement>(null);
  const say = useCallback((words: string) => {
    if (spoken.current) spoken.current.textContent = words;
  }, []);
  const placedById = useMemo(() => new Map(elevation.tanks.map((placed) => [placed.drawn.tank.id, placed])), [elevation]);
  // The press that ends a drag is no click on the tank.
  const draggedAt = useRef(0);

  const coordinateGetter: KeyboardCoordinateGetter = (event, { currentCoordinates, active }) => {
    const origin = svg.current?.getBoundingClientRect();
    const dragged = placedById.get(String(active));
    if (!origin || !dragged) return undefined;
    const at = { x: currentCoordinates.x - origin.x, y: currentCoordinates.y - origin.y };
    if (mode === 'animals') {
      const middle = { x: at.x + dragged.box.width / 2, y: at.y + dragged.box.height / 2 };
      const next = tankBeside(elevation, middle, event.code);
      if (!next) return undefined;
      event.preventDefault();
      return {
        x: origin.x + next.box.x + next.box.width / 2 - dragged.box.width / 2,
        y: origin.y + next.box.y + next.box.height / 2 - dragged.box.height / 2,
      };
    }
    const step = SHELF_STEP_CM * elevation.scale;
    const moves: Record<string, { x: number; y: number }> = {
      ArrowLeft: { x: -step, y: 0 },
      ArrowRight: { x: step, y: 0 },
      ArrowUp: { x: 0, y: -step * 4 },
      ArrowDown: { x: 0, y: step * 4 },
    };
    const move = moves[event.code];
    if (!move) return undefined;
    event.preventDefault();
    return { x: currentCoordinates.x + move.x, y: currentCoordinates.y + move.y };
  };
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
    useSensor(KeyboardSensor, { keyboardCodes: KEYS, coordinateGetter }),
  );
  const openUnlessDragged = useCallback(
    (tankId: string) => {
      if (performance.now() - draggedAt.current > 250) open(tankId);
    },
    [open],
  );
  const tankCode = (id: unknown) => placedById.get(String(id))?.drawn.tank.code ?? '';
  return (
    <DndContext
      sensors={sensors}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            mode === 'animals'
              ? 'Space picks up the animals, arrows go from tank to tank, Space sends them there, Escape leaves them.'
              : 'Space picks up the tank, arrows move it, Space puts it down, Escape leaves it.',
        },
        announcements: {
          onDragStart: ({ active }) => `Picked up ${tankCode(active.id)}.`,
          // Where it is over is said by the ghost, which knows.
          onDragMove: () => undefined,
          onDragOver: () => undefined,
          onDragEnd: ({ active }) => `${tankCode(active.id)} put down.`,
          onDragCancel: ({ active }) => `${tankCode(active.id)} stays where it was.`,
        },
      }}
      onDragEnd={(event) => {
        draggedAt.current = performance.now();
        const over = readDrag(elevation, mode, event);
        if (!over) return;
        if (
          over.place &&
          (over.place.shelf.shelf.id !== over.dragged.drawn.tank.shelfId || over.place.leftCm !== over.dragged.drawn.tank.leftCm)
        )
          onPlace(over.dragged.drawn.tank, over.place);
        const target = over.target ?? tankAt(elevation, over.x, over.y);
        if (mode === 'animals' && target && target.drawn.tank.id !== over.dragged.drawn.tank.id)
          onSend(over.dragged.drawn.tank.id, target.drawn.tank.id);
      }}
      onDragCancel={() => {
        draggedAt.current = performance.now();
      }}
    >
      <div ref={spoken} aria-live="assertive" className="sr-only" />
      <div ref={svg} style={{ width }}>
        <RackElevation
          racks={racks}
          width={width}
          label="Racks as they stand"
          elevation={elevation}
          draw={(drawn) => {
            const placed = placedById.get(drawn.tank.id);
            const life = lives.get(drawn.tank.id);
            return (
              placed && (
                <DraggableTank
                  placed={placed}
                  life={life}
                  mark={markOf(drawn.tank.id)}
                  canDrag={canDrag && (mode === 'tanks' || (life?.lots.length ?? 0) > 0)}
                  open={openUnlessDragged}
                  point={point}
                />
              )
            );
          }}
        >
          <OverlayPatterns />
          <DragGhost
            elevation={elevation}
            mode={mode}
            say={say}
            carries={(tankId) => {
              const life = lives.get(tankId);
              return life
                ? `${[...new Set(life.lots.map((lot) => lot.speciesName))].slice(0, 2).join(', ')} of ${life.code}`
                : '';
            }}
          />
        </RackElevation>
      </div>
    </DndContext>
  );
}
