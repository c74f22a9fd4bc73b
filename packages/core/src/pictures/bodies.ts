import { extentOf, longestWay, withoutThin, type Shape, type Way } from './patches';

/** What is thinner than this share of a body is a leg, a feeler, a hair: not part of its length. */
const LIMB = 0.3;
/** Thinner than so many pixels nothing can be told from a limb. */
const LEAST_HALF = 1.2;
/** A body tapers over this part of its length before it ends; and over this part from there inwards its taper is read. */
const [TAPER_FROM, TAPER_TO] = [0.05, 0.35];
/** No tail goes on for more than this share of the rest. */
const MOST_TAIL = 0.2;
/** So wide an end, as a share of the widest, is no taper. */
const BLUNT = 0.5;

/** How many pixels of a patch lie at each whole step along a way: how wide it is there. */
function widthsAlong({ pixels }: Shape, way: Way): Float32Array {
  const widths = new Float32Array(Math.round(way.length) + 1);
  for (const at of pixels) {
    const step = Math.round(way.steps[at]!);
    if (step < widths.length) widths[step] = widths[step]! + 1;
  }
  return widths;
}

const meanOf = (values: Float32Array, from: number, to: number): number => {
  let sum = 0;
  for (let i = from; i < to; i++) sum += values[i]!;
  return sum / Math.max(1, to - from);
};

/** How far a body that tapers goes on beyond where it was cut for being thin; 0 for one that ends bluntly. */
function goesOn(widths: Float32Array, isAtFirst: boolean): number {
  const inward = isAtFirst ? widths : widths.slice().reverse();
  const long = inward.length;
  const [near, far] = [Math.max(2, Math.round(TAPER_FROM * long)), Math.max(5, Math.round(TAPER_TO * long))];
  if (far + 2 >= long) return 0;
  const [thin, thick] = [meanOf(inward, near - 1, near + 2), meanOf(inward, far - 1, far + 2)];
  const slope = (thick - thin) / (far - near);
  // Cut off where it is nearly as wide as at its widest it ends bluntly.
  return slope <= 0 || thin > BLUNT * Math.max(...inward) ? 0 : Math.max(0, Math.min(MOST_TAIL * long, thin / slope - near));
}

/** How long the body of one animal is, without its feelers and legs, pixels. */
export function bodyLength(shape: Shape): number {
  const body = withoutThin(shape, Math.max(LEAST_HALF, LIMB * shape.deepest));
  const way = longestWay(body.mask, body.width, body.pixels[0]!);
  const along = way.length + 1;
  const straight = extentOf(body);
  const length = along > 1.12 * straight ? 0.955 * along : straight;
  if (body === shape) return length;
  const all = extentOf(shape);
  const widths = widthsAlong(body, way);
  return Math.min(Math.max(all, length), length + goesOn(widths, true) + goesOn(widths, false));
}
