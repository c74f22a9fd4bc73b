import type { Picture } from './image';
import { seeded } from './seeded';

export const GROUNDS = ['plain', 'mottled', 'strands', 'sand', 'paper'] as const;
export type Ground = (typeof GROUNDS)[number];
export const SUBJECTS = ['eggs', 'fry', 'fish', 'shrimp', 'fleas'] as const;
export type Subject = (typeof SUBJECTS)[number];

/** What is drawn, and how hard it is made to see. */
export interface Scene {
  seed: number;
  width: number;
  height: number;
  subject: Subject;
  ground: Ground;
  count: number;
  /** Radius of an egg, or length of the young, pixels. */
  size: number;
  /** Share of white eggs. */
  whiteShare?: number;
  /** 0 nothing .. 1 a lot: crumbs, hairs, bubbles, glare, blur, noise. */
  nuisance: number;
}

/** What a drawn picture truly holds. */
export interface SceneTruth {
  count: number;
  white: number;
  objects: { x: number; y: number; length: number; isWhite: boolean }[];
  /** Pixels between the lines of the paper. */
  gridPx: number | null;
}

type Colour = readonly [number, number, number];
const mix = (a: Colour, b: Colour, share: number): Colour => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
];

/** A sheet of light to draw on: linear values, an edge a pixel wide is drawn soft. */
class Sheet {
  readonly values: Float32Array;
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.values = new Float32Array(width * height * 3);
  }
  blend(x: number, y: number, colour: Colour, share: number): void {
    if (x < 0 || y < 0 || x >= this.width || y >= this.height || share <= 0) return;
    const at = (y * this.width + x) * 3;
    for (let c = 0; c < 3; c++) this.values[at + c] = this.values[at + c]! * (1 - share) + colour[c]! * share;
  }
  /** Draws over a square what a function says of each pixel: its colour and how much of it covers. */
  draw(x: number, y: number, reach: number, of: (dx: number, dy: number) => { colour: Colour; share: number } | null): void {
    for (let py = Math.floor(y - reach); py <= y + reach; py++)
      for (let px = Math.floor(x - reach); px <= x + reach; px++) {
        const paint = of(px + 0.5 - x, py + 0.5 - y);
        if (paint) this.blend(px, py, paint.colour, paint.share);
      }
  }
}

const soft = (inside: number) => Math.max(0, Math.min(1, inside + 0.5));

function drawGround(sheet: Sheet, ground: Ground, random: () => number): { gridPx: number | null } {
  const { width, height, values } = sheet;
  const base: Record<Ground, Colour> = {
    plain: mix([205, 208, 210], [120, 130, 140], random()),
    mottled: mix([60, 90, 50], [150, 140, 120], random()),
    strands: [22, 26, 16],
    sand: mix([165, 145, 110], [130, 125, 115], random()),
    paper: mix([225, 225, 228], [205, 212, 220], random()),
  };
  const [fx, fy, px, py] = [random() * 5 + 2, random() * 5 + 2, random() * 6, random() * 6];
  const swing = ground === 'mottled' ? 0.22 : 0.03;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const wave =
        Math.sin((x / width) * fx * 2 + px) * Math.cos((y / height) * fy * 2 + py) +
        0.5 * Math.sin((x / width) * 13 + (y / height) * 9 + px);
      const grain = ground === 'sand' ? (random() - 0.5) * 0.75 : (random() - 0.5) * 0.02;
      for (let c = 0; c < 3; c++) values[(y * width + x) * 3 + c] = base[ground][c]! * (1 + swing * wave + grain);
    }
  if (ground === 'strands')
    for (let i = 0; i < (width * height) / 450; i++) {
      const [x, y, angle, length] = [random() * width, random() * height, random() * 6.3, 18 + random() * 50];
      const colour = mix([30, 70, 25], [110, 120, 40], random());
      for (let d = 0; d < length; d++)
        for (let w = -1; w <= 1; w++) {
          const bend = angle + d * 0.012;
          sheet.blend(
            Math.round(x + Math.cos(bend) * d - Math.sin(bend) * w),
            Math.round(y + Math.sin(bend) * d + Math.cos(bend) * w),
            colour,
            0.5,
          );
        }
    }
  if (ground !== 'paper') return { gridPx: null };
  const gridPx = 55 + random() * 50;
  const turn = (random() - 0.5) * 0.5;
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const line: Colour = mix([110, 140, 190], [150, 150, 160], random());
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++)
      for (const along of [x * c + y * s, y * c - x * s]) {
        const off = Math.abs(along - Math.round(along / gridPx) * gridPx);
        sheet.blend(x, y, line, 0.55 * soft(1.1 - off));
      }
  return { gridPx };
}

