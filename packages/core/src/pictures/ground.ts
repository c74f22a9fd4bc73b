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
  const { values } = source;
  const between = (large: number, small: number) => {
    const [from, part] = [new Int32Array(large), new Float32Array(large)];
    for (let at = 0; at < large; at++) {
      const place = Math.max(0, Math.min(small - 1.001, ((at + 0.5) * small) / large - 0.5));
      from[at] = Math.floor(place);
      part[at] = place - from[at]!;
    }
    return { from, part };
  };
  const [along, down] = [between(width, source.width), between(height, source.height)];
  const line = new Float32Array(source.width + 1);
  for (let y = 0; y < height; y++) {
    const [above, part] = [down.from[y]! * source.width, down.part[y]!];
    const below = source.height > 1 ? above + source.width : above;
    for (let x = 0; x < source.width; x++) line[x] = values[above + x]! * (1 - part) + values[below + x]! * part;
    line[source.width] = line[source.width - 1]!;
    for (let x = 0, at = y * width; x < width; x++, at++) {
      const [from, share] = [along.from[x]!, along.part[x]!];
      out.values[at] = line[from]! * (1 - share) + line[from + 1]! * share;
    }
  }
  return out;
}

/** How far a window reaches each way. */
const NEAR = 3;

/** Each row becomes the larger, at each place, of itself and another one. */
function raise(values: Float32Array, base: number, other: number, length: number): void {
  for (let i = 0; i < length; i++) if (values[other + i]! > values[base + i]!) values[base + i] = values[other + i]!;
}

/** The largest or the smallest value within three pixels each way, in a square; over an edge it is cut. */
function extremeNear({ width, height, values }: Plane, isLargest: boolean): Plane {
  // The smallest is the largest of what is turned over.
  const sign = isLargest ? 1 : -1;
  // Windows that begin at a place grow by doubling: 2, then 4, then 7 wide.
  const rows = new Float32Array(values.length);
  const line = new Float32Array(width + 2 * NEAR).fill(-Infinity);
  for (let y = 0, base = 0; y < height; y++, base += width) {
    for (let x = 0; x < width; x++) line[x + NEAR] = sign * values[base + x]!;
    for (const step of [1, 2, 3]) raise(line, 0, step, line.length - step);
    rows.set(line.subarray(0, width), base);
    line.fill(-Infinity, 0, NEAR).fill(-Infinity, width + NEAR);
  }
  for (const step of [1, 2, 3]) for (let y = 0; y < height - step; y++) raise(rows, y * width, (y + step) * width, width);
  const out = new Float32Array(values.length);
  for (let y = 0; y < height; y++) {
    const from = Math.max(0, y - NEAR) * width;
    for (let x = 0, at = y * width; x < width; x++, at++) out[at] = sign * rows[from + x]!;
  }
  return { width, height, values: out };
}

const largestNear = (source: Plane): Plane => extremeNear(source, true);
const smallestNear = (source: Plane): Plane => extremeNear(source, false);

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
  const [red, green, blue] = soft.map((one) => one.values) as [Float32Array, Float32Array, Float32Array];
  const [underRed, underGreen, underBlue] = grounds.map((one) => one.values) as [Float32Array, Float32Array, Float32Array];
  const [light, warm, yellow] = mixed.map((one) => one.values) as [Float32Array, Float32Array, Float32Array];
  for (let at = 0; at < size; at++) {
    const r = red[at]! - underRed[at]!;
    const g = green[at]! - underGreen[at]!;
    const b = blue[at]! - underBlue[at]!;
    light[at] = (r + g + b) / 3;
    warm[at] = r - g;
    yellow[at] = (r + g) / 2 - b;
  }
  const score = plane(width, height);
  for (const [c, one] of mixed.entries()) {
    const noise = localNoise(one, [2.2, 1.4, 1.8][c]!);
    const [sums, offs, noises] = [score.values, one.values, noise.values];
    for (let at = 0; at < size; at++) {
      const times = offs[at]! / noises[at]!;
      sums[at] = sums[at]! + times * times;
    }
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
