/**
 * The sums of a net's layers, four places at a time. AssemblyScript: `npm run kernels` makes src/pictures/kernels.json of it, which is what
 * ships; a test holds the two together.
 *
 * Planes lie one after the other, each with a frame of zeros: a row above and one below, LEFT floats before each row and at least as many
 * after it. So rows can be read beyond their ends, and written eight floats at a time; what was written beyond is made zero again.
 */
const FLOAT: usize = 4;
const LEFT: i32 = 4;
const AT_ONCE: i32 = 8;

/** Floats from one row of a plane to the next. */
export function pitch(width: i32): i32 {
  return ((width + 3) & ~3) + 2 * LEFT;
}

/** Floats of a plane with its frame. */
export function plane(width: i32, height: i32): i32 {
  return pitch(width) * (height + 2);
}

/** Where a row of a plane begins, -1 and `height` being those of its frame. */
function rowOf(planes: usize, channel: i32, width: i32, height: i32, y: i32): usize {
  return planes + FLOAT * <usize>(channel * plane(width, height) + (y + 1) * pitch(width) + LEFT);
}

/** Rows mixed anew are held for so many places. */
function held(width: i32): i32 {
  return (width + AT_ONCE - 1) & ~(AT_ONCE - 1);
}

function endRow(row: usize, width: i32): void {
  memory.fill(row + FLOAT * <usize>width, 0, FLOAT * <usize>(pitch(width) - LEFT - width));
}

/** Three rows, the first at `from`, by nine weights. */
function nineEach(from: usize, below: usize, nine: usize, first: f32, many: i32, to: usize): void {
  const a = v128.load32_splat(nine, 0);
  const b = v128.load32_splat(nine, 4);
  const c = v128.load32_splat(nine, 8);
  const d = v128.load32_splat(nine, 12);
  const e = v128.load32_splat(nine, 16);
  const f = v128.load32_splat(nine, 20);
  const g = v128.load32_splat(nine, 24);
  const h = v128.load32_splat(nine, 28);
  const i = v128.load32_splat(nine, 32);
  for (let x = 0; x < many; x += 4) {
    const p = from + FLOAT * <usize>x;
    const q = p + below;
    const r = q + below;
    let sum = f32x4.splat(first);
    sum = f32x4.add(sum, f32x4.mul(a, v128.load(p - FLOAT)));
    sum = f32x4.add(sum, f32x4.mul(b, v128.load(p)));
    sum = f32x4.add(sum, f32x4.mul(c, v128.load(p, 4)));
    let other = f32x4.mul(d, v128.load(q - FLOAT));
    other = f32x4.add(other, f32x4.mul(e, v128.load(q)));
    other = f32x4.add(other, f32x4.mul(f, v128.load(q, 4)));
    sum = f32x4.add(sum, f32x4.mul(g, v128.load(r - FLOAT)));
    sum = f32x4.add(sum, f32x4.mul(h, v128.load(r)));
    sum = f32x4.add(sum, f32x4.mul(i, v128.load(r, 4)));
    v128.store(to + FLOAT * <usize>x, f32x4.add(sum, other));
  }
}

/** Every second of eight floats. */
function evens(from: usize): v128 {
  return v128.shuffle<f32>(v128.load(from), v128.load(from, 16), 0, 2, 4, 6);
}

function threeOfTwo(row: usize, left: v128, middle: v128, right: v128): v128 {
  const sum = f32x4.mul(left, evens(row - FLOAT));
  return f32x4.add(f32x4.add(sum, f32x4.mul(middle, evens(row))), f32x4.mul(right, evens(row + FLOAT)));
}

/** The same at every second place. */
function nineEverySecond(from: usize, below: usize, nine: usize, first: f32, many: i32, to: usize): void {
  const a = v128.load32_splat(nine, 0);
  const b = v128.load32_splat(nine, 4);
  const c = v128.load32_splat(nine, 8);
  const d = v128.load32_splat(nine, 12);
  const e = v128.load32_splat(nine, 16);
  const f = v128.load32_splat(nine, 20);
  const g = v128.load32_splat(nine, 24);
  const h = v128.load32_splat(nine, 28);
  const i = v128.load32_splat(nine, 32);
  for (let x = 0; x < many; x += 4) {
    const p = from + 2 * FLOAT * <usize>x;
    const sum = f32x4.add(f32x4.splat(first), threeOfTwo(p, a, b, c));
    const other = f32x4.add(threeOfTwo(p + below, d, e, f), threeOfTwo(p + 2 * below, g, h, i));
    v128.store(to + FLOAT * <usize>x, f32x4.add(sum, other));
  }
}

