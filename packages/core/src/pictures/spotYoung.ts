import { type SeenBest } from './bestLook';
import { shrink } from './image';
import { runNetTwice, shownTo } from './net';
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

/** A middle that was seen, how long its animal is, how sure it is. */
export type Sighting = Omit<FoundYoung, 'isWhole'>;
/** A head that was seen: x and y are where the middle of its animal lies, and to there it is so far. */
export interface HeadSighting extends Sighting {
  wayX: number;
  wayY: number;
}

/** A middle to which a head points is its own up to this share of the length off. */
const SAME = 0.28;
/** What is seen of one by its head or its middle alone says so much less. */
const HALF_SEEN = 0.8;
/** Sine of the angle up to which two lie along one another. */
const ALONG = 0.4;
/** A middle nearer to another than this share of the length is the same one, seen twice. */
const TWICE = 0.2;

/** At a tail it may be by more, and so near to it by shares of the length: what is no head points badly. */
const [ALONG_AT_TAIL, AT_TAIL] = [0.75, 0.3];

interface Found {
  one: FoundYoung;
  head: HeadSighting;
}

const sineBetween = (one: HeadSighting, other: HeadSighting): number =>
  Math.abs(one.wayX * other.wayY - one.wayY * other.wayX) /
  (Math.hypot(one.wayX, one.wayY) * Math.hypot(other.wayX, other.wayY) || 1);
const apart = (one: Sighting, other: Sighting): number => Math.hypot(one.x - other.x, one.y - other.y);

/** Whether a head that points to the middle of an animal is no other's: it points along it, or sits at its tail and points up its body, not well. */
function isSame(head: HeadSighting, { one, head: own }: Found): boolean {
  if (apart(one, head) > SAME * one.size) return false;
  const tail = Math.hypot(head.x - head.wayX - one.x - own.wayX, head.y - head.wayY - one.y - own.wayY);
  return sineBetween(own, head) < (tail < AT_TAIL * one.size ? ALONG_AT_TAIL : ALONG);
}

/**
 * Animals from their heads and their middles: each head takes the middle nearest to where it points, the surest heads first. Where two lie
 * across one another both have a head; one cut by the border may have but a middle. A head that points to a middle that is taken, along the
 * animal whose it is, is that animal's tail.
 * @param heads - surest first
 */
export function pairUp(heads: readonly HeadSighting[], middles: readonly Sighting[]): FoundYoung[] {
  const free = new Set(middles);
  const found: Found[] = [];
  for (const head of heads) {
    let [own, closest] = [null as Sighting | null, SAME * head.size];
    for (const middle of free) {
      const off = apart(middle, head);
      if (off < closest) [own, closest] = [middle, off];
    }
    if (own) {
      free.delete(own);
      const sure = 1 - (1 - head.sure) * (1 - own.sure);
      found.push({ one: { x: own.x, y: own.y, size: Math.sqrt(head.size * own.size), sure, isWhole: true }, head });
    } else if (!found.some((other) => isSame(head, other))) {
      const { x, y, size, sure } = head;
      found.push({ one: { x, y, size, sure: HALF_SEEN * sure, isWhole: false }, head });
    }
  }
  const alone = [...free].filter((middle) => !found.some(({ one }) => apart(one, middle) < TWICE * one.size));
  return [
    ...found.map(({ one }) => one),
    ...alone.map((middle) => ({ ...middle, sure: HALF_SEEN * middle.sure, isWhole: false })),
  ];
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
  const told = runNetTwice(shownTo(small), net, OUTPUTS, TO_X);
  const of = (plane: number, at: number) => told.values[plane * told.width * told.height + at]!;
  const lengthOf = (plane: number, at: number) => USUAL_LENGTH * Math.exp(Math.max(-2, Math.min(1.8, of(plane, at))));
  const heads = spotsOf(told, HEAD, LEAST_SURE).map(({ x, y, at, sure }) => {
    const [wayX, wayY] = [STEP * of(TO_X, at), STEP * of(TO_Y, at)];
    return { x: x + wayX, y: y + wayY, wayX, wayY, size: lengthOf(LENGTH_BY_HEAD, at), sure };
  });
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
