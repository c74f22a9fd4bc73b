import type { Level } from './circles';
import { median, type Plane } from './image';

/** What a circle holds: its colour and how it differs from what lies around it. */
interface Look {
  inside: [number, number, number];
  around: [number, number, number];
  /** Colours of five rings from the middle outwards. */
  rings: number[];
}

/** A radius that was taken a little too large still holds nothing but egg within this share of it. */
const INNER = 0.72;

function lookAt(planes: readonly Plane[], x: number, y: number, r: number, taken: Uint8Array): Look | null {
  const { width, height } = planes[0]!;
  const rings = new Float64Array(15);
  const counts = new Float64Array(5);
  const around = [0, 0, 0];
  let outside = 0;
  const reach = Math.ceil(r * 1.7);
  const step = r > 16 ? 2 : 1;
  for (let oy = -reach; oy <= reach; oy += step)
    for (let ox = -reach; ox <= reach; ox += step) {
      const [px, py] = [Math.round(x + ox), Math.round(y + oy)];
      if (px < 0 || py < 0 || px >= width || py >= height) continue;
      const d = Math.sqrt(ox * ox + oy * oy) / r;
      const at = py * width + px;
      if (d < INNER) {
        const ring = Math.min(4, Math.floor((d / INNER) * 5));
        for (let c = 0; c < 3; c++) rings[ring * 3 + c] = rings[ring * 3 + c]! + planes[c]!.values[at]!;
        counts[ring] = counts[ring]! + 1;
      } else if (d > 1.25 && d < 1.7 && !taken[at]) {
        for (let c = 0; c < 3; c++) around[c] = around[c]! + planes[c]!.values[at]!;
        outside++;
      }
    }
  if (counts[0] === 0) return null;
  const inside: [number, number, number] = [0, 0, 0];
  let all = 0;
  for (let ring = 0; ring < 5; ring++) {
    all += counts[ring]!;
    for (let c = 0; c < 3; c++) {
      inside[c] = inside[c]! + rings[ring * 3 + c]!;
      rings[ring * 3 + c] = rings[ring * 3 + c]! / Math.max(1, counts[ring]!);
    }
  }
  for (let c = 0; c < 3; c++) {
    inside[c] = inside[c]! / Math.max(1, all);
    around[c] = outside > 8 ? around[c]! / outside : Number.NaN;
  }
  return { inside, around: around as [number, number, number], rings: [...rings] };
}

/** What is told of a circle beside its place: brightness, colour against grey, and how much brighter its middle is than its rim. */
interface Traits {
  x: number;
  y: number;
  drawn: number;
  votes: number;
  light: number;
  red: number;
  yellow: number;
  middle: number;
  /** Difference of its colour from what lies around it. */
  apart: number;
}

const lightOf = (c: readonly number[]) => (c[0]! + c[1]! + c[2]!) / 3;
/** Colour against grey, on a scale of bytes: glare adds white and leaves it as it is. */
const redOf = (c: readonly number[]) => (c[0]! - c[1]!) / 150;
const yellowOf = (c: readonly number[]) => ((c[0]! + c[1]!) / 2 - c[2]!) / 150;

/** Marks of a circle that is surely an egg. */
const [SURE_DRAWN, SURE_SHARE] = [0.6, 0.5];
/** How far eggs of one kind lie apart in brightness (share), and in colour. */
const SCATTER = { light: 0.12, red: 0.04, yellow: 0.05 };

/**
 * Which circles are eggs: those drawn well and voted for as the best are, and that look as most of the sure ones do. What is not drawn
 * well must look the more like them.
 */
