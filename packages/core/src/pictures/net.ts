import { shrink, type Plane } from './image';
import { FRAME, Workbench, type Place } from './kernels';

/** Planes of numbers of one size, one after the other. */
export interface Planes {
  channels: number;
  width: number;
  height: number;
  values: Float32Array;
}

/** A net as it is kept: how many planes it has at a half, a quarter, an eighth and a sixteenth of the size, and weights in whole parts of 1. */
export interface Kept {
  channels: readonly number[];
  parts: number;
  weights: readonly number[];
}

/** Planes on the workbench, each with its frame. */
interface Framed {
  channels: number;
  width: number;
  height: number;
  at: Place;
}

/** Runs the layers of a net one after the other, each with the next of its weights. */
class Layers {
  private next: Place;
  constructor(
    private readonly bench: Workbench,
    { parts, weights }: Kept,
  ) {
    bench.clear();
    this.next = bench.take(weights.length);
    const floats = bench.floats(this.next, weights.length);
    for (let i = 0; i < weights.length; i++) floats[i] = weights[i]! / parts;
  }

  private weights(count: number): Place {
    this.next += 4 * count;
    return this.next - 4 * count;
  }

  private floatsOf({ channels, width, height }: Omit<Framed, 'at'>): number {
    return channels * this.bench.kernels.plane(width, height);
  }

  private empty(channels: number, width: number, height: number): Framed {
    return { channels, width, height, at: this.bench.take(this.floatsOf({ channels, width, height })) };
  }

  private done(planes: Framed): void {
    this.bench.giveBack(planes.at, this.floatsOf(planes));
  }

  /** Where a row of a plane begins among the floats of all. */
  private rowOf({ width, height }: Framed, channel: number, y: number): number {
    const { pitch, plane } = this.bench.kernels;
    return channel * plane(width, height) + (y + 1) * pitch(width) + FRAME;
  }

  laid({ channels, width, height, values }: Planes): Framed {
    const planes = this.empty(channels, width, height);
    const floats = this.bench.floats(planes.at, this.floatsOf(planes));
    for (let c = 0; c < channels; c++)
      for (let y = 0, from = c * width * height; y < height; y++, from += width)
        floats.set(values.subarray(from, from + width), this.rowOf(planes, c, y));
    return planes;
  }

  taken(planes: Framed): Planes {
    const { channels, width, height } = planes;
    const values = new Float32Array(channels * width * height);
    const floats = this.bench.floats(planes.at, this.floatsOf(planes));
    for (let c = 0; c < channels; c++)
      for (let y = 0, to = c * width * height; y < height; y++, to += width) {
        const from = this.rowOf(planes, c, y);
        values.set(floats.subarray(from, from + width), to);
      }
    return { channels, width, height, values };
  }

  /** The first layer: all three colours by nine weights each, at every second place. */
  stem(input: Framed, outputs: number): Framed {
    const { kernels } = this.bench;
    const { channels } = input;
    const out = this.empty(outputs, input.width / 2, input.height / 2);
    const shares = this.weights(outputs * channels * 9);
    const biases = this.weights(outputs);
    const many = kernels.scratch(out.width, 9 * channels);
    const rows = this.bench.take(many);
    kernels.stem(input.at, channels, out.width, out.height, shares, biases, outputs, out.at, rows);
    this.bench.giveBack(rows, many);
    this.done(input);
    return out;
  }

  /** Each plane by nine weights of its own, then mixed. What is halved stays: it is joined again on the way up. */
  block(input: Framed, outputs: number, step: 1 | 2 = 1): Framed {
    const { kernels } = this.bench;
    const { channels } = input;
    const out = this.empty(outputs, input.width / step, input.height / step);
    const nine = this.weights(channels * 9);
    const firsts = this.weights(channels);
    const shares = this.weights(outputs * channels);
    const biases = this.weights(outputs);
    const many = kernels.scratch(out.width, channels);
    const rows = this.bench.take(many);
    kernels.block(input.at, channels, out.width, out.height, step, nine, firsts, shares, biases, outputs, out.at, rows);
    this.bench.giveBack(rows, many);
    if (step === 1) this.done(input);
    return out;
  }

