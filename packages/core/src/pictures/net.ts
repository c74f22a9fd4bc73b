import { shrink, type Plane } from './image';

/** Planes of numbers of one size, one after the other. */
export interface Planes {
  channels: number;
  width: number;
  height: number;
  values: Float32Array;
}

const empty = (channels: number, width: number, height: number): Planes => ({
  channels,
  width,
  height,
  values: new Float32Array(channels * width * height),
});

/** A net as it is kept: how many planes it has at a half, a quarter, an eighth and a sixteenth of the size, and weights in whole parts of 1. */
export interface Kept {
  channels: readonly number[];
  parts: number;
  weights: readonly number[];
}

/** Weights of a net, taken in the order in which its layers run. */
class Weights {
  private at = 0;
  private readonly values: Float32Array;
  constructor({ parts, weights }: Kept) {
    this.values = Float32Array.from(weights, (value) => value / parts);
  }
  take(count: number): Float32Array {
    this.at += count;
    return this.values.subarray(this.at - count, this.at);
  }
}

/** A plane with a frame of zeros one pixel wide. */
function framed(values: Float32Array, from: number, width: number, height: number, out: Float64Array): void {
  for (let y = 0; y < height; y++) out.set(values.subarray(from + y * width, from + (y + 1) * width), (y + 1) * (width + 2) + 1);
}

/** Each plane by nine weights of its own; with `step` 2 every second place of every second row. */
function eachByNine(input: Planes, weights: Weights, step: 1 | 2): Planes {
  const { channels, width, height, values } = input;
  const out = empty(channels, width / step, height / step);
  const nine = weights.take(channels * 9);
  const bias = weights.take(channels);
  const frame = new Float64Array((width + 2) * (height + 2));
  for (let c = 0; c < channels; c++) {
    framed(values, c * width * height, width, height, frame);
    addNine(frame, width + 2, nine, c * 9, step, out, c, bias[c]!);
  }
  return out;
}

function addNine(
  frame: Float64Array,
  across: number,
  nine: Float32Array,
  at: number,
  step: number,
  out: Planes,
  channel: number,
  first: number,
): void {
  const [a, b, c, d, e, f, g, h, i] = nine.subarray(at, at + 9) as unknown as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const { width, height, values } = out;
  let to = channel * width * height;
  for (let y = 0; y < height; y++) {
    let p = y * step * across;
    for (let x = 0; x < width; x++, to++, p += step) {
      const q = p + across;
      const r = q + across;
      values[to] =
        values[to]! +
        first +
        a * frame[p]! +
        b * frame[p + 1]! +
        c * frame[p + 2]! +
        d * frame[q]! +
        e * frame[q + 1]! +
        f * frame[q + 2]! +
        g * frame[r]! +
        h * frame[r + 1]! +
        i * frame[r + 2]!;
    }
  }
}

/** The first layer: all three colours by nine weights each, at every second place. */
function stem(input: Planes, weights: Weights, outputs: number): Planes {
  const { channels, width, height, values } = input;
  const out = empty(outputs, width / 2, height / 2);
  const nine = weights.take(outputs * channels * 9);
  const bias = weights.take(outputs);
  const frame = new Float64Array((width + 2) * (height + 2));
  for (let c = 0; c < channels; c++) {
    framed(values, c * width * height, width, height, frame);
    for (let o = 0; o < outputs; o++) addNine(frame, width + 2, nine, (o * channels + c) * 9, 2, out, o, c === 0 ? bias[o]! : 0);
  }
  return positive(out);
}

function positive(planes: Planes): Planes {
  const { values } = planes;
  for (let i = 0; i < values.length; i++) if (values[i]! < 0) values[i] = 0;
  return planes;
}

/** So many places are mixed at a time: what is read stays near, in doubles, which need no turning. */
const AT_ONCE = 256;