function drawEgg(sheet: Sheet, x: number, y: number, r: number, isWhite: boolean, tint: Colour): void {
  sheet.draw(x + r * 0.25, y + r * 0.3, r * 1.5, (dx, dy) => ({
    colour: [0, 0, 0],
    share: 0.22 * soft((r * 1.15 - Math.hypot(dx, dy)) / (r * 0.35)),
  }));
  sheet.draw(x, y, r + 1, (dx, dy) => {
    const d = Math.hypot(dx, dy) / r;
    if (d > 1 + 1 / r) return null;
    const shade = 1 - 0.28 * d * d - 0.16 * ((dx + dy) / r);
    const shine = Math.exp(-((dx + r * 0.32) ** 2 + (dy + r * 0.35) ** 2) / (r * 0.16) ** 2);
    const body: Colour = isWhite ? [232 * shade, 230 * shade, 224 * shade] : [tint[0] * shade, tint[1] * shade, tint[2] * shade];
    const rim = isWhite ? 0 : Math.max(0, (d - 0.72) / 0.28) * 0.35;
    const colour = mix(mix(body, [60, 45, 25], rim), [255, 255, 255], (isWhite ? 0.25 : 0.75) * shine);
    return {
      colour,
      share: (isWhite ? 1 : 0.86) * soft((1 - d) * r),
    };
  });
}

/** A body along a bent line: how wide it is at a share of its length, and its colour there. */
function drawBody(
  sheet: Sheet,
  x: number,
  y: number,
  angle: number,
  bend: number,
  length: number,
  widthAt: (share: number) => number,
  colourAt: (share: number) => Colour,
  cover: (share: number) => number,
): void {
  const steps = Math.ceil(length * 1.5);
  for (let i = 0; i <= steps; i++) {
    const share = i / steps;
    const along = (share - 0.5) * length;
    const turn = angle + bend * (share - 0.5);
    const [px, py] = [x + Math.cos(turn) * along, y + Math.sin(turn) * along];
    const half = widthAt(share) / 2;
    const [nx, ny] = [-Math.sin(turn), Math.cos(turn)];
    for (let w = -half - 0.5; w <= half + 0.5; w += 0.5)
      sheet.blend(
        Math.round(px + nx * w),
        Math.round(py + ny * w),
        colourAt(share),
        cover(share) * soft(half - Math.abs(w)) * 0.6,
      );
  }
}

const dot = (sheet: Sheet, x: number, y: number, r: number, colour: Colour) =>
  sheet.draw(x, y, r + 1, (dx, dy) => ({ colour, share: soft(r - Math.hypot(dx, dy)) }));