export function judgeCircles(
  level: Level,
  r: number,
  circles: readonly { x: number; y: number; drawn: number; votes: number }[],
): { x: number; y: number; isWhite: boolean; sure: number }[] {
  const { width, height } = level.planes[0]!;
  const taken = new Uint8Array(width * height);
  const reach = Math.ceil(r * 1.15);
  for (const { x, y, drawn } of circles)
    if (drawn > 0.6)
      for (let oy = -reach; oy <= reach; oy++)
        for (let ox = -reach; ox <= reach; ox++) {
          const [px, py] = [x + ox, y + oy];
          if (ox * ox + oy * oy <= reach * reach && px >= 0 && py >= 0 && px < width && py < height) taken[py * width + px] = 1;
        }
  const looks = circles.map(({ x, y }) => lookAt(level.planes, x, y, r, taken));
  const usualGround = median(looks.flatMap((look) => (look && !Number.isNaN(look.around[0]) ? [lightOf(look.around)] : [])));
  const traits = circles.flatMap(({ x, y, drawn, votes }, i): Traits[] => {
    const look = looks[i];
    if (!look) return [];
    const { inside, around, rings } = look;
    const open = Number.isNaN(around[0]) ? null : around;
    // What the ground is brighter than usual there is glare, and lies over the egg as well.
    const glare = open ? Math.max(0, lightOf(open) - usualGround * 1.25 - 8) : 0;
    const light = lightOf(inside) - glare;
    return [
      {
        x,
        y,
        drawn,
        votes,
        light,
        red: redOf(inside),
        yellow: yellowOf(inside),
        middle: (lightOf(rings.slice(0, 3)) - lightOf(rings.slice(12, 15))) / Math.max(12, light),
        apart: open
          ? Math.hypot(
              (lightOf(inside) - lightOf(open)) / Math.max(30, lightOf(inside)),
              redOf(inside) - redOf(open),
              yellowOf(inside) - yellowOf(open),
            )
          : 1,
      },
    ];
  });
  const ranked = traits.map(({ votes, drawn }) => votes * drawn).sort((a, b) => b - a);
  const top = ranked[Math.min(2, ranked.length - 1)] ?? 1;
  const usual = Math.max(1, median(traits.filter(({ votes, drawn }) => votes * drawn >= 0.5 * top).map(({ votes }) => votes)));
  const seeds = traits.filter(({ drawn, votes }) => drawn >= SURE_DRAWN && votes >= SURE_SHARE * usual);
  const kinds = sortKinds(seeds);
  return traits.flatMap((one) => {
    const nearest = kinds
      .map((kind) => ({
        kind,
        off: Math.hypot(
          (one.light - kind.light) / (Math.max(40, kind.light) * SCATTER.light * 1.6),
          (one.red - kind.red) / (SCATTER.red + kind.scatter),
          (one.yellow - kind.yellow) / (SCATTER.yellow + kind.scatter),
        ),
      }))
      .sort((a, b) => a.off - b.off)[0];
    const off = nearest?.off ?? 2;
    const z =
      (one.drawn - 0.6) / 0.075 + (one.votes / usual - 0.42) / 0.09 - 1.1 * Math.max(0, off - 1.6) - (one.apart < 0.05 ? 2 : 0);
    const sure = 1 / (1 + Math.exp(-z));
    return sure >= 0.08 ? [{ x: one.x, y: one.y, isWhite: nearest?.kind.isWhite ?? false, sure }] : [];
  });
}

interface EggKind {
  light: number;
  red: number;
  yellow: number;
  scatter: number;
  isWhite: boolean;
}

/** Steps in which white eggs differ from clear ones: brighter, less yellow, brighter in the middle. */
const STEP = { light: 0.08, yellow: 0.035, middle: 0.08 };
/** Kinds less apart than this are one kind. */
const KINDS_APART = 3.6;

/** Clear and white eggs among the sure ones, or the one kind that there is. */
function sortKinds(seeds: readonly Traits[]): EggKind[] {
  if (seeds.length === 0) return [];
  const usual = {
    light: median(seeds.map(({ light }) => light)),
    yellow: median(seeds.map(({ yellow }) => yellow)),
    middle: median(seeds.map(({ middle }) => middle)),
  };
  const whiteness = seeds.map(
    ({ light, yellow, middle }) =>
      Math.max(-3, Math.min(5, (light - usual.light) / (usual.light * STEP.light))) -
      Math.max(-5, Math.min(3, (yellow - usual.yellow) / (STEP.yellow + 0.12 * Math.abs(usual.yellow)))) +
      Math.max(-3, Math.min(3, (middle - usual.middle) / STEP.middle)),
  );
  const order = seeds.map((_, i) => i).sort((a, b) => whiteness[a]! - whiteness[b]!);
  // The cut with the least scatter on both sides (Otsu 1979).
  let cut = { at: 0, within: Infinity, apart: 0 };
  const mean = (of: readonly number[]) => of.reduce((sum, i) => sum + whiteness[i]!, 0) / of.length;
  const scatter = (of: readonly number[]) => {
    const middle = mean(of);
    return of.reduce((sum, i) => sum + (whiteness[i]! - middle) ** 2, 0);
  };
  for (let at = 1; at < order.length; at++) {
    if (order.length > 300 && at % 3) continue;
    const [low, high] = [order.slice(0, at), order.slice(at)];
    const within = scatter(low) + scatter(high);
    if (within < cut.within) cut = { at, within, apart: mean(high) - mean(low) };
  }
  const spread = Math.sqrt(cut.within / Math.max(1, order.length));
  const kindOf = (of: readonly number[], isWhite: boolean): EggKind => {
    const some = of.map((i) => seeds[i]!);
    const yellow = median(some.map((one) => one.yellow));
    return {
      light: median(some.map(({ light }) => light)),
      red: median(some.map(({ red }) => red)),
      yellow,
      scatter: 1.5 * median(some.map((one) => Math.abs(one.yellow - yellow))),
      isWhite,
    };
  };
  if (cut.at > 0 && cut.apart >= Math.max(KINDS_APART, 2.2 * spread))
    return [kindOf(order.slice(0, cut.at), false), kindOf(order.slice(cut.at), true)];
  const one = kindOf(order, false);
  // All of one kind: white where hardly any colour is left in them.
  return [{ ...one, isWhite: Math.abs(one.yellow) < 0.06 && Math.abs(one.red) < 0.05 && usual.middle > 0.04 && one.light > 140 }];
}
