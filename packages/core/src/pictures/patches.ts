/** Patches of a mask, each joined over edges and corners. */
export function patchesOf(mask: Uint8Array, width: number, height: number, least: number): Int32Array[] {
  const seen = new Uint8Array(mask.length);
  const stack = new Int32Array(mask.length);
  const patches: Int32Array[] = [];
  for (let start = 0; start < mask.length; start++) {
    if (!mask[start] || seen[start]) continue;
    let [top, head] = [0, 0];
    stack[top++] = start;
    seen[start] = 1;
    while (head < top) {
      const at = stack[head++]!;
      const x = at % width;
      const y = (at - x) / width;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [nx, ny] = [x + dx, y + dy];
          if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
          const next = ny * width + nx;
          if (mask[next] && !seen[next]) {
            seen[next] = 1;
            stack[top++] = next;
          }
        }
    }
    if (top >= least) patches.push(stack.slice(0, top));
  }
  return patches;
}

/** A patch cut out of its picture, with an edge of two empty pixels around it. */
export interface Shape {
  width: number;
  height: number;
  /** Places in the cut-out that belong to it, in order. */
  pixels: Int32Array;
  mask: Uint8Array;
  /** Steps to the outside, straight 1 and over a corner 1.4. */
  depth: Float32Array;
  /** Half its thickness, pixels. */
  deepest: number;
}

const EDGE = 2;

/** @param pixels - places in a picture of the given width */
export function shapeOf(pixels: Int32Array, pictureWidth: number): Shape {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const at of pixels) {
    const x = at % pictureWidth;
    const y = (at - x) / pictureWidth;
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  const [width, height] = [right - left + 1 + 2 * EDGE, bottom - top + 1 + 2 * EDGE];
  const mask = new Uint8Array(width * height);
  const own = Int32Array.from(pixels, (at) => {
    const x = at % pictureWidth;
    return ((at - x) / pictureWidth - top + EDGE) * width + x - left + EDGE;
  }).sort();
  for (const at of own) mask[at] = 1;
  const toOutside = new Float32Array(mask.length);
  for (const at of own) toOutside[at] = FAR;
  const depth = stepsFrom(own, width, toOutside);
  let deepest = 0;
  for (const at of own) deepest = Math.max(deepest, depth[at]!);
  return { width, height, pixels: own, mask, depth, deepest };
}

const FAR = 1e6;

/**
 * Steps to each place of a patch from where they are 0, there and back (Borgefors 1986): straight 1, over a corner 1.4.
 * @param steps - 0 where they begin, FAR elsewhere; filled in
 */
function stepsFrom(pixels: Int32Array, width: number, steps: Float32Array): Float32Array {
  const relax = (at: number, a: number, b: number, c: number, d: number) => {
    const to = Math.min(steps[a]! + 1, steps[b]! + 1, steps[c]! + 1.4, steps[d]! + 1.4);
    if (to < steps[at]!) steps[at] = to;
  };
  for (const at of pixels) relax(at, at - 1, at - width, at - width - 1, at - width + 1);
  for (let i = pixels.length - 1; i >= 0; i--) {
    const at = pixels[i]!;
    relax(at, at + 1, at + width, at + width + 1, at + width - 1);
  }
  return steps;
}

/** A way through a patch: its places from end to end, and its length. */
export interface Way {
  places: number[];
  length: number;
  /** Steps from its first place to each of the patch. */
  steps: Float32Array;
}

/** Steps through a patch from one of its places: to all of it, and which is the farthest. */
function stepsThrough(mask: Uint8Array, width: number, from: number): { steps: Float32Array; far: number } {
  const steps = new Float32Array(mask.length).fill(Infinity);
  // Fifths of a step are whole for 1 and for 1.4: one bucket for each, in order.
  const buckets: number[][] = [[from]];
  steps[from] = 0;
  let far = from;
  for (let b = 0; b < buckets.length; b++) {
    const bucket = buckets[b];
    if (!bucket) continue;
    for (const at of bucket) {
      const here = steps[at]!;
      if (Math.round(here * 5) !== b) continue;
      if (here > steps[far]!) far = at;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const next = at + dy * width + dx;
          if (!mask[next]) continue;
          const to = here + (dx !== 0 && dy !== 0 ? 1.4 : 1);
          if (to < steps[next]! - 1e-3) {
            steps[next] = to;
            (buckets[Math.round(to * 5)] ??= []).push(next);
          }
        }
    }
  }
  return { steps, far };
}

