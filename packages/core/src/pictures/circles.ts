import { blur, plane, quantile, shrink, type Plane } from './image';

/** Where a picture changes, how much and which way. */
export interface Edges {
  magnitude: Float32Array;
  /** Unit direction of the steepest change. */
  dx: Float32Array;
  dy: Float32Array;
}

/** The steepest change of any of three planes at each pixel. */
function findEdges(planes: readonly Plane[], sigma: number): Edges {
  const [red, green, blue] = planes.map((one) => blur(one, sigma).values) as [Float32Array, Float32Array, Float32Array];
  const { width, height } = planes[0]!;
  const size = width * height;
  const [magnitude, dx, dy] = [new Float32Array(size), new Float32Array(size), new Float32Array(size)];
  for (let y = 1; y < height - 1; y++)
    for (let at = y * width + 1; at < (y + 1) * width - 1; at++) {
      let gx = red[at + 1]! - red[at - 1]!;
      let gy = red[at + width]! - red[at - width]!;
      let best = gx * gx + gy * gy;
      const greenX = green[at + 1]! - green[at - 1]!;
      const greenY = green[at + width]! - green[at - width]!;
      const greenBest = greenX * greenX + greenY * greenY;
      if (greenBest > best) [gx, gy, best] = [greenX, greenY, greenBest];
      const blueX = blue[at + 1]! - blue[at - 1]!;
      const blueY = blue[at + width]! - blue[at - width]!;
      const blueBest = blueX * blueX + blueY * blueY;
      if (blueBest > best) [gx, gy, best] = [blueX, blueY, blueBest];
      if (best === 0) continue;
      const length = Math.sqrt(best);
      magnitude[at] = length;
      dx[at] = gx / length;
      dy[at] = gy / length;
    }
  return { magnitude, dx, dy };
}

/** Votes of edges for the middles of circles of a radius, both ways along the change, each as strong as the other (Loy & Zelinsky 2003). */
function vote(edges: Edges, strong: Int32Array, width: number, height: number, radii: readonly number[]): Plane {
  const map = plane(width, height);
  const { values } = map;
  const { dx, dy } = edges;
  for (const at of strong) {
    const x = at % width;
    const y = (at - x) / width;
    for (const r of radii) {
      const ox = r * dx[at]!;
      const oy = r * dy[at]!;
      const ax = (x + ox + 0.5) | 0;
      const ay = (y + oy + 0.5) | 0;
      if (ax >= 0 && ay >= 0 && ax < width && ay < height) values[ay * width + ax] = values[ay * width + ax]! + 1;
      const bx = (x - ox + 0.5) | 0;
      const by = (y - oy + 0.5) | 0;
      if (bx >= 0 && by >= 0 && bx < width && by < height) values[by * width + bx] = values[by * width + bx]! + 1;
    }
  }
  return map;
}

/** Places that are highest within a distance, highest first. */
function peaksOf({ width, height, values }: Plane, distance: number, least: number): { x: number; y: number; value: number }[] {
  const found: { x: number; y: number; value: number }[] = [];
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const value = values[at]!;
      if (
        value >= least &&
        value >= values[at - 1]! &&
        value > values[at + 1]! &&
        value >= values[at - width]! &&
        value > values[at + width]! &&
        value >= values[at - width - 1]! &&
        value > values[at + width + 1]! &&
        value >= values[at - width + 1]! &&
        value > values[at + width - 1]!
      )
        found.push({ x, y, value });
    }
  found.sort((a, b) => b.value - a.value);
  // Thinned by cells as wide as the distance: only neighbours can be too near.
  const cell = Math.max(2, distance);
  const across = Math.ceil(width / cell) + 2;
  const cells = new Map<number, { x: number; y: number }[]>();
  return found.filter(({ x, y }) => {
    const key = (Math.floor(y / cell) + 1) * across + Math.floor(x / cell) + 1;
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (const other of cells.get(key + i * across + j) ?? [])
          if ((other.x - x) ** 2 + (other.y - y) ** 2 < distance * distance) return false;
    const here = cells.get(key);
    if (here) here.push({ x, y });
    else cells.set(key, [{ x, y }]);
    return true;
  });
}

