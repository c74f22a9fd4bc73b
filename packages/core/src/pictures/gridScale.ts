import { plane, shrink, type Plane } from './image';

/** From this share on of what it is at no distance at all, a profile is said to repeat. */
const REPEATS_FROM = 0.16;
/** Squares are as long one way as the other, up to so much as a logarithm: paper may be tilted. */
const SQUARE = 0.13;

/** What is darker than its surroundings and thin: the lines of printed paper. */
function thinDark({ width, height, values }: Plane, reach: number): Plane {
  const out = plane(width, height);
  for (let y = reach; y < height - reach; y++)
    for (let x = reach; x < width - reach; x++) {
      const at = y * width + x;
      const here = values[at]!;
      // A line is darker than both of its sides, across or along.
      const across = Math.min(values[at - reach]!, values[at + reach]!) - here;
      const along = Math.min(values[at - reach * width]!, values[at + reach * width]!) - here;
      // What is much darker than a printed line is an animal.
      out.values[at] = Math.max(0, Math.min(30, Math.max(across, along)));
    }
  return out;
}

/** Mean darkness along lines at an angle, one value for each pixel across; looks at one row in so many. */
function project({ width, height, values }: Plane, angle: number, every = 1): Float32Array {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const reach = Math.ceil(Math.hypot(width, height) / 2);
  const sums = new Float32Array(2 * reach + 1);
  const counts = new Float32Array(2 * reach + 1);
  for (let y = 0; y < height; y += every) {
    let at = y * width;
    let place = (-width / 2) * c + (y - height / 2) * s + reach + 0.5;
    for (let x = 0; x < width; x++, at++, place += c) {
      const bin = place | 0;
      sums[bin] = sums[bin]! + values[at]!;
      counts[bin] = counts[bin]! + 1;
    }
  }
  const least = (Math.min(width, height) * 0.35) / every;
  return sums.map((sum, i) => (counts[i]! > least ? sum / counts[i]! : 0));
}

function scatter(profile: Float32Array): number {
  let [n, sum, squares] = [0, 0, 0];
  for (const value of profile)
    if (value > 0) {
      n++;
      sum += value;
      squares += value * value;
    }
  return n < 20 ? 0 : squares / n - (sum / n) ** 2;
}

/** The distance at which a profile repeats, with a part of a pixel, and whether it does so once more beyond; null where it does not. */
function period(profile: Float32Array): { spacing: number; goesOn: boolean } | null {
  let mean = 0;
  let n = 0;
  for (const value of profile) if (value > 0) [mean, n] = [mean + value, n + 1];
  mean /= Math.max(1, n);
  const off = Float32Array.from(profile, (value) => (value > 0 ? value - mean : 0));
  const at = (lag: number) => {
    let sum = 0;
    for (let i = 0; i + lag < off.length; i++) sum += off[i]! * off[i + lag]!;
    return sum / (off.length - lag);
  };
  const zero = at(0);
  if (zero <= 0) return null;
  const most = Math.floor(off.length / 4);
  const values = Array.from({ length: most + 1 }, (_, lag) => at(lag) / zero);
  const peaks = values.flatMap((value, lag) =>
    lag >= 8 && lag < most && value > REPEATS_FROM && value >= values[lag - 1]! && value > values[lag + 1]!
      ? [{ lag, value }]
      : [],
  );
  const top = Math.max(0, ...peaks.map(({ value }) => value));
  const first = peaks.find(({ value }) => value >= 0.55 * top);
  if (!first) return null;
  // The farther repeats tell it more exactly.
  let [sum, weight] = [0, 0];
  for (let k = 1; k <= 6; k++) {
    const near = peaks
      .filter(({ lag }) => Math.abs(lag / k - first.lag) < 0.06 * first.lag + 1 / k)
      .sort((a, b) => b.value - a.value)[0];
    if (!near) continue;
    const [a, b, c] = [values[near.lag - 1]!, values[near.lag]!, values[near.lag + 1]!];
    const exact = near.lag + (0.5 * (a - c)) / Math.min(-1e-9, a - 2 * b + c);
    sum += (exact / k) * k;
    weight += k;
  }
  return { spacing: sum / weight, goesOn: weight > 1 };
}

/**
 * How many pixels lie between the lines of printed paper, in the middle of the picture; null where no grid is found. The paper may be
 * turned: the angle is the one at which its lines fall together best. Source: docs/sources.md#pictures
 */
export function gridSpacing(light: Plane): number | null {
  const scale = Math.min(1, 900 / Math.max(light.width, light.height));
  const small = shrink(light, scale);
  const lines = thinDark(small, 3);
  let best = { angle: 0, value: 0 };
  const look = shrink(lines, 0.5);
  const judge = (angle: number, every: number) =>
    scatter(project(look, angle, every)) + scatter(project(look, angle + Math.PI / 2, every));
  for (let degrees = -45; degrees < 45; degrees += 1) {
    const angle = (degrees * Math.PI) / 180;
    const value = judge(angle, 3);
    if (value > best.value) best = { angle, value };
  }
  for (let step = -8; step <= 8; step++) {
    const angle = best.angle + (step * 0.15 * Math.PI) / 180;
    const value = judge(angle, 1);
    if (step === -8 || value > best.value) best = { angle, value };
  }
  const [one, other] = [best.angle, best.angle + Math.PI / 2].map((angle) => period(project(lines, angle)));
  // Sand, moss and the blocks of a squeezed picture repeat one way or once, hardly ever both ways alike.
  if (!one || !other || !(one.goesOn || other.goesOn)) return null;
  if (Math.abs(Math.log(one.spacing / other.spacing)) > SQUARE) return null;
  return Math.sqrt(one.spacing * other.spacing) / scale;
}
