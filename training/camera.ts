import { between, clamp, cloud, isOften, normal, ramp, whole, type Chance, type Sheet } from './sheet';

/** Glare as an added light: a lamp's blot, a long blot, or a window's panes. */
export function drawGlare(sheet: Sheet, chance: Chance, much: number): void {
  const many = isOften(chance, 0.25 + 0.5 * much) ? whole(chance, 1, much > 0.6 ? 2 : 1) : 0;
  for (let i = 0; i < many; i++) {
    const [x, y] = [chance() * sheet.width, chance() * sheet.height];
    const by = between(chance, 40, 130 + 60 * much);
    const angle = chance() * 3.1416;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    if (isOften(chance, 0.7)) {
      const r = sheet.width * between(chance, 0.03, 0.09);
      const long = between(chance, 1, 2.6);
      sheet.around(x, y, r * long * 3, (px, py, dx, dy) => {
        const [u, v] = [(dx * c + dy * s) / long, dy * c - dx * s];
        add(sheet, px, py, by * Math.exp(-(u * u + v * v) / (2 * r * r)));
      });
    } else {
      const [w, h] = [sheet.width * between(chance, 0.08, 0.2), sheet.width * between(chance, 0.08, 0.2)];
      const soft = between(chance, 4, 16);
      const lean = normal(chance) * 0.3;
      sheet.around(x, y, w + h, (px, py, dx, dy) => {
        const u = Math.abs(dx + lean * dy);
        const v = Math.abs(dy);
        const bar = Math.abs(dx + lean * dy) < w * 0.04 || v < h * 0.04 ? 0.4 : 1;
        add(sheet, px, py, by * 0.5 * bar * ramp(soft, -soft, u - w / 2) * ramp(soft, -soft, v - h / 2));
      });
    }
  }
}

function add(sheet: Sheet, x: number, y: number, by: number): void {
  const at = (y * sheet.width + x) * 3;
  for (let c = 0; c < 3; c++) sheet.values[at + c] = sheet.values[at + c]! + by;
}

function blurred(
  values: Float32Array,
  width: number,
  height: number,
  kernel: readonly { x: number; y: number; by: number }[],
): Float32Array {
  const out = new Float32Array(values.length);
  for (const { x, y, by } of kernel)
    for (let row = 0; row < height; row++) {
      const from = clamp(row + y, 0, height - 1) * width;
      for (let col = 0; col < width; col++) {
        const source = (from + clamp(col + x, 0, width - 1)) * 3;
        const at = (row * width + col) * 3;
        out[at] = out[at]! + by * values[source]!;
        out[at + 1] = out[at + 1]! + by * values[source + 1]!;
        out[at + 2] = out[at + 2]! + by * values[source + 2]!;
      }
    }
  return out;
}

/** Light that falls off, a cast, blur, shake, sharpening and noise, as a telephone has them. */
export function photograph(sheet: Sheet, chance: Chance, much: number): Uint8Array {
  const { width, height } = sheet;
  let values = sheet.values;
  const sigma = chance() ** 1.5 * (0.5 + 1.5 * much);
  if (sigma > 0.3)
    for (const across of [true, false]) {
      const reach = Math.ceil(sigma * 2.5);
      const kernel = Array.from({ length: 2 * reach + 1 }, (_, i) => ({
        x: across ? i - reach : 0,
        y: across ? 0 : i - reach,
        by: Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)),
      }));
      const sum = kernel.reduce((total, { by }) => total + by, 0);
      values = blurred(
        values,
        width,
        height,
        kernel.map((one) => ({ ...one, by: one.by / sum })),
      );
    }
  if (isOften(chance, 0.15 + 0.2 * much)) {
    const long = between(chance, 2, 3 + 4 * much);
    const angle = chance() * 3.1416;
    const steps = Math.max(2, Math.round(long));
    const kernel = Array.from({ length: steps }, (_, i) => ({
      x: Math.round(Math.cos(angle) * (i - steps / 2)),
      y: Math.round(Math.sin(angle) * (i - steps / 2)),
      by: 1 / steps,
    }));
    values = blurred(values, width, height, kernel);
  }
  const cast = [1 + normal(chance) * 0.05, 1, 1 + normal(chance) * 0.07];
  const exposure = between(chance, 0.72, 1.12);
  const [cx, cy, fall] = [width * between(chance, 0.2, 0.8), height * between(chance, 0.2, 0.8), between(chance, 0.05, 0.5)];
  const uneven = cloud(chance, width * 0.8, 1);
  const patchy = between(chance, 0, 0.06);
  const noise = between(chance, 1, 4 + 7 * much);
  const out = new Uint8Array(width * height * 3);
  // Noise of a telephone is smoothed: some of it reaches the neighbours.
  let last = 0;
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 3) {
      const away = ((x - cx) / width) ** 2 + ((y - cy) / height) ** 2;
      const light = exposure * (1 - fall * away) * (1 + patchy * uneven(x, y));
      last = 0.45 * last + 0.85 * (chance() + chance() - 1) * noise * 1.5;
      for (let c = 0; c < 3; c++) {
        const value = values[at + c]! * light * cast[c]! + last + (chance() - 0.5) * noise;
        // Bright light is pressed together.
        out[at + c] = clamp(value > 225 ? 225 + (value - 225) * 0.55 : value, 0, 255);
      }
    }
  return out;
}
