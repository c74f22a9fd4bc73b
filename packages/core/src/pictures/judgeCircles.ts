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
  /** Found by faint edges alone. */
  isFaint: boolean;
  light: number;
  red: number;
  yellow: number;
  middle: number;
  /** Difference of its colour from what lies around it, of all of it and of its middle. */
  apart: number;
  core: number;
}

const lightOf = (c: readonly number[]) => (c[0]! + c[1]! + c[2]!) / 3;
/** The innermost rings. */
const CORE_RINGS = 3;
/** Mean colour of some rings. */
const meanOf = (rings: readonly number[]): [number, number, number] => {
  const of = (c: number) => rings.reduce((sum, value, i) => (i % 3 === c ? sum + value : sum), 0) / (rings.length / 3);
  return [of(0), of(1), of(2)];
};
/** How far two colours are apart. */
const colourOff = (one: readonly number[], other: readonly number[]): number =>
  Math.hypot(
    (lightOf(one) - lightOf(other)) / Math.max(30, lightOf(one)),
    redOf(one) - redOf(other),
    yellowOf(one) - yellowOf(other),
  );
/** Colour against grey, on a scale of bytes: glare adds white and leaves it as it is. */
const redOf = (c: readonly number[]) => (c[0]! - c[1]!) / 150;
const yellowOf = (c: readonly number[]) => ((c[0]! + c[1]!) / 2 - c[2]!) / 150;

/** Marks of a circle that is surely an egg. */
const [SURE_DRAWN, SURE_SHARE] = [0.6, 0.5];
/** Most differ so much from their ground, or nothing is said of those that do not; those that differ by less are hollow, and what that costs. */
const [LEAST_APART, HOLLOW, HOLLOW_COST] = [0.15, 0.11, 16];
/** The middle is so much darker than the rim, as a share. */
const RIMMED = -0.04;
/** How far eggs of one kind lie apart in brightness (share), and in colour. */
const SCATTER = { light: 0.12, red: 0.04, yellow: 0.05, middle: 0.24 };

interface RoundThing {
  x: number;
  y: number;
  drawn: number;
  votes: number;
}

/** A faint circle is drawn so much of the way, looks so much like the others, and is apart from them by so many radii. */
const FAINT_DRAWN = { told: 0.56, alone: 0.86 } as const;
const [FAINT_OFF, FAINT_APART] = [1.2, 1.3];

/**
 * Which circles are eggs: those drawn well and voted for as the best are, and that look as most of the sure ones do. What is not drawn
 * well must look the more like them.
 */
export function judgeCircles(
  level: Level,
  r: number,
  circles: readonly RoundThing[],
  faint: readonly RoundThing[] = [],
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
  const all = [...circles, ...faint];
  const looks = all.map(({ x, y }) => lookAt(level.planes, x, y, r, taken));
  const usualGround = median(
    looks.slice(0, circles.length).flatMap((look) => (look && !Number.isNaN(look.around[0]) ? [lightOf(look.around)] : [])),
  );
  const traits = all.flatMap(({ x, y, drawn, votes }, i): Traits[] => {
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
        isFaint: i >= circles.length,
        light,
        red: redOf(inside),
        yellow: yellowOf(inside),
        middle: (lightOf(rings.slice(0, 3)) - lightOf(rings.slice(12, 15))) / Math.max(12, light),
        apart: open ? colourOff(inside, open) : 1,
        core: open ? colourOff(meanOf(rings.slice(0, CORE_RINGS * 3)), open) : 1,
      },
    ];
  });
  const firm = traits.filter(({ isFaint }) => !isFaint);
  const ranked = firm.map(({ votes, drawn }) => votes * drawn).sort((a, b) => b - a);
  const top = ranked[Math.min(2, ranked.length - 1)] ?? 1;
  const usual = Math.max(1, median(firm.filter(({ votes, drawn }) => votes * drawn >= 0.5 * top).map(({ votes }) => votes)));
  const drawnWell = firm.filter(({ drawn, votes }) => drawn >= SURE_DRAWN && votes >= SURE_SHARE * usual);
  // Bubbles are a rim about nothing: where most hold a colour of their own, what shows the ground is none of them.
  const usualApart = median(drawnWell.map(({ apart }) => apart));
  // A rim brighter than its middle is what a bubble has, and no egg.
  const hollow = ({ apart, core, middle }: Traits) =>
    usualApart < LEAST_APART ? 0 : Math.max(0, 1 - (middle < RIMMED ? Math.min(apart, core) : apart) / HOLLOW);
  const seeds = drawnWell.filter((one) => hollow(one) < 0.3);
  const kinds = sortKinds(seeds);
  const nearestTo = (one: Traits) =>
    kinds
      .map((kind) => {
        const light = (one.light - kind.light) / (Math.max(40, kind.light) * SCATTER.light * 1.6);
        const [red, yellow] = [one.red - kind.red, (one.yellow - kind.yellow) / (SCATTER.yellow + kind.scatter)];
        return {
          kind,
          off: Math.hypot(light, red / (SCATTER.red + kind.scatter), yellow),
          // Which kind it is of its middle tells as well.
          kindOff: Math.hypot(light, yellow, (one.middle - kind.middle) / SCATTER.middle),
        };
      })
      .sort((a, b) => a.kindOff - b.kindOff)[0];
  const eggOf = (one: Traits, z: number, isWhite: boolean) => {
    const sure = 1 / (1 + Math.exp(-z + HOLLOW_COST * hollow(one)));
    return sure >= 0.08 ? [{ x: one.x, y: one.y, isWhite, sure }] : [];
  };
  const found = firm.flatMap((one) => {
    const nearest = nearestTo(one);
    const off = nearest?.off ?? 2;
    const z =
      (one.drawn - 0.6) / 0.075 + (one.votes / usual - 0.42) / 0.09 - 1.1 * Math.max(0, off - 1.6) - (one.apart < 0.05 ? 2 : 0);
    return eggOf(one, z, nearest?.kind.isWhite ?? false);
  });
  const sure = found.filter((egg) => egg.sure >= 0.5);
  if (sure.length < 3) return found;
  const isFree = ({ x, y }: Traits) => sure.every((egg) => Math.hypot(egg.x - x, egg.y - y) > FAINT_APART * r);
  // Where eggs differ from their ground their look says much; where they show it, only the drawing does.
  const tells = usualApart >= LEAST_APART;
  const more = traits
    .filter((one) => one.isFaint && isFree(one))
    .flatMap((one) => {
      const nearest = nearestTo(one);
      const off = nearest?.off ?? 9;
      const z =
        (one.drawn - (tells ? FAINT_DRAWN.told : FAINT_DRAWN.alone)) / 0.06 +
        (one.votes / usual - 0.5) / 0.15 +
        (tells ? 2 * Math.max(-3, FAINT_OFF - off) : -2 * Math.max(0, off - FAINT_OFF));
      return eggOf(one, z, nearest?.kind.isWhite ?? false);
    });
  // What was half seen before gives way where it is seen better now.
  const isOver = ({ x, y }: { x: number; y: number }) =>
    more.some((egg) => egg.sure >= 0.5 && Math.hypot(egg.x - x, egg.y - y) <= FAINT_APART * r);
  return [...found.filter((egg) => egg.sure >= 0.5 || !isOver(egg)), ...more];
}