/** Mixes a row of each of the inputs into a row of each of the outputs: four outputs and eight places at a time. */
function mixRow(
  rows: usize,
  toNext: usize,
  inputs: i32,
  shares: usize,
  biases: usize,
  outputs: i32,
  many: i32,
  to: usize,
  toNextOut: usize,
  isPositive: bool,
): void {
  const zero = f32x4.splat(0);
  const across = FLOAT * <usize>inputs;
  for (let x = 0; x < many; x += AT_ONCE) {
    const place = FLOAT * <usize>x;
    for (let o = 0; o < outputs; o += 4) {
      // Where fewer than four are left the last is made again.
      const o1 = min(o + 1, outputs - 1);
      const o2 = min(o + 2, outputs - 1);
      const o3 = min(o + 3, outputs - 1);
      let near0 = v128.load32_splat(biases + FLOAT * <usize>o);
      let near1 = v128.load32_splat(biases + FLOAT * <usize>o1);
      let near2 = v128.load32_splat(biases + FLOAT * <usize>o2);
      let near3 = v128.load32_splat(biases + FLOAT * <usize>o3);
      let far0 = near0;
      let far1 = near1;
      let far2 = near2;
      let far3 = near3;
      let w0 = shares + across * <usize>o;
      let w1 = shares + across * <usize>o1;
      let w2 = shares + across * <usize>o2;
      let w3 = shares + across * <usize>o3;
      let from = rows + place;
      for (let c = 0; c < inputs; c++) {
        const near = v128.load(from);
        const far = v128.load(from, 16);
        const s0 = v128.load32_splat(w0);
        const s1 = v128.load32_splat(w1);
        const s2 = v128.load32_splat(w2);
        const s3 = v128.load32_splat(w3);
        near0 = f32x4.add(near0, f32x4.mul(s0, near));
        far0 = f32x4.add(far0, f32x4.mul(s0, far));
        near1 = f32x4.add(near1, f32x4.mul(s1, near));
        far1 = f32x4.add(far1, f32x4.mul(s1, far));
        near2 = f32x4.add(near2, f32x4.mul(s2, near));
        far2 = f32x4.add(far2, f32x4.mul(s2, far));
        near3 = f32x4.add(near3, f32x4.mul(s3, near));
        far3 = f32x4.add(far3, f32x4.mul(s3, far));
        from += toNext;
        w0 += FLOAT;
        w1 += FLOAT;
        w2 += FLOAT;
        w3 += FLOAT;
      }
      if (isPositive) {
        near0 = f32x4.max(near0, zero);
        far0 = f32x4.max(far0, zero);
        near1 = f32x4.max(near1, zero);
        far1 = f32x4.max(far1, zero);
        near2 = f32x4.max(near2, zero);
        far2 = f32x4.max(far2, zero);
        near3 = f32x4.max(near3, zero);
        far3 = f32x4.max(far3, zero);
      }
      const out0 = to + place + toNextOut * <usize>o;
      const out1 = to + place + toNextOut * <usize>o1;
      const out2 = to + place + toNextOut * <usize>o2;
      const out3 = to + place + toNextOut * <usize>o3;
      v128.store(out0, near0);
      v128.store(out0, far0, 16);
      v128.store(out1, near1);
      v128.store(out1, far1, 16);
      v128.store(out2, near2);
      v128.store(out2, far2, 16);
      v128.store(out3, near3);
      v128.store(out3, far3, 16);
    }
  }
}

function endRows(to: usize, outputs: i32, width: i32, height: i32, y: i32): void {
  for (let o = 0; o < outputs; o++) endRow(rowOf(to, o, width, height, y), width);
}

