import { blur, plane, shrink, type Plane } from './image';

/** The middle value in a window around each pixel, of a plane of bytes (Huang 1979: a histogram that slides along the row). */
function medianFilter({ width, height, values }: Plane, radius: number): Plane {
  const out = plane(width, height);
  const bytes = Uint8Array.from(values, (value) => Math.max(0, Math.min(255, Math.round(value))));
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - radius), Math.min(height - 1, y + radius)];
    const histogram = new Int32Array(256);
    let [count, below, at] = [0, 0, 0];
    const add = (x: number, sign: number) => {
      if (x < 0 || x >= width) return;
      for (let yy = top; yy <= bottom; yy++) {
        const value = bytes[yy * width + x]!;
        histogram[value] = histogram[value]! + sign;
        count += sign;
        if (value < at) below += sign;
      }
    };
    for (let x = -radius; x <= radius; x++) add(x, 1);
    for (let x = 0; x < width; x++) {
      const half = count / 2;
      while (below > half) below -= histogram[--at]!;
      while (below + histogram[at]! <= half) below += histogram[at++]!;
      out.values[y * width + x] = at;
      add(x - radius, -1);
      add(x + radius + 1, 1);
    }
  }
  return out;
}

/** A plane drawn larger, straight between its pixels. */
function enlarge(source: Plane, width: number, height: number): Plane {
  const out = plane(width, height);
  const [sx, sy] = [source.width / width, source.height / height];
  for (let y = 0; y < height; y++) {
    const fy = Math.max(0, Math.min(source.height - 1.001, (y + 0.5) * sy - 0.5));
    const [y0, ty] = [Math.floor(fy), fy - Math.floor(fy)];
    for (let x = 0; x < width; x++) {
      const fx = Math.max(0, Math.min(source.width - 1.001, (x + 0.5) * sx - 0.5));
      const [x0, tx] = [Math.floor(fx), fx - Math.floor(fx)];
      const at = y0 * source.width + x0;
      const down = source.height > 1 ? source.width : 0;
      const right = source.width > 1 ? 1 : 0;
      const { values } = source;
      out.values[y * width + x] =
        (values[at]! * (1 - tx) + values[at + right]! * tx) * (1 - ty) +
        (values[at + down]! * (1 - tx) + values[at + down + right]! * tx) * ty;
    }
  }
  return out;
}

/** The largest value within three pixels each way, in a square: by doubling, 2, 4, then 7 wide; beyond an edge is nothing. */
function largestNear({ width, height, values }: Plane): Plane {
  let from = values;
  for (const [dx, dy] of [
    [1, 0],
    [2, 0],
    [3, 0],
    [0, 1],
    [0, 2],
    [0, 3],
  ] as const) {
    const to = new Float32Array(from.length);
    const step = dx + dy * width;
    for (let y = 0; y < height; y++) {
      const base = y * width;
      const end = y + dy < height ? base + width - dx : base;
      for (let at = base; at < end; at++) {
        const [one, other] = [from[at]!, from[at + step]!];
        to[at] = one > other ? one : other;
      }
      for (let at = end; at < base + width; at++) to[at] = from[at]!;
    }
    from = to;
  }
  // Each window began at its pixel: it is moved to lie around it.
  const out = new Float32Array(from.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) out[y * width + x] = from[Math.max(0, y - 3) * width + Math.max(0, x - 3)]!;
  return { width, height, values: out };
}

/** The same plane with its signs turned. */
const turned = (source: Plane): Plane => ({ ...source, values: source.values.map((value) => -value) });
/** The smallest value within three pixels each way. */
const smallestNear = (source: Plane): Plane => turned(largestNear(turned(source)));

/** A plane without what is darker than its surroundings and thinner than seven pixels (morphological closing). */
export const withoutThinDark = (source: Plane): Plane => smallestNear(largestNear(source));

/** From here on, and by so much above the middle around it, a wide bright place is glare that lies over ground and young alike. */
const [GLARE_FROM, GLARE_ABOVE] = [215, 10];

/** The ground of a small plane: its local middle, and where glare lies the light of the glare, without what is thin in it. */
function groundOf(small: Plane): Plane {
  const middle = medianFilter(small, 12);
  // Opened twice as wide as young are thick here: what stays is no animal.
  const wide = largestNear(largestNear(smallestNear(smallestNear(withoutThinDark(small)))));
  middle.values.forEach((value, at) => {
    const light = wide.values[at]!;
    if (light > GLARE_FROM && light > value + GLARE_ABOVE) middle.values[at] = light;
  });
  return blur(middle, 0.8);
}

/** How much each pixel stands out from its ground, in standard deviations of the ground near by. */
export function standOut(planes: readonly Plane[], sigma: number): { score: Plane; light: Plane; offs: Plane[] } {
  const { width, height } = planes[0]!;
  const small = Math.min(1, 180 / Math.max(width, height));
  const soft = planes.map((one) => blur(one, sigma));
  const grounds = planes.map((one) => enlarge(groundOf(shrink(one, small)), width, height));
  const size = width * height;
  const mixed = [plane(width, height), plane(width, height), plane(width, height)];
  for (let at = 0; at < size; at++) {
    const [r, g, b] = [0, 1, 2].map((c) => soft[c]!.values[at]! - grounds[c]!.values[at]!) as [number, number, number];
    mixed[0]!.values[at] = (r + g + b) / 3;
    mixed[1]!.values[at] = r - g;
    mixed[2]!.values[at] = (r + g) / 2 - b;
  }
  const score = plane(width, height);
  for (const [c, one] of mixed.entries()) {
    const noise = localNoise(one, [2.2, 1.4, 1.8][c]!);
    for (let at = 0; at < size; at++) score.values[at] = score.values[at]! + (one.values[at]! / noise.values[at]!) ** 2;
  }
  for (let at = 0; at < size; at++) score.values[at] = Math.sqrt(score.values[at]!);
  return { score, light: mixed[0]!, offs: mixed };
}

/** The scatter of the ground by region: the middle of what each block is off, drawn smooth; never below a least one. */
function localNoise(off: Plane, least: number): Plane {
  const { width, height, values } = off;
  const across = 8;
  const down = Math.max(4, Math.round((across * height) / width));
  const blocks = plane(across, down);
  for (let j = 0; j < down; j++)
    for (let i = 0; i < across; i++) {
      const some: number[] = [];
      const [x0, x1, y0, y1] = [(i * width) / across, ((i + 1) * width) / across, (j * height) / down, ((j + 1) * height) / down];
      for (let y = Math.floor(y0); y < y1; y += 4)
        for (let x = Math.floor(x0); x < x1; x += 4) some.push(Math.abs(values[y * width + x]!));
      some.sort((a, b) => a - b);
      blocks.values[j * across + i] = Math.max(least, (some[Math.floor(some.length * 0.5)] ?? 0) * 1.4826);
    }
  return enlarge(blocks, width, height);
}
