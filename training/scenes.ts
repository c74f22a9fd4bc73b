import { drawGlare, photograph } from './camera';
import { drawEgg, eggLook } from './drawEggs';
import {
  drawFronds,
  drawLeaf,
  drawMoss,
  drawNuisance,
  drawPane,
  drawPaper,
  drawSand,
  drawSlate,
  drawTray,
  drawTub,
} from './drawGrounds';
import { drawYoung, youngLook, type YoungKind } from './drawYoung';
import { between, isOften, normal, oneOf, Sheet, whole, type Chance, type Point } from './sheet';
import { seeded } from '../packages/core/src/pictures/seeded';

export const SCENES = ['tub-eggs', 'moss-eggs', 'glass-eggs', 'fry-tub', 'grid-young', 'shrimplets'] as const;
export type SceneName = (typeof SCENES)[number];

/** What a drawn picture truly holds. */
export interface Truth {
  scene: SceneName;
  options: { kind: 'eggs' | 'young'; mmPerPixel?: number; grid?: { mm: number } };
  count: number;
  white: number | null;
  lengthsMm: number[] | null;
  mmPerPixel: number;
  objects: {
    x: number;
    y: number;
    r: number;
    isWhite: boolean;
    head?: Point;
    tail?: Point;
    lengthPx?: number;
  }[];
}
export interface Drawn {
  width: number;
  height: number;
  data: Uint8Array;
  truth: Truth;
}

/** Nothing has its middle nearer to the border than so many pixels. */
const EDGE = 4;
/** How large a picture is, pixels; and how many there are and how much debris, glare and blur, 0..1.6, where chance is not to say. */
export interface Wish {
  width: number;
  height: number;
  many?: number;
  much?: number;
}
const USUAL: Wish = { width: 1400, height: 1050 };

/** Few or many: as often one as the other; now and then none, or a handful. */
const manyOf = (chance: Chance, most: number) =>
  isOften(chance, 0.06) ? 0 : isOften(chance, 0.12) ? whole(chance, 1, 6) : Math.round(5 * (most / 5) ** chance());

