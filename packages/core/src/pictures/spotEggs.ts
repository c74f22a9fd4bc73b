import { type SeenBest } from './bestLook';
import { shrink } from './image';
import { runNetTwice, shownTo } from './net';
import { spotAt, type Search } from './search';
import { spotsOf } from './spots';

/** An egg that was found. Pixels of the planes that were looked at. */
export interface FoundEgg {
  x: number;
  y: number;
  /** Its radius. */
  size: number;
  isWhole: true;
  /** Log odds that it is white. */
  whiteness: number;
  /** How sure it is one, 0..1. */
  sure: number;
}

/** What the net tells: how likely the middle of an egg lies here, its radius, whether it is white. */
const [MIDDLE, RADIUS, WHITE, OUTPUTS] = [0, 1, 2, 3];
/** Radius at which radii are told as 0. */
const USUAL_RADIUS = 6;
const SEEN_BEST: SeenBest = { looks: [288, 704], from: 4.6, to: 10, best: 6.5, least: 256, most: 1280 };
/** Less sure ones are left out. */
const LEAST_SURE = 0.08;
/** Two nearer than so many radii are one. */
const APART = 0.75;

function look({ planes, net }: Search, scale: number): FoundEgg[] {
  const small = planes.map((one) => shrink(one, scale));
  const by = small[0]!.width / planes[0].width;
  const told = runNetTwice(shownTo(small), net, OUTPUTS, null);
  const size = told.width * told.height;
  const eggs = spotsOf(told, MIDDLE, LEAST_SURE).map(({ x, y, at, sure }) => ({
    x: x / by,
    y: y / by,
    size: (USUAL_RADIUS * Math.exp(Math.max(-1.5, Math.min(1.8, told.values[RADIUS * size + at]!)))) / by,
    isWhole: true as const,
    whiteness: told.values[WHITE * size + at]!,
    sure,
  }));
  const { width, height } = planes[0];
  return eggs.filter(
    (egg, i) =>
      egg.x < width &&
      egg.y < height &&
      !eggs.slice(0, i).some((other) => Math.hypot(other.x - egg.x, other.y - egg.y) < (APART * (other.size + egg.size)) / 2),
  );
}

/** Eggs in a picture, at the size at which they are seen best. */
export function spotEggs(search: Search): FoundEgg[] {
  return spotAt(search, look, SEEN_BEST);
}
