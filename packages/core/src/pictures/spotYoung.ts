import { type SeenBest } from './bestLook';
import { shrink } from './image';
import { runNet, shownTo } from './net';
import { spotAt, type Search } from './search';
import { spotsOf } from './spots';

/** One young animal that was found. Pixels of the planes that were looked at. */
export interface FoundYoung {
  x: number;
  y: number;
  /** Its length. */
  size: number;
  /** How sure it is one, 0..1. */
  sure: number;
  /** Whether its middle and its head were both seen: its length can be taken. */
  isWhole: boolean;
}

/** A head or a middle that was seen: where the middle of that animal lies, how long it is, how sure it is. */
export type Sighting = Omit<FoundYoung, 'isWhole'>;

/** A middle to which a head points is its own up to this share of the length off. */
const SAME = 0.28;
/** What is seen of one by its head or its middle alone says so much less. */
const HALF_SEEN = 0.8;

/**
 * Animals from their heads and their middles: each head takes the middle nearest to where it points, the surest heads first. Where two lie
 * across one another both have a head; one cut by the border may have but a middle.
 * @param heads - surest first
 */
export function pairUp(heads: readonly Sighting[], middles: readonly Sighting[]): FoundYoung[] {
  const free = new Set(middles);
  const found = heads.map((head): FoundYoung => {
    let [own, closest] = [null as Sighting | null, SAME * head.size];
    for (const middle of free) {
      const off = Math.hypot(middle.x - head.x, middle.y - head.y);
      if (off < closest) [own, closest] = [middle, off];
    }
    if (!own) return { ...head, sure: HALF_SEEN * head.sure, isWhole: false };
    free.delete(own);
    const sure = 1 - (1 - head.sure) * (1 - own.sure);
    return { x: own.x, y: own.y, size: Math.sqrt(head.size * own.size), sure, isWhole: true };
  });
  return [...found, ...[...free].map((middle) => ({ ...middle, sure: HALF_SEEN * middle.sure, isWhole: false }))];
}

/** What the net tells: how likely a middle or a head lies here, the length of the one whose it is, and from the head to the middle. */
const [MIDDLE, HEAD, LENGTH_BY_MIDDLE, LENGTH_BY_HEAD, TO_X, TO_Y, OUTPUTS] = [0, 1, 2, 3, 4, 5, 6];
/** Length at which lengths are told as 0, and the steps in which ways are told, pixels. */
const [USUAL_LENGTH, STEP] = [40, 16];
const SEEN_BEST: SeenBest = { looks: [256, 640], from: 30, to: 75, best: 45, least: 192, most: 1024 };
const LEAST_SURE = 0.08;

function look({ planes, net }: Search, scale: number): FoundYoung[] {
  const small = planes.map((one) => shrink(one, scale));
  const { width, height } = small[0]!;
  const by = width / planes[0].width;
  const told = runNet(shownTo(small), net, OUTPUTS);
  const of = (plane: number, at: number) => told.values[plane * told.width * told.height + at]!;
  const lengthOf = (plane: number, at: number) => USUAL_LENGTH * Math.exp(Math.max(-2, Math.min(1.8, of(plane, at))));
  const heads = spotsOf(told, HEAD, LEAST_SURE).map(({ x, y, at, sure }) => ({
    x: x + STEP * of(TO_X, at),
    y: y + STEP * of(TO_Y, at),
    size: lengthOf(LENGTH_BY_HEAD, at),
    sure,
  }));
  const middles = spotsOf(told, MIDDLE, LEAST_SURE).map(({ x, y, at, sure }) => ({
    x,
    y,
    size: lengthOf(LENGTH_BY_MIDDLE, at),
    sure,
  }));
  return pairUp(heads, middles)
    .filter(({ x, y }) => x >= 0 && y >= 0 && x < width && y < height)
    .map((one) => ({ ...one, x: one.x / by, y: one.y / by, size: one.size / by }));
}

/** Young in a picture, at the size at which they are seen best. */
export function spotYoung(search: Search): FoundYoung[] {
  return spotAt(search, look, SEEN_BEST);
}