interface EggKind {
  light: number;
  red: number;
  yellow: number;
  middle: number;
  scatter: number;
  isWhite: boolean;
}

/** Steps in which white eggs differ from clear ones: less yellow before all, brighter, brighter in the middle (so are clear ones without an eye). */
const STEP = { light: 0.12, yellow: 0.012, middle: 0.12 };
/** How far brightness and the middle can speak for or against. */
const MOST_LIGHT = 1.2;
/** Kinds less apart than this are one kind; and white ones are so much less yellow. */
const [KINDS_APART, LESS_YELLOW] = [3.6, 0.04];
/** White ones are at least so light, as a share of clear ones. */
const LEAST_LIGHT = 0.8;

/** The shortest span that holds two fifths of some numbers: how far one kind scatters, whatever else is among them. */
function closest(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const many = Math.max(1, Math.floor(0.4 * sorted.length));
  return Math.min(...sorted.slice(0, sorted.length - many).map((value, i) => sorted[i + many]! - value), Infinity);
}

/** Clear and white eggs among the sure ones, or the one kind that there is. */
function sortKinds(seeds: readonly Traits[]): EggKind[] {
  if (seeds.length === 0) return [];
  const usual = {
    light: median(seeds.map(({ light }) => light)),
    yellow: median(seeds.map(({ yellow }) => yellow)),
    middle: median(seeds.map(({ middle }) => middle)),
  };
  const spans = closest(seeds.map(({ yellow }) => yellow));
  const step = Math.max(STEP.yellow, Number.isFinite(spans) ? 1.5 * spans : 0.05);
  const within = (value: number, most: number) => Math.max(-most, Math.min(most, value));
  const whiteness = seeds.map(
    ({ light, yellow, middle }) =>
      within((usual.yellow - yellow) / step, 8) +
      within((light - usual.light) / (usual.light * STEP.light), MOST_LIGHT) +
      within((middle - usual.middle) / STEP.middle, MOST_LIGHT),
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
    const inBoth = scatter(low) + scatter(high);
    if (inBoth < cut.within) cut = { at, within: inBoth, apart: mean(high) - mean(low) };
  }
  const spread = Math.sqrt(cut.within / Math.max(1, order.length));
  const kindOf = (of: readonly number[], isWhite: boolean): EggKind => {
    const some = of.map((i) => seeds[i]!);
    const yellow = median(some.map((one) => one.yellow));
    return {
      light: median(some.map(({ light }) => light)),
      red: median(some.map(({ red }) => red)),
      yellow,
      middle: median(some.map(({ middle }) => middle)),
      scatter: 1.5 * median(some.map((one) => Math.abs(one.yellow - yellow))),
      isWhite,
    };
  };
  if (cut.at > 0 && cut.apart >= Math.max(KINDS_APART, 2.2 * spread)) {
    const [clear, white] = [kindOf(order.slice(0, cut.at), false), kindOf(order.slice(cut.at), true)];
    // What is less yellow and darker is no white egg but bubbles or the ground: it is like none.
    if (white.light < LEAST_LIGHT * clear.light) return [clear];
    if (clear.yellow - white.yellow > LESS_YELLOW) return [clear, white];
  }
  const one = kindOf(order, false);
  // All of one kind: white where hardly any colour is left in them.
  return [{ ...one, isWhite: Math.abs(one.yellow) < 0.06 && Math.abs(one.red) < 0.05 && usual.middle > 0.04 && one.light > 140 }];
}