export const DIRECTIONS = 32;
export const COS = Array.from({ length: DIRECTIONS }, (_, i) => Math.cos((2 * Math.PI * i) / DIRECTIONS));
export const SIN = Array.from({ length: DIRECTIONS }, (_, i) => Math.sin((2 * Math.PI * i) / DIRECTIONS));

/**
 * How much of a circle is drawn by edges along it that all go the same way, brighter inwards or brighter outwards, 0..1; directions out of
 * the picture are left out.
 */
export function coverage(edges: Edges, width: number, height: number, x: number, y: number, r: number, least: number): number {
  let [seen, brighter, darker] = [0, 0, 0];
  const reach = Math.max(1, 0.12 * r);
  for (let i = 0; i < DIRECTIONS; i++) {
    const c = COS[i]!;
    const s = SIN[i]!;
    let inside = false;
    let best = 0;
    let sign = 0;
    for (let d = r - reach; d <= r + reach; d += 0.75) {
      const px = (x + c * d + 0.5) | 0;
      const py = (y + s * d + 0.5) | 0;
      if (px < 1 || py < 1 || px >= width - 1 || py >= height - 1) continue;
      inside = true;
      const at = py * width + px;
      const along = edges.dx[at]! * c + edges.dy[at]! * s;
      const strength = edges.magnitude[at]! * Math.abs(along);
      if (Math.abs(along) > 0.8 && strength > best) {
        best = strength;
        sign = along;
      }
    }
    if (!inside) continue;
    seen++;
    if (best >= least) {
      if (sign > 0) darker++;
      else brighter++;
    }
  }
  return seen < DIRECTIONS / 3 ? 0 : Math.max(brighter, darker) / seen;
}

/** One size of the picture, at which eggs of some radii are a good ten pixels wide. */
export interface Level {
  scale: number;
  planes: Plane[];
  edges: Edges;
  strong: Int32Array;
  least: number;
}

/** Edges of so much of the usual strength are faint ones. */
const FAINT = 0.45;

/** @param from - the picture at a size that is near and not smaller, and its scale */
export function toLevel(from: readonly Plane[], fromScale: number, scale: number): Level {
  const small = from.map((one) => shrink(one, scale / fromScale));
  const edges = findEdges(small, 1);
  const level = quantile(edges.magnitude, 0.5);
  const high = quantile(edges.magnitude, 0.985);
  const least = Math.max(7, level * 1.6, high * 0.22);
  const strong: number[] = [];
  for (let at = 0; at < edges.magnitude.length; at++) if (edges.magnitude[at]! >= least) strong.push(at);
  return { scale, planes: small, edges, strong: Int32Array.from(strong), least };
}

/** A level on which fainter edges vote too: eggs in glare, white ones on a pale ground. */
export function toFaint(level: Level): Level {
  const { magnitude } = level.edges;
  const least = Math.max(4, quantile(magnitude, 0.5) * 1.5, level.least * FAINT);
  const strong: number[] = [];
  for (let at = 0; at < magnitude.length; at++) if (magnitude[at]! >= least) strong.push(at);
  return { ...level, strong: Int32Array.from(strong), least };
}

/** A circle that was voted for: how much of it is drawn, its votes, and these beside those of a thin whole circle. */
export interface Circle {
  x: number;
  y: number;
  drawn: number;
  votes: number;
  full: number;
}

/** Middles of circles of a radius (pixels of the level) with how much of each is drawn. */
export function circlesOf(level: Level, r: number, apart: number, drawnLeast: number): Circle[] {
  const { width, height } = level.planes[0]!;
  const sigma = Math.max(0.8, r * 0.11);
  const map = blur(vote(level.edges, level.strong, width, height, [r * 0.94, r * 1.06]), sigma);
  // A third of a circle, all of whose votes fall within the blur.
  const whole = (2 * 2 * Math.PI * r) / (2 * Math.PI * (sigma * sigma + 0.5));
  const floor = 0.25 * whole;
  return peaksOf(map, r * apart, floor)
    .slice(0, 2500)
    .flatMap(({ x, y, value }) => {
      const drawn = coverage(level.edges, width, height, x, y, r, level.least);
      return drawn >= drawnLeast ? [{ x, y, drawn, votes: value, full: value / whole }] : [];
    });
}
