/** Red, green, blue, each 0..255. */
export type Colour = readonly [number, number, number];
export type Point = readonly [number, number];

/** Chance with the words a drawing needs. */
export interface Chance {
  (): number;
}
export const between = (chance: Chance, from: number, to: number): number => from + (to - from) * chance();
export const whole = (chance: Chance, from: number, to: number): number => Math.floor(from + (to - from + 1) * chance());
export const isOften = (chance: Chance, share: number): boolean => chance() < share;
export const oneOf = <T>(chance: Chance, some: readonly T[]): T => some[Math.floor(chance() * some.length)]!;
/** Close to normal: mean 0, standard deviation 1. */
export const normal = (chance: Chance): number => (chance() + chance() + chance() + chance() - 2) * Math.sqrt(3);

export const mix = (a: Colour, b: Colour, share: number): Colour => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
];
export const times = (a: Colour, by: number): Colour => [a[0] * by, a[1] * by, a[2] * by];
/** A colour a little off. */
export const near = (chance: Chance, a: Colour, by: number): Colour => {
  const light = normal(chance) * by;
  return [
    a[0] + light + normal(chance) * by * 0.4,
    a[1] + light + normal(chance) * by * 0.4,
    a[2] + light + normal(chance) * by * 0.4,
  ];
};
/** How much of a pixel is covered by what reaches so far beyond its middle. */
export const cover = (inside: number): number => (inside <= -0.5 ? 0 : inside >= 0.5 ? 1 : inside + 0.5);
export const clamp = (value: number, low = 0, high = 1): number => Math.max(low, Math.min(high, value));
/** 0 below one value, 1 above another, smooth between. */
export const ramp = (from: number, to: number, value: number): number => {
  const t = clamp((value - from) / (to - from));
  return t * t * (3 - 2 * t);
};

/** What is drawn on: light of three colours, rows from the top. */
export class Sheet {
  readonly values: Float32Array;
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.values = new Float32Array(width * height * 3);
  }

  blend(x: number, y: number, colour: Colour, share: number): void {
    if (share <= 0 || x < 0 || y < 0 || x >= this.width || y >= this.height) return;
    const at = (y * this.width + x) * 3;
    const { values } = this;
    for (let c = 0; c < 3; c++) values[at + c] = values[at + c]! + (colour[c]! - values[at + c]!) * share;
  }

  /** Makes darker or brighter by a factor, as a shadow or a lit spot does. */
  scale(x: number, y: number, by: number): void {
    if (x < 0 || y < 0 || x >= this.width || y >= this.height) return;
    const at = (y * this.width + x) * 3;
    for (let c = 0; c < 3; c++) this.values[at + c] = this.values[at + c]! * by;
  }

  /** Goes over the pixels of a square around a place. */
  around(x: number, y: number, reach: number, of: (px: number, py: number, dx: number, dy: number) => void): void {
    const [left, right] = [Math.max(0, Math.floor(x - reach)), Math.min(this.width - 1, Math.ceil(x + reach))];
    const [top, bottom] = [Math.max(0, Math.floor(y - reach)), Math.min(this.height - 1, Math.ceil(y + reach))];
    for (let py = top; py <= bottom; py++) for (let px = left; px <= right; px++) of(px, py, px + 0.5 - x, py + 0.5 - y);
  }

  /** Goes over every pixel. */
  all(of: (x: number, y: number) => Colour): void {
    for (let y = 0, at = 0; y < this.height; y++)
      for (let x = 0; x < this.width; x++) {
        const colour = of(x, y);
        for (let c = 0; c < 3; c++, at++) this.values[at] = colour[c]!;
      }
  }

  dot(x: number, y: number, r: number, colour: Colour, share = 1): void {
    this.around(x, y, r + 1.5, (px, py, dx, dy) => this.blend(px, py, colour, share * cover(r - Math.hypot(dx, dy))));
  }

  /** A round shadow or light that fades to its edge. */
  haze(x: number, y: number, r: number, by: number): void {
    this.around(x, y, r, (px, py, dx, dy) => {
      const d = Math.hypot(dx, dy) / r;
      if (d < 1) this.scale(px, py, 1 + (by - 1) * (1 - d * d) ** 2);
    });
  }

  /** A line that has a width, between two places. */
  line([ax, ay]: Point, [bx, by]: Point, width: number, colour: Colour, share = 1): void {
    const [ux, uy] = [bx - ax, by - ay];
    const long = Math.max(1e-6, ux * ux + uy * uy);
    const half = Math.max(0.5, width / 2);
    const thin = Math.min(1, width);
    const reach = Math.hypot(ux, uy) / 2 + half + 1;
    this.around((ax + bx) / 2, (ay + by) / 2, reach, (px, py) => {
      const t = clamp(((px + 0.5 - ax) * ux + (py + 0.5 - ay) * uy) / long);
      const d = Math.hypot(px + 0.5 - ax - t * ux, py + 0.5 - ay - t * uy);
      this.blend(px, py, colour, share * thin * cover(half - d));
    });
  }

  lines(points: readonly Point[], width: number, colour: Colour, share = 1): void {
    for (let i = 1; i < points.length; i++) this.line(points[i - 1]!, points[i]!, width, colour, share);
  }

  /** A closed outline, filled: how far inside each pixel lies decides its cover; `of` may give another colour by place. */
  fill(points: readonly Point[], colour: Colour | ((x: number, y: number) => Colour), share = 1): void {
    const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
    const [left, right] = [Math.min(...xs) - 1, Math.max(...xs) + 1];
    const [top, bottom] = [Math.min(...ys) - 1, Math.max(...ys) + 1];
    const of = typeof colour === 'function' ? colour : () => colour;
    for (let py = Math.max(0, Math.floor(top)); py <= Math.min(this.height - 1, bottom); py++)
      for (let px = Math.max(0, Math.floor(left)); px <= Math.min(this.width - 1, right); px++) {
        const [x, y] = [px + 0.5, py + 0.5];
        let isInside = false;
        let closest = Infinity;
        for (let i = 0, j = points.length - 1; i < points.length; j = i++) {
          const [ax, ay] = points[i]!;
          const [bx, by] = points[j]!;
          if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) isInside = !isInside;
          const [ux, uy] = [bx - ax, by - ay];
          const t = clamp(((x - ax) * ux + (y - ay) * uy) / Math.max(1e-9, ux * ux + uy * uy));
          const d = (x - ax - t * ux) ** 2 + (y - ay - t * uy) ** 2;
          if (d < closest) closest = d;
        }
        const edge = cover(isInside ? Math.sqrt(closest) : -Math.sqrt(closest));
        if (edge > 0) this.blend(px, py, of(px, py), share * edge);
      }
  }
}