/** Floats that `stem` and `block` need beside their planes. */
export function scratch(width: i32, inputs: i32): i32 {
  return held(width) * inputs;
}

/**
 * The first layer: every colour by nine weights of its own for each output, at every second place; nothing below zero. `width` and `height`
 * are those of what comes out.
 */
export function stem(
  input: usize,
  colours: i32,
  width: i32,
  height: i32,
  shares: usize,
  biases: usize,
  outputs: i32,
  to: usize,
  rows: usize,
): void {
  const many = held(width);
  const toNext = FLOAT * <usize>many;
  const toNextOut = FLOAT * <usize>plane(width, height);
  for (let y = 0; y < height; y++) {
    let row = rows;
    for (let c = 0; c < colours; c++)
      for (let j = -1; j <= 1; j++)
        for (let i = -1; i <= 1; i++) {
          const from = rowOf(input, c, 2 * width, 2 * height, 2 * y + j) + FLOAT * <usize>i;
          for (let x = 0; x < many; x += 4) v128.store(row + FLOAT * <usize>x, evens(from + 2 * FLOAT * <usize>x));
          row += toNext;
        }
    const out = rowOf(to, 0, width, height, y);
    mixRow(rows, toNext, 9 * colours, shares, biases, outputs, many, out, toNextOut, true);
    endRows(to, outputs, width, height, y);
  }
}

/** Each plane by nine weights of its own, at every place or every second, then mixed; nothing below zero. */
export function block(
  input: usize,
  inputs: i32,
  width: i32,
  height: i32,
  step: i32,
  nine: usize,
  firsts: usize,
  shares: usize,
  biases: usize,
  outputs: i32,
  to: usize,
  rows: usize,
): void {
  const many = held(width);
  const toNext = FLOAT * <usize>many;
  const toNextOut = FLOAT * <usize>plane(width, height);
  const below = FLOAT * <usize>pitch(step * width);
  for (let y = 0; y < height; y++) {
    for (let c = 0; c < inputs; c++) {
      const from = rowOf(input, c, step * width, step * height, step * y - 1);
      const own = nine + 9 * FLOAT * <usize>c;
      const first = load<f32>(firsts + FLOAT * <usize>c);
      const row = rows + toNext * <usize>c;
      if (step == 1) nineEach(from, below, own, first, many, row);
      else nineEverySecond(from, below, own, first, many, row);
    }
    const out = rowOf(to, 0, width, height, y);
    mixRow(rows, toNext, inputs, shares, biases, outputs, many, out, toNextOut, true);
    endRows(to, outputs, width, height, y);
  }
}

/** Each output is a weighted sum of the inputs at the same place. */
export function mix(
  input: usize,
  inputs: i32,
  width: i32,
  height: i32,
  shares: usize,
  biases: usize,
  outputs: i32,
  to: usize,
): void {
  const toNext = FLOAT * <usize>plane(width, height);
  for (let y = 0; y < height; y++) {
    const row = rowOf(input, 0, width, height, y);
    const out = rowOf(to, 0, width, height, y);
    mixRow(row, toNext, inputs, shares, biases, outputs, held(width), out, toNext, false);
    endRows(to, outputs, width, height, y);
  }
}

/** What was seen at half the size, drawn twice as large, is added to what was seen; nothing below zero. */
export function join(seen: usize, small: usize, channels: i32, width: i32, height: i32): void {
  const zero = f32x4.splat(0);
  for (let c = 0; c < channels; c++)
    for (let y = 0; y < height; y++) {
      const row = rowOf(seen, c, width, height, y);
      const from = rowOf(small, c, width >> 1, height >> 1, y >> 1);
      for (let x = 0; x < width; x += AT_ONCE) {
        const place = row + FLOAT * <usize>x;
        const own = v128.load(from + (FLOAT >> 1) * <usize>x);
        const near = f32x4.add(v128.load(place), v128.shuffle<f32>(own, own, 0, 0, 1, 1));
        const far = f32x4.add(v128.load(place, 16), v128.shuffle<f32>(own, own, 2, 2, 3, 3));
        v128.store(place, f32x4.max(near, zero));
        v128.store(place, f32x4.max(far, zero), 16);
      }
      endRow(row, width);
    }
}