function drawYoung(sheet: Sheet, subject: Subject, x: number, y: number, length: number, random: () => number): void {
  const angle = random() * 6.283;
  const bend = (random() - 0.5) * (subject === 'fish' ? 0.3 : 0.8);
  const at = (share: number): [number, number] => {
    const turn = angle + bend * (share - 0.5);
    return [x + Math.cos(turn) * (share - 0.5) * length, y + Math.sin(turn) * (share - 0.5) * length];
  };
  const [nx, ny] = [-Math.sin(angle), Math.cos(angle)];
  if (subject === 'fry') {
    drawBody(
      sheet,
      x,
      y,
      angle,
      bend,
      length,
      (s) => length * (s < 0.2 ? 0.13 : 0.1 * (1 - s) + 0.03),
      () => [125, 112, 88],
      () => 0.7,
    );
    const [ex, ey] = at(0.07);
    for (const side of [-1, 1])
      dot(sheet, ex + nx * side * length * 0.05, ey + ny * side * length * 0.05, length * 0.03, [18, 16, 16]);
  } else if (subject === 'fish') {
    const tone: Colour = mix([110, 118, 95], [95, 100, 110], random());
    drawBody(
      sheet,
      x,
      y,
      angle,
      bend,
      length,
      (s) => length * (s < 0.8 ? 0.24 * Math.sin(Math.PI * Math.min(1, s / 0.86 + 0.06)) ** 0.8 : 0.05 + (s - 0.8) * 0.6),
      () => tone,
      (s) => (s > 0.83 ? 0.45 : 1),
    );
    const [ex, ey] = at(0.08);
    dot(sheet, ex, ey, length * 0.025, [15, 15, 15]);
  } else if (subject === 'shrimp') {
    const tone: Colour = mix([190, 110, 55], [150, 90, 60], random());
    drawBody(
      sheet,
      x,
      y,
      angle,
      bend,
      length,
      (s) => length * (0.15 - 0.1 * s + (s > 0.9 ? 0.06 : 0)),
      () => tone,
      () => 0.9,
    );
    const [ex, ey] = at(0.05);
    dot(sheet, ex + nx * length * 0.05, ey + ny * length * 0.05, length * 0.025, [20, 15, 15]);
  } else {
    const r = length / 2;
    sheet.draw(x, y, length, (dx, dy) => {
      const [u, v] = [dx * Math.cos(angle) + dy * Math.sin(angle), -dx * Math.sin(angle) + dy * Math.cos(angle)];
      return { colour: [150, 130, 100], share: 0.85 * soft((1 - Math.hypot(u / r, v / (r * 0.7))) * r) };
    });
    const [ex, ey] = at(0.14);
    dot(sheet, ex, ey, Math.max(1, length * 0.09), [20, 18, 18]);
  }
}

function drawNuisance(sheet: Sheet, { nuisance, size, subject }: Scene, random: () => number): void {
  const { width, height } = sheet;
  const unit = subject === 'eggs' ? size : size * 0.12;
  const many = (most: number) => Math.round(most * nuisance * random());
  for (let i = 0; i < many(26); i++) {
    const colour = mix([120, 80, 40], [60, 70, 30], random());
    const [x, y, r] = [random() * width, random() * height, unit * (0.3 + random() * 0.7)];
    const bumps = [random(), random(), random()];
    sheet.draw(x, y, r * 1.6, (dx, dy) => {
      const a = Math.atan2(dy, dx);
      const edge = r * (0.8 + 0.3 * Math.sin(3 * a + bumps[0]! * 6) + 0.25 * Math.sin(5 * a + bumps[1]! * 6) * bumps[2]!);
      return { colour, share: 0.9 * soft(edge - Math.hypot(dx, dy)) };
    });
  }
  for (let i = 0; i < many(4); i++)
    drawBody(
      sheet,
      random() * width,
      random() * height,
      random() * 6.3,
      (random() - 0.5) * 2,
      100 + random() * 200,
      () => 1.4,
      () => [60, 50, 40],
      () => 0.7,
    );
  for (let i = 0; i < many(10); i++) {
    const [x, y, r] = [random() * width, random() * height, unit * (0.4 + random() * 0.7)];
    sheet.draw(x, y, r + 2, (dx, dy) => {
      const d = Math.hypot(dx, dy);
      return {
        colour: [250, 250, 252],
        share: 0.55 * soft(1.2 - Math.abs(d - r)) + 0.8 * soft(1.5 - Math.hypot(dx + r * 0.4, dy + r * 0.4)),
      };
    });
  }
}

