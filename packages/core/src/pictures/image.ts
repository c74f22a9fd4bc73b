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

/** Red, green and blue as planes, made smaller by averaging whole squares so that the longer side is at most `longest`. */
export function toPlanes(picture: Picture, longest: number): { planes: [Plane, Plane, Plane]; scale: number } {
  const { width, height, data, channels = 3 } = picture;
  const scale = Math.min(1, longest / Math.max(width, height));
  const [w, h] = [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
  const planes: [Plane, Plane, Plane] = [plane(w, h), plane(w, h), plane(w, h)];
  // Whole squares first, which is quick, then the rest to the exact size.
  const side = Math.max(1, Math.floor(1 / scale));
  const [bw, bh] = [Math.floor(width / side), Math.floor(height / side)];
  const coarse = side === 1 && scale === 1 ? planes : ([plane(bw, bh), plane(bw, bh), plane(bw, bh)] as [Plane, Plane, Plane]);
  const [red, green, blue] = [coarse[0].values, coarse[1].values, coarse[2].values];
  const share = 1 / (side * side);
  for (let y = 0, at = 0; y < bh; y++)
    for (let x = 0; x < bw; x++, at++) {
      let r = 0;
      let g = 0;
      let b = 0;
      for (let dy = 0; dy < side; dy++) {
        let p = ((y * side + dy) * width + x * side) * channels;
        for (let dx = 0; dx < side; dx++, p += channels) {
          r += data[p]!;
          g += data[p + 1]!;
          b += data[p + 2]!;
        }
      }
      red[at] = r * share;
      green[at] = g * share;
      blue[at] = b * share;
    }
  if (coarse === planes) return { planes, scale };
  // Cut to whole squares, the picture is a little smaller than the scale says: by less than a pixel of the small one.
  return { planes: [resize(coarse[0], w, h), resize(coarse[1], w, h), resize(coarse[2], w, h)], scale };
}

/** A plane made smaller by averaging what each small pixel covers. */
export const shrink = (source: Plane, scale: number): Plane =>
  scale >= 1
    ? source
    : resize(source, Math.max(1, Math.round(source.width * scale)), Math.max(1, Math.round(source.height * scale)));

function resize(source: Plane, w: number, h: number): Plane {
  const { width, height, values } = source;
  if (w >= width && h >= height) return source;
  const out = plane(w, h);
  const [sx, sy] = [width / w, height / h];
  // What each small pixel covers along a row: the first and the last large one, and the parts of these two.
  const [firsts, lasts] = [new Int32Array(w), new Int32Array(w)];
  const [firstParts, lastParts] = [new Float64Array(w), new Float64Array(w)];
  for (let x = 0; x < w; x++) {
    const [left, right] = [x * sx, (x + 1) * sx];
    const first = Math.floor(left);
    const last = Math.min(width, Math.ceil(right)) - 1;
    firsts[x] = first;
    lasts[x] = last;
    firstParts[x] = Math.min(first + 1, right) - left;
    lastParts[x] = last > first ? Math.min(last + 1, right) - last : 0;
  }
  const line = new Float32Array(width);
  const share = 1 / (sx * sy);
  for (let y = 0; y < h; y++) {
    line.fill(0);
    const [from, to] = [y * sy, (y + 1) * sy];
    for (let yy = Math.floor(from); yy < Math.min(height, Math.ceil(to)); yy++) {
      const weight = Math.min(yy + 1, to) - Math.max(yy, from);
      for (let x = 0, at = yy * width; x < width; x++, at++) line[x] = line[x]! + weight * values[at]!;
    }
    for (let x = 0, at = y * w; x < w; x++, at++) {
      const [first, last] = [firsts[x]!, lasts[x]!];
      let sum = firstParts[x]! * line[first]! + lastParts[x]! * line[last]!;
      for (let xx = first + 1; xx < last; xx++) sum += line[xx]!;
      out.values[at] = sum * share;
    }
  }
  return out;
}

/** A plane blurred by three running means, close to a Gaussian of the given standard deviation. Edges repeat. */
export function blur(source: Plane, sigma: number): Plane {
  const { width, height } = source;
  if (sigma <= 0) return { width, height, values: source.values.slice() };
  const ideal = Math.sqrt((12 * sigma * sigma) / 3 + 1);
  let low = Math.floor(ideal);
  if (low % 2 === 0) low--;
  const lows = Math.round((12 * sigma * sigma - 3 * low * low - 12 * low - 9) / (-4 * low - 4));
  let values = source.values;
  for (let pass = 0; pass < 3; pass++) {
    const radius = ((pass < lows ? low : low + 2) - 1) / 2;
    if (radius < 1) continue;
    values = boxColumns(boxRows(values, width, height, radius), width, height, radius);
  }
  return { width, height, values: values === source.values ? values.slice() : values };
}

function boxRows(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  const out = new Float32Array(values.length);
  const share = 1 / (2 * radius + 1);
  for (let y = 0; y < height; y++) {
    const base = y * width;
    const end = base + width - 1;
    const [first, last] = [values[base]!, values[end]!];
    let sum = first * (radius + 1);
    for (let at = base + 1; at <= base + radius; at++) sum += at <= end ? values[at]! : last;
    for (let at = base; at <= end; at++) {
      out[at] = sum * share;
      const [add, drop] = [at + radius + 1, at - radius];
      sum += (add <= end ? values[add]! : last) - (drop >= base ? values[drop]! : first);
    }
  }
  return out;
}

function boxColumns(values: Float32Array, width: number, height: number, radius: number): Float32Array {
  const out = new Float32Array(values.length);
  const span = 2 * radius + 1;
  const sums = new Float32Array(width);
  const row = (y: number) => (y < 0 ? 0 : y >= height ? height - 1 : y) * width;
  for (let y = -radius; y <= radius; y++) for (let x = 0, at = row(y); x < width; x++, at++) sums[x] = sums[x]! + values[at]!;
  for (let y = 0; y < height; y++) {
    const [add, drop, base] = [row(y + radius + 1), row(y - radius), y * width];
    for (let x = 0; x < width; x++) {
      out[base + x] = sums[x]! / span;
      sums[x] = sums[x]! + values[add + x]! - values[drop + x]!;
    }
  }
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
