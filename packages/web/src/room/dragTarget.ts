import { decidePlace, footprint, type PlaceDecision } from '@freshet/core/room';
import type { Elevation, PlacedShelf, PlacedTank } from './layoutRoom';

/** Edges nearer than this are joined, cm. */
const SNAP_CM = 3;

/** The tank under a point; null beside all of them. */
export function tankAt({ tanks }: Elevation, x: number, y: number): PlacedTank | null {
  return tanks.find(({ box }) => x >= box.x && x <= box.x + box.width && y >= box.y && y <= box.y + box.height) ?? null;
}

/** Where a dragged tank would stand. */
export interface DragPlace {
  shelf: PlacedShelf;
  leftCm: number;
  decision: PlaceDecision;
  /** Its left top corner there, px. */
  x: number;
  y: number;
}

/**
 * The shelf a dragged tank hangs over and its place on it: the nearest board below or above its foot, the left edge to the
 * centimetre, joined to a neighbour or the shelf's end when near. Null beside every shelf.
 * @param x - left edge of the dragged tank, px
 * @param foot - lower edge of the dragged tank, px
 */
export function placeAt({ shelves, tanks }: Elevation, dragged: PlacedTank, x: number, foot: number): DragPlace | null {
  const { tank } = dragged.drawn;
  const middle = x + dragged.box.width / 2;
  const near = shelves
    .filter((shelf) => middle >= shelf.x && middle <= shelf.x + shelf.width)
    .sort((a, b) => Math.abs(a.y - foot) - Math.abs(b.y - foot))[0];
  if (!near) return null;
  const { frontCm } = footprint(tank);
  const neighbours = tanks
    .filter((other) => other.drawn.tank.shelfId === near.shelf.id && other.drawn.tank.id !== tank.id)
    .map((other) => other.drawn.tank);
  const wanted = (x - near.x) / near.pxPerCm;
  const edges = [
    0,
    near.shelf.lengthCm - frontCm,
    ...neighbours.flatMap((other) => [other.leftCm + footprint(other).frontCm + 1, other.leftCm - frontCm - 1]),
  ];
  const edge = edges.find((candidate) => Math.abs(candidate - wanted) <= SNAP_CM && candidate >= 0);
  const leftCm = edge ?? Math.max(0, Math.round(wanted));
  const decision = decidePlace({ ...tank, leftCm }, near.shelf, neighbours);
  return { shelf: near, leftCm, decision, x: near.x + leftCm * near.pxPerCm, y: near.y - tank.heightCm * near.pxPerCm };
}

/** The nearest tank in a direction, for the keyboard; the same one when there is none. */
export function tankBeside({ tanks }: Elevation, from: { x: number; y: number }, key: string): PlacedTank | null {
  const direction = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[key];
  if (!direction) return null;
  const [dx, dy] = direction as [number, number];
  let best: { placed: PlacedTank; cost: number } | null = null;
  for (const placed of tanks) {
    const along = (placed.box.x + placed.box.width / 2 - from.x) * dx + (placed.box.y + placed.box.height / 2 - from.y) * dy;
    const across =
      Math.abs((placed.box.x + placed.box.width / 2 - from.x) * dy) +
      Math.abs((placed.box.y + placed.box.height / 2 - from.y) * dx);
    if (along < 4) continue;
    const cost = along + 2 * across;
    if (!best || cost < best.cost) best = { placed, cost };
  }
  return best?.placed ?? null;
}