interface Room {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/** Places for eggs: by themselves, in clumps, in rows or in a patch; nothing is covered by more than about a third. */
function placesForEggs(
  chance: Chance,
  room: Room,
  r: number,
  many: number,
  inRows: boolean,
): { x: number; y: number; r: number }[] {
  const placed: { x: number; y: number; r: number }[] = [];
  const spread = between(chance, 0.02, 0.09);
  const least = between(chance, 1.5, 2);
  const fits = (x: number, y: number, own: number) =>
    x > room.left + EDGE &&
    y > room.top + EDGE &&
    x < room.right - EDGE &&
    y < room.bottom - EDGE &&
    placed.every((o) => Math.hypot(o.x - x, o.y - y) > ((o.r + own) / 2) * least);
  if (inRows) {
    const angle = chance() * 3.1416;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const gap = r * between(chance, 1.95, 2.6);
    const side = Math.ceil(Math.sqrt(many) * between(chance, 0.8, 1.6));
    const [mx, my] = [between(chance, room.left + 200, room.right - 200), between(chance, room.top + 200, room.bottom - 200)];
    for (let i = 0; placed.length < many && i < many * 4; i++) {
      const [col, row] = [i % side, Math.floor(i / side)];
      if (isOften(chance, 0.15)) continue;
      const u = (col - side / 2 + (row % 2) / 2) * gap + normal(chance) * r * 0.12;
      const v = (row - many / side / 2) * gap * 0.92 + normal(chance) * r * 0.12;
      const own = r * (1 + normal(chance) * spread);
      const [x, y] = [mx + u * c - v * s, my + u * s + v * c];
      if (fits(x, y, own)) placed.push({ x, y, r: own });
    }
    return placed;
  }
  const clumped = between(chance, 0, 0.7);
  for (let tries = 0; placed.length < many && tries < many * 40; tries++) {
    const own = r * (1 + normal(chance) * spread);
    const by = placed.length > 0 && isOften(chance, clumped) ? oneOf(chance, placed) : null;
    const a = chance() * 6.2832;
    const d = r * between(chance, 1.7, 2.3);
    const [x, y] = by
      ? [by.x + Math.cos(a) * d, by.y + Math.sin(a) * d]
      : [between(chance, room.left, room.right), between(chance, room.top, room.bottom)];
    if (fits(x, y, own)) placed.push({ x, y, r: own });
  }
  return placed;
}

function drawEggScene(scene: SceneName, chance: Chance, much: number, { width, height, many: asked }: Wish): Drawn {
  const sheet = new Sheet(width, height);
  const r = 9 * (36 / 9) ** chance();
  if (scene === 'tub-eggs') drawTub(sheet, chance);
  else if (scene === 'moss-eggs') (isOften(chance, 0.65) ? drawMoss : drawLeaf)(sheet, chance);
  else (isOften(chance, 0.65) ? drawPane : drawSlate)(sheet, chance);
  drawNuisance(sheet, chance, r, scene === 'glass-eggs' ? much * 0.7 : much);
  const most = Math.min(700, (0.25 * width * height) / (3.14 * r * r));
  const look = eggLook(chance);
  const whiteShare = isOften(chance, 0.12) ? 0 : isOften(chance, 0.08) ? 0.9 : between(chance, 0.03, 0.45);
  const room = { left: 0, top: 0, right: width, bottom: height };
  const places = placesForEggs(chance, room, r, asked ?? manyOf(chance, most), scene === 'glass-eggs' && isOften(chance, 0.8));
  const objects = places.map((place) => ({ ...place, isWhite: isOften(chance, whiteShare) }));
  for (const { x, y, r: own, isWhite } of objects) drawEgg(sheet, chance, look, x, y, own, isWhite);
  if (scene === 'moss-eggs' && objects.length > 0)
    drawFronds(sheet, chance, objects.length * between(chance, 0, 0.3), () => {
      // Over the edge of an egg, never over its middle.
      const { x, y, r: own } = oneOf(chance, objects);
      const [away, angle] = [own * between(chance, 0.8, 1.6), chance() * 6.2832];
      return [x + Math.cos(angle) * away, y + Math.sin(angle) * away];
    });
  // Some crumbs lie over them.
  drawNuisance(sheet, chance, r * 0.35, much * 0.3);
  drawGlare(sheet, chance, much);
  const mm = between(chance, 0.8, 3);
  const mmPerPixel = mm / 2 / r;
  return {
    width,
    height,
    data: photograph(sheet, chance, much),
    truth: {
      scene,
      options: { kind: 'eggs', ...(isOften(chance, 0.5) ? { mmPerPixel } : {}) },
      count: objects.length,
      white: objects.filter(({ isWhite }) => isWhite).length,
      lengthsMm: null,
      mmPerPixel,
      objects,
    },
  };
}

const SIZES: Record<YoungKind, readonly [number, number]> = {
  fry: [45, 150],
  fishAbove: [110, 320],
  fishSide: [110, 320],
  shrimp: [45, 140],
  crayfish: [90, 200],
  flea: [12, 30],
};
const COVER: Record<YoungKind, number> = { fry: 0.22, fishAbove: 0.25, fishSide: 0.3, shrimp: 0.18, crayfish: 0.22, flea: 0.12 };

function drawYoungScene(scene: SceneName, chance: Chance, much: number, { width, height, many: asked }: Wish): Drawn {
  const sheet = new Sheet(width, height);
  const kind: YoungKind =
    scene === 'fry-tub'
      ? 'fry'
      : scene === 'grid-young'
        ? oneOf(chance, ['fishAbove', 'fishSide', 'fishSide'])
        : oneOf(chance, ['shrimp', 'shrimp', 'crayfish', 'crayfish', 'flea']);
  const [small, large] = SIZES[kind];
  const size = small * (large / small) ** chance();
  const mm =
    kind === 'fry'
      ? between(chance, 4, 9)
      : kind === 'flea'
        ? between(chance, 1, 3)
        : scene === 'grid-young'
          ? between(chance, 8, 20)
          : between(chance, 3, 8);
  const mmPerPixel = mm / size;
  let room: Room = { left: 0, top: 0, right: width, bottom: height };
  let scaleAt: (x: number, y: number) => number = () => 1;
  if (kind === 'flea') room = drawTray(sheet, chance);
  else if (scene === 'grid-young') ({ scaleAt } = drawPaper(sheet, chance, 5 / mmPerPixel));
  else if (scene === 'shrimplets' && isOften(chance, 0.55)) drawSand(sheet, chance);
  else drawTub(sheet, chance);
  const look = youngLook(chance, kind);
  const unit = kind === 'flea' ? size * 0.4 : size * Math.max(0.08, look.width * 0.55);
  drawNuisance(sheet, chance, unit, scene === 'grid-young' ? much * 0.8 : much, kind === 'flea' ? room : undefined);
  const spread =
    scene === 'grid-young'
      ? between(chance, 0.08, 0.3)
      : kind === 'flea'
        ? between(chance, 0.1, 0.35)
        : between(chance, 0.05, 0.2);
  const area = (room.right - room.left) * (room.bottom - room.top);
  const many = asked ?? manyOf(chance, Math.min(350, (COVER[kind] * area) / (size * size * look.width * 0.8)));
  const crossing = isOften(chance, 0.6) ? between(chance, 0, 0.35) : 0;
  const placed: { x: number; y: number; length: number; angle: number }[] = [];
  const body = (p: { x: number; y: number; length: number; angle: number }) =>
    [-0.4, -0.2, 0, 0.2, 0.4].map((t): Point => [p.x + Math.cos(p.angle) * t * p.length, p.y + Math.sin(p.angle) * t * p.length]);
  for (let tries = 0; placed.length < many && tries < many * 30; tries++) {
    const length = Math.max(size * 0.45, size * (1 + normal(chance) * spread));
    const by = placed.length > 0 && isOften(chance, crossing) ? oneOf(chance, placed) : null;
    const next = {
      x: by ? by.x + normal(chance) * size * 0.45 : between(chance, room.left + EDGE, room.right - EDGE),
      y: by ? by.y + normal(chance) * size * 0.45 : between(chance, room.top + EDGE, room.bottom - EDGE),
      length,
      angle: chance() * 6.2832,
    };
    if (next.x < room.left + EDGE || next.y < room.top + EDGE || next.x > room.right - EDGE || next.y > room.bottom - EDGE)
      continue;
    const wide = look.width * size;
    const own = body(next);
    // Bodies may cross; they do not lie along one another, nor does a head lie under another body.
    const overlap = placed.map((other) => {
      if (Math.hypot(other.x - next.x, other.y - next.y) > size * 2) return 0;
      const theirs = body(other);
      return own.filter(([x, y]) => theirs.some(([u, v]) => Math.hypot(u - x, v - y) < wide * (by ? 0.75 : 1.5))).length;
    });
    if (kind === 'flea' ? overlap.some((n) => n > 2) : overlap.some((n) => n > (by ? 2 : 0))) continue;
    placed.push(next);
  }
  const objects = placed.map((one) => {
    const k = scaleAt(one.x, one.y);
    const drawn = drawYoung(sheet, chance, look, one.x, one.y, one.length * k, one.angle);
    return {
      x: drawn.middle[0],
      y: drawn.middle[1],
      r: (one.length * k) / 2,
      isWhite: false,
      head: drawn.head,
      tail: drawn.tail,
      lengthPx: one.length * k,
      lengthMm: one.length * mmPerPixel,
    };
  });
  const seen = objects.filter(({ x, y }) => x >= 0 && y >= 0 && x < width && y < height);
  drawGlare(sheet, chance, much * 0.8);
  return {
    width,
    height,
    data: photograph(sheet, chance, much),
    truth: {
      scene,
      options: { kind: 'young', ...(scene === 'grid-young' ? { grid: { mm: 5 } } : isOften(chance, 0.6) ? { mmPerPixel } : {}) },
      count: seen.length,
      white: null,
      lengthsMm: seen.map(({ lengthMm }) => lengthMm).sort((a, b) => a - b),
      mmPerPixel,
      objects: seen,
    },
  };
}

/** Draws a picture as a telephone would take it, and says what it truly holds. The same seed draws the same picture. */
export function drawPicture(scene: SceneName, seed: number, wish: Wish = USUAL): Drawn {
  const chance = seeded(seed * 7919 + SCENES.indexOf(scene) * 104_729 + 17);
  for (let i = 0; i < 20; i++) chance();
  const chosen = between(chance, 0.1, 1.6);
  const much = wish.much ?? chosen;
  return scene.endsWith('eggs') ? drawEggScene(scene, chance, much, wish) : drawYoungScene(scene, chance, much, wish);
}