  /** Mixes the planes at each place. */
  mixed(input: Framed, outputs: number): Framed {
    const { channels, width, height } = input;
    const out = this.empty(outputs, width, height);
    const shares = this.weights(outputs * channels);
    const biases = this.weights(outputs);
    this.bench.kernels.mix(input.at, channels, width, height, shares, biases, outputs, out.at);
    this.done(input);
    return out;
  }

  /** What was seen small, mixed and drawn twice as large, is added to what was seen at that size. */
  joined(seen: Framed, small: Framed): Framed {
    const mixed = this.mixed(small, seen.channels);
    this.bench.kernels.join(seen.at, mixed.at, seen.channels, seen.width, seen.height);
    this.done(mixed);
    return seen;
  }
}

let bench: Workbench | null = null;

/**
 * Runs the net over three planes and gives its outputs at half their size. It halves the picture four times and joins what it saw on the
 * way up (Ronneberger 2015), with layers that look at each plane by itself and then mix them (Howard 2017).
 * @param input - sides are multiples of 16
 * @param outputs - planes that it tells
 */
export function runNet(input: Planes, kept: Kept, outputs: number): Planes {
  const layers = new Layers((bench ??= new Workbench()), kept);
  const [half, quarter, eighth, sixteenth] = kept.channels as [number, number, number, number];
  const one = layers.block(layers.stem(layers.laid(input), half), half);
  const two = layers.block(layers.block(layers.block(one, quarter, 2), quarter), quarter);
  const three = layers.block(layers.block(layers.block(two, eighth, 2), eighth), eighth);
  const four = layers.block(layers.block(layers.block(layers.block(three, sixteenth, 2), sixteenth), sixteenth), sixteenth);
  const up3 = layers.block(layers.joined(three, four), eighth);
  const up2 = layers.block(layers.joined(two, up3), quarter);
  const up1 = layers.block(layers.block(layers.joined(one, up2), half), half);
  return layers.taken(layers.mixed(up1, outputs));
}

/** Planes seen in a mirror that stands to their right. */
function mirrored({ channels, width, height, values }: Planes): Planes {
  const out = new Float32Array(values.length);
  for (let row = 0; row < channels * height; row++)
    for (let x = 0, from = row * width, to = from + width - 1; x < width; x++, from++, to--) out[to] = values[from]!;
  return { channels, width, height, values: out };
}

/**
 * What the net tells of a picture and of its mirror image, in the mean: what it sees but one way round counts half.
 * @param turned - the output that tells a way to the right, which is one to the left in the mirror; null where none does
 */
export function runNetTwice(input: Planes, kept: Kept, outputs: number, turned: number | null): Planes {
  const told = runNet(input, kept, outputs);
  const { width, height, values } = told;
  const again = mirrored(runNet(mirrored(input), kept, outputs)).values;
  for (let c = 0, at = 0; c < outputs; c++) {
    const sign = c === turned ? -1 : 1;
    for (let i = 0; i < width * height; i++, at++) values[at] = (values[at]! + sign * again[at]!) / 2;
  }
  return told;
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
  const [across, down] = [Math.ceil(width / SIDE) * SIDE, Math.ceil(height / SIDE) * SIDE];
  const out: Planes = { channels: 3, width: across, height: down, values: new Float32Array(3 * across * down) };
  planes.forEach(({ values }, c) => {
    for (let y = 0; y < height; y++) {
      let to = (c * out.height + y) * out.width;
      for (let x = 0, at = y * width; x < width; x++, at++, to++) out.values[to] = (values[at]! - mean) / spread;
    }
  });
  return out;
}
