/** A picture as bytes, three a pixel (red, green, blue), rows from the top. */
export interface Picture {
  width: number;
  height: number;
  /** RGB or, with `channels` 4, RGBA. */
  data: Uint8Array | Uint8ClampedArray;
  channels?: 3 | 4;
}

/** A plane of numbers, rows from the top. */
export interface Plane {
  width: number;
  height: number;
  values: Float32Array;
}

export const plane = (width: number, height: number): Plane => ({ width, height, values: new Float32Array(width * height) });

/** How many large pixels each small one covers along one way: the first, the last, and the parts of these two that it covers. */
interface Cover {
  firsts: Int32Array;
  lasts: Int32Array;
  firstParts: Float64Array;
  lastParts: Float64Array;
}

function coverOf(large: number, small: number): Cover {
  const step = large / small;
  const [firsts, lasts] = [new Int32Array(small), new Int32Array(small)];
  const [firstParts, lastParts] = [new Float64Array(small), new Float64Array(small)];
  for (let at = 0; at < small; at++) {
    const [from, to] = [at * step, (at + 1) * step];
    const first = Math.floor(from);
    const last = Math.min(large, Math.ceil(to - 1e-9)) - 1;
    firsts[at] = first;
    lasts[at] = last;
    firstParts[at] = Math.min(first + 1, to) - from;
    lastParts[at] = last > first ? Math.min(last + 1, to) - last : 0;
  }
  return { firsts, lasts, firstParts, lastParts };
}

/** How much of a large row a small one covers. */
const partOf = (cover: Cover, small: number, large: number): number =>
  large === cover.firsts[small] ? cover.firstParts[small]! : large === cover.lasts[small] ? cover.lastParts[small]! : 1;

/** Means of what each small pixel covers of a line; one value in so many of the line is of the channel. */
function gather(
  line: Float32Array,
  every: number,
  channel: number,
  cover: Cover,
  share: number,
  out: Float32Array,
  at: number,
): void {
  const { firsts, lasts, firstParts, lastParts } = cover;
  for (let x = 0; x < firsts.length; x++) {
    const first = firsts[x]! * every + channel;
    const last = lasts[x]! * every + channel;
    let sum = firstParts[x]! * line[first]! + lastParts[x]! * line[last]!;
    for (let from = first + every; from < last; from += every) sum += line[from]!;
    out[at + x] = sum * share;
  }
}

/** Makes rows of values smaller by averaging what each small pixel covers: into each of the planes its own of the channels. */
function shrinkInto(
  out: readonly Plane[],
  values: Float32Array | Picture['data'],
  width: number,
  height: number,
  channels: number,
): void {
  const { width: w, height: h } = out[0]!;
  const [along, down] = [coverOf(width, w), coverOf(height, h)];
  const line = new Float32Array(width * channels);
  const share = (w * h) / (width * height);
  for (let y = 0; y < h; y++) {
    line.fill(0);
    for (let row = down.firsts[y]!; row <= down.lasts[y]!; row++) {
      const weight = partOf(down, y, row);
      const from = row * line.length;
      for (let i = 0; i < line.length; i++) line[i] = line[i]! + weight * values[from + i]!;
    }
    for (let c = 0; c < out.length; c++) gather(line, channels, c, along, share, out[c]!.values, y * w);
  }
}

/** Red, green and blue as planes, made smaller so that the longer side is at most `longest`. */
export function toPlanes(picture: Picture, longest: number): { planes: [Plane, Plane, Plane]; scale: number } {
  const { width, height, data, channels = 3 } = picture;
  const scale = Math.min(1, longest / Math.max(width, height));
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const planes: [Plane, Plane, Plane] = [plane(w, h), plane(w, h), plane(w, h)];
  shrinkInto(planes, data, width, height, channels);
  return { planes, scale };
}

/** A plane made smaller. */
export function shrink(source: Plane, scale: number): Plane {
  const { width, height, values } = source;
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  if (scale >= 1 || (w >= width && h >= height)) return source;
  const out = plane(w, h);
  shrinkInto([out], values, width, height, 1);
  return out;
}

/** The value below which a share of all values lies; looks at no more than some ten thousand of them. */
export function quantile(values: Float32Array, share: number): number {
  const step = Math.max(1, Math.floor(values.length / 20_000));
  const some = new Float32Array(Math.ceil(values.length / step));
  for (let i = 0, n = 0; i < values.length; i += step, n++) some[n] = values[i]!;
  some.sort();
  return some[Math.min(some.length - 1, Math.max(0, Math.floor(share * some.length)))] ?? 0;
}

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.length === 0
    ? 0
    : (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2;
};