/** Light that falls off, a cast, a glare, blur and noise, as a telephone would have it. */
function photograph(sheet: Sheet, nuisance: number, random: () => number): Uint8Array {
  const { width, height, values } = sheet;
  const cast = [1 + (random() - 0.5) * 0.12, 1, 1 + (random() - 0.5) * 0.12];
  const [cx, cy, fall] = [width * (0.3 + random() * 0.4), height * (0.3 + random() * 0.4), 0.25 * random()];
  const glare =
    random() < nuisance
      ? { x: random() * width, y: random() * height, r: width * (0.04 + 0.08 * random()), by: 60 + 90 * random() }
      : null;
  const sharp = 1 - Math.min(0.8, nuisance * random());
  const out = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const away = Math.hypot((x - cx) / width, (y - cy) / height);
      const shine = glare ? glare.by * Math.exp(-((x - glare.x) ** 2 + (y - glare.y) ** 2) / (2 * glare.r ** 2)) : 0;
      const noise = (random() + random() + random() - 1.5) * (4 + 10 * nuisance);
      const [l, r, u, d] = [Math.max(0, x - 1), Math.min(width - 1, x + 1), Math.max(0, y - 1), Math.min(height - 1, y + 1)];
      for (let c = 0; c < 3; c++) {
        const v = (px: number, py: number) => values[(py * width + px) * 3 + c]!;
        const near = (v(l, y) + v(r, y) + v(x, u) + v(x, d) + v(l, u) + v(r, d) + v(l, d) + v(r, u)) / 8;
        const value = v(x, y) * sharp + near * (1 - sharp);
        out[(y * width + x) * 3 + c] = Math.max(0, Math.min(255, value * (1 - fall * away) * cast[c]! + shine + noise));
      }
    }
  return out;
}

/** Draws a picture of eggs or young with what goes wrong in real ones, and says what it truly holds. */
export function drawScene(scene: Scene): { picture: Picture; truth: SceneTruth } {
  const { width, height, subject, count, size, whiteShare = 0 } = scene;
  const random = seeded(scene.seed);
  const sheet = new Sheet(width, height);
  const { gridPx } = drawGround(sheet, scene.ground, random);
  drawNuisance(sheet, scene, random);
  const objects: SceneTruth['objects'] = [];
  const tint: Colour = mix([205, 175, 120], [215, 140, 70], random());
  const apart = subject === 'eggs' ? size * 1.55 : subject === 'fleas' ? size * 0.8 : size * 0.42;
  for (let tries = 0; objects.length < count && tries < count * 60; tries++) {
    // Some lie in heaps.
    const heap = objects.length > 0 && random() < 0.3 ? objects[Math.floor(random() * objects.length)] : undefined;
    const reach = (subject === 'eggs' ? 2.2 : 1) * size;
    const x = heap ? heap.x + (random() - 0.5) * 2 * reach : random() * width;
    const y = heap ? heap.y + (random() - 0.5) * 2 * reach : random() * height;
    if (x < 3 || y < 3 || x > width - 3 || y > height - 3) continue;
    if (objects.some((other) => (other.x - x) ** 2 + (other.y - y) ** 2 < apart * apart)) continue;
    const spread = subject === 'fish' ? 0.7 + random() * 0.7 : 0.88 + random() * 0.24;
    const isWhite = random() < whiteShare;
    objects.push({ x, y, length: size * spread, isWhite });
    if (subject === 'eggs') drawEgg(sheet, x, y, size * spread, isWhite, tint);
    else drawYoung(sheet, subject, x, y, size * spread, random);
  }
  return {
    picture: { width, height, data: photograph(sheet, scene.nuisance, random) },
    truth: { count: objects.length, white: objects.filter(({ isWhite }) => isWhite).length, objects, gridPx },
  };
}