/** Mixes the planes at each place: each of the outputs is a weighted sum of the inputs. Two outputs and four inputs are taken at a time. */
function mixed(input: Planes, weights: Weights, outputs: number): Planes {
  const { channels, width, height, values } = input;
  const size = width * height;
  const out = empty(outputs, width, height);
  const shares = weights.take(outputs * channels);
  const bias = weights.take(outputs);
  const near = new Float64Array(channels * AT_ONCE);
  const [sums, others] = [new Float64Array(AT_ONCE), new Float64Array(AT_ONCE)];
  for (let from = 0; from < size; from += AT_ONCE) {
    const many = Math.min(AT_ONCE, size - from);
    for (let c = 0; c < channels; c++) near.set(values.subarray(c * size + from, c * size + from + many), c * AT_ONCE);
    for (let one = 0; one < outputs; one += 2) {
      const other = Math.min(one + 1, outputs - 1);
      sums.fill(bias[one]!);
      others.fill(bias[other]!);
      for (let c = 0; c < channels; c += 4) {
        const [at, too] = [one * channels + c, other * channels + c];
        const [w0, w1, w2, w3] = [shares[at]!, shares[at + 1]!, shares[at + 2]!, shares[at + 3]!];
        const [v0, v1, v2, v3] = [shares[too]!, shares[too + 1]!, shares[too + 2]!, shares[too + 3]!];
        const p0 = c * AT_ONCE;
        const [p1, p2, p3] = [p0 + AT_ONCE, p0 + 2 * AT_ONCE, p0 + 3 * AT_ONCE];
        for (let i = 0; i < many; i++) {
          const a0 = near[p0 + i]!;
          const a1 = near[p1 + i]!;
          const a2 = near[p2 + i]!;
          const a3 = near[p3 + i]!;
          sums[i] = sums[i]! + w0 * a0 + w1 * a1 + w2 * a2 + w3 * a3;
          others[i] = others[i]! + v0 * a0 + v1 * a1 + v2 * a2 + v3 * a3;
        }
      }
      out.values.set(sums.subarray(0, many), one * size + from);
      out.values.set(others.subarray(0, many), other * size + from);
    }
  }
  return out;
}

const block = (input: Planes, weights: Weights, outputs: number, step: 1 | 2 = 1): Planes =>
  positive(mixed(eachByNine(input, weights, step), weights, outputs));

/** What was seen small, drawn twice as large and added to what was seen at that size. */
function joined(seen: Planes, small: Planes): Planes {
  const { channels, width, height, values } = seen;
  for (let c = 0, at = 0; c < channels; c++)
    for (let y = 0; y < height; y++) {
      const from = c * small.width * small.height + (y >> 1) * small.width;
      for (let x = 0; x < width; x++, at++) values[at] = Math.max(0, values[at]! + small.values[from + (x >> 1)]!);
    }
  return seen;
}

/**
 * Runs the net over three planes and gives its outputs at half their size. It halves the picture four times and joins what it saw on the
 * way up (Ronneberger 2015), with layers that look at each plane by itself and then mix them (Howard 2017).
 * @param input - sides are multiples of 16
 * @param outputs - planes that it tells
 */
export function runNet(input: Planes, kept: Kept, outputs: number): Planes {
  const weights = new Weights(kept);
  const [half, quarter, eighth, sixteenth] = kept.channels as [number, number, number, number];
  const one = block(stem(input, weights, half), weights, half);
  const two = block(block(block(one, weights, quarter, 2), weights, quarter), weights, quarter);
  const three = block(block(block(two, weights, eighth, 2), weights, eighth), weights, eighth);
  const four = block(
    block(block(block(three, weights, sixteenth, 2), weights, sixteenth), weights, sixteenth),
    weights,
    sixteenth,
  );
  const up3 = block(joined(three, mixed(four, weights, eighth)), weights, eighth);
  const up2 = block(joined(two, mixed(up3, weights, quarter)), weights, quarter);
  const up1 = block(block(joined(one, mixed(up2, weights, half)), weights, half), weights, half);
  return mixed(up1, weights, outputs);
}

const SIDE = 16;
/** Longest side at which brightness is judged: grain of sand and noise are gone there. */
const JUDGED_AT = 350;
/** No picture is taken for more even than this, bytes. */
const LEAST_SPREAD = 20;

/** Mean of three planes and how far they scatter. */
function lightOf(planes: readonly Plane[]): { mean: number; spread: number } {
  const { width, height } = planes[0]!;
  const scale = JUDGED_AT / Math.max(width, height);
  let [sum, squares, many] = [0, 0, 0];
  for (const one of planes) {
    const { values } = shrink(one, scale);
    many += values.length;
    for (let i = 0; i < values.length; i++) {
      sum += values[i]!;
      squares += values[i]! * values[i]!;
    }
  }
  const mean = sum / many;
  return { mean, spread: Math.max(LEAST_SPREAD, Math.sqrt(Math.max(0, squares / many - mean * mean))) };
}

/** Three planes as a net is shown them: brightness against the mean of the whole, in its standard deviations; sides filled up to sixteens. */
export function shownTo(planes: readonly Plane[]): Planes {
  const { width, height } = planes[0]!;
  const { mean, spread } = lightOf(planes);
  const out = empty(3, Math.ceil(width / SIDE) * SIDE, Math.ceil(height / SIDE) * SIDE);
  planes.forEach(({ values }, c) => {
    for (let y = 0; y < height; y++) {
      let to = (c * out.height + y) * out.width;
      for (let x = 0, at = y * width; x < width; x++, at++, to++) out.values[to] = (values[at]! - mean) / spread;
    }
  });
  return out;
}