/** The longest of the shortest ways through a patch: from anywhere to the farthest, and from there to the farthest again. */
export function longestWay(mask: Uint8Array, width: number, from: number): Way {
  const end = stepsThrough(mask, width, from).far;
  const { steps, far } = stepsThrough(mask, width, end);
  const places = [far];
  for (let at = far; at !== end;) {
    let best = at;
    for (let dy = -1; dy <= 1; dy++)
      for (let dx = -1; dx <= 1; dx++) {
        const next = at + dy * width + dx;
        if (mask[next] && steps[next]! < steps[best]!) best = next;
      }
    if (best === at) break;
    places.push((at = best));
  }
  return { places: places.reverse(), length: steps[far]!, steps };
}

/** In how many places a patch is at least so thick. */
export function cores({ width, pixels, depth }: Shape, least: number): number {
  const left = new Set<number>();
  for (const at of pixels) if (depth[at]! >= least) left.add(at);
  let count = 0;
  while (left.size > 0) {
    const [start] = left;
    const stack = [start!];
    left.delete(start!);
    let size = 0;
    while (stack.length > 0) {
      const at = stack.pop()!;
      size++;
      for (const step of [1, -1, width, -width, width + 1, width - 1, -width + 1, -width - 1])
        if (left.delete(at + step)) stack.push(at + step);
    }
    if (size >= Math.max(3, least * least * 0.3)) count++;
  }
  return count;
}

/** A patch without what is thinner than twice so many pixels: legs, feelers, hairs (morphological opening). */
export function withoutThin(shape: Shape, half: number): Shape {
  const { width, pixels, depth, mask } = shape;
  const toThick = new Float32Array(mask.length).fill(FAR);
  for (const at of pixels) if (depth[at]! >= half) toThick[at] = 0;
  const steps = stepsFrom(pixels, width, toThick);
  const kept = pixels.filter((at) => steps[at]! < half);
  if (kept.length === pixels.length || kept.length === 0) return shape;
  const open = new Uint8Array(mask.length);
  for (const at of kept) open[at] = 1;
  // The largest piece is the body.
  const [largest] = patchesOf(open, width, shape.height, 1).sort((a, b) => b.length - a.length);
  const body = new Uint8Array(mask.length);
  for (const at of largest!) body[at] = 1;
  return { ...shape, pixels: largest!.sort(), mask: body };
}

/** How long a patch is along its main axis, pixels. */
export function extentOf({ pixels, width }: Pick<Shape, 'pixels' | 'width'>): number {
  let [sx, sy] = [0, 0];
  for (const at of pixels) {
    sx += at % width;
    sy += Math.floor(at / width);
  }
  const [mx, my] = [sx / pixels.length, sy / pixels.length];
  let [xx, xy, yy] = [0, 0, 0];
  for (const at of pixels) {
    const [dx, dy] = [(at % width) - mx, Math.floor(at / width) - my];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  let [low, high] = [Infinity, -Infinity];
  for (const at of pixels) {
    const along = ((at % width) - mx) * c + (Math.floor(at / width) - my) * s;
    low = Math.min(low, along);
    high = Math.max(high, along);
  }
  return high - low + 1;
}

/** The share of its convex hull that a patch fills (Andrew 1979): a body by itself much of it, bodies across one another little. */
export function solidity({ pixels, width }: Pick<Shape, 'pixels' | 'width'>): number {
  const ends = new Map<number, [number, number]>();
  for (const at of pixels) {
    const [x, y] = [at % width, Math.floor(at / width)];
    const row = ends.get(y);
    if (!row) ends.set(y, [x, x]);
    else [row[0], row[1]] = [Math.min(row[0], x), Math.max(row[1], x)];
  }
  const corners = [...ends].flatMap(([y, [left, right]]): [number, number][] => [
    [left, y],
    [left, y + 1],
    [right + 1, y],
    [right + 1, y + 1],
  ]);
  corners.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (points: readonly [number, number][]) => {
    const chain: [number, number][] = [];
    for (const [x, y] of points) {
      for (;;) {
        const [last, before] = [chain.at(-1), chain.at(-2)];
        if (!last || !before || (last[0] - before[0]) * (y - before[1]) - (last[1] - before[1]) * (x - before[0]) > 0) break;
        chain.pop();
      }
      chain.push([x, y]);
    }
    return chain.slice(0, -1);
  };
  const hull = [...half(corners), ...half([...corners].reverse())];
  const twice = hull.reduce((sum, [x, y], i) => {
    const [nx, ny] = hull[(i + 1) % hull.length]!;
    return sum + x * ny - y * nx;
  }, 0);
  return pixels.length / Math.max(1, Math.abs(twice) / 2);
}