/** Smooth noise, -1..1: waves of some lengths added up, each half as strong as the one before. */
export function cloud(chance: Chance, size: number, octaves = 3): (x: number, y: number) => number {
  const waves = Array.from({ length: octaves * 4 }, (_, i) => {
    const octave = Math.floor(i / 4);
    const angle = chance() * 6.2832;
    const f = ((2 ** octave * 6.2832) / size) * between(chance, 0.6, 1.4);
    return { fx: Math.cos(angle) * f, fy: Math.sin(angle) * f, phase: chance() * 6.2832, by: 0.5 ** octave / 2.2 };
  });
  return (x, y) => {
    let sum = 0;
    for (const { fx, fy, phase, by } of waves) sum += by * Math.sin(x * fx + y * fy + phase);
    return sum;
  };
}

/** A line that bends: its places and which way it goes there, by the share of its length. */
export interface Spine {
  length: number;
  points: { x: number; y: number; dx: number; dy: number }[];
}

/** @param bend - how far it turns over its length, radians; `wave` adds a turn the other way at its end */
export function spineOf(x: number, y: number, angle: number, length: number, bend: number, wave = 0): Spine {
  const steps = 24;
  const points: Spine['points'] = [];
  let [px, py] = [0, 0];
  for (let i = 0; i <= steps; i++) {
    const s = i / steps;
    const turn = angle + bend * (s - 0.5) + wave * Math.sin(s * 6.2832);
    const [dx, dy] = [Math.cos(turn), Math.sin(turn)];
    if (i > 0) [px, py] = [px + (dx * length) / steps, py + (dy * length) / steps];
    points.push({ x: px, y: py, dx, dy });
  }
  const middle = points[steps / 2]!;
  const [ox, oy] = [x - middle.x, y - middle.y];
  return { length, points: points.map((p) => ({ ...p, x: p.x + ox, y: p.y + oy })) };
}

export function placeOn({ points, length }: Spine, share: number, aside = 0): Point {
  const at = clamp(share, -0.5, 1.5) * (points.length - 1);
  const i = clamp(Math.floor(at), 0, points.length - 2);
  const p = points[i]!;
  const part = ((at - i) * length) / (points.length - 1);
  return [p.x + p.dx * part - p.dy * aside, p.y + p.dy * part + p.dx * aside];
}

/** Draws along a spine: `of` is told the share along it, how far aside (pixels, left negative) and gives colour and cover. */
export function drawAlong(
  sheet: Sheet,
  spine: Spine,
  widest: number,
  of: (share: number, aside: number) => { colour: Colour; share: number } | null,
): void {
  const { points, length } = spine;
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  const pad = widest + 2;
  const [left, right] = [Math.floor(Math.min(...xs) - pad), Math.ceil(Math.max(...xs) + pad)];
  const [top, bottom] = [Math.floor(Math.min(...ys) - pad), Math.ceil(Math.max(...ys) + pad)];
  const steps = points.length - 1;
  const step = length / steps;
  for (let py = Math.max(0, top); py <= Math.min(sheet.height - 1, bottom); py++)
    for (let px = Math.max(0, left); px <= Math.min(sheet.width - 1, right); px++) {
      const [x, y] = [px + 0.5, py + 0.5];
      let [best, share, aside] = [Infinity, 0, 0];
      for (let i = 0; i < steps; i++) {
        const p = points[i]!;
        const [ox, oy] = [x - p.x, y - p.y];
        const along = ox * p.dx + oy * p.dy;
        const t = i === 0 ? Math.min(step, along) : i === steps - 1 ? Math.max(0, along) : clamp(along, 0, step);
        const d = (ox - p.dx * t) ** 2 + (oy - p.dy * t) ** 2;
        if (d < best) {
          best = d;
          share = (i + t / step) / steps;
          aside = (ox * -p.dy + oy * p.dx >= 0 ? 1 : -1) * Math.sqrt(d);
        }
      }
      if (best > (pad + 1) ** 2) continue;
      const paint = of(share, aside);
      if (paint) sheet.blend(px, py, paint.colour, paint.share);
    }
}
