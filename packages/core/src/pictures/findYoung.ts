import { standOut, withoutThinDark } from './ground';
import { median, type Plane } from './image';
import { bodyLength } from './bodies';
import { cores, extentOf, longestWay, patchesOf, shapeOf, solidity, type Shape } from './patches';

/** One young animal, or a heap of some that could not be parted. Pixels of the picture that was looked at. */
export interface FoundYoung {
  x: number;
  y: number;
  /** Along its main axis, pixels. */
  extent: number;
  /** Of its body, without feelers and legs, pixels. */
  length: number;
  /** One by itself, whose length can be taken. */
  isSingle: boolean;
  /** How many it is taken for. */
  count: number;
  /** How sure it is one of them, 0..1. */
  sure: number;
  /** How likely it is more than one, 0..1. */
  many: number;
}

/** A connected patch that stands out. */
interface Patch {
  area: number;
  x: number;
  y: number;
  /** Longest way through it, pixels. */
  length: number;
  /** Along its main axis, pixels. */
  extent: number;
  /** What stands out firmly beside the middle of it: its edge without what the lens spread. */
  body: Shape;
  /** The share of its convex hull that it fills. */
  solidity: number;
  /** In how many places it is thick. */
  cores: number;
  /** Mean of its colours against the ground. */
  colour: [number, number, number];
  atBorder: boolean;
}

export interface YoungSearch {
  planes: [Plane, Plane, Plane];
  /** Whether they lie on paper with a printed grid. */
  onGrid: boolean;
  /** Told 0..1 how far it is. */
  onStep?: (share: number) => void;
}

/** What stands out less than this share of the middle of a patch is the lens, a shadow, a limb. */
const FIRM = 0.2;

function firmPart(pixels: Int32Array, score: Plane): Int32Array {
  const scores = Float32Array.from(pixels, (at) => score.values[at]!).sort();
  const least = FIRM * scores[Math.floor(0.6 * scores.length)]!;
  return pixels.filter((at) => score.values[at]! >= least);
}

/** Young in a picture: patches that stand out from their ground. */
export function findYoung({ planes, onGrid, onStep }: YoungSearch): FoundYoung[] {
  const { width, height } = planes[0];
  const base = onGrid ? planes.map(withoutThinDark) : planes;
  onStep?.(0.3);
  const { score, offs } = standOut(base, 1.3);
  onStep?.(0.7);
  const size = width * height;
  const [low, high] = [4, 8];
  const seed = new Uint8Array(size);
  for (let at = 0; at < size; at++) if (score.values[at]! >= low) seed[at] = 1;
  const patches = patchesOf(seed, width, height, 12).flatMap((pixels): Patch[] => {
    let [peak, sx, sy] = [0, 0, 0];
    const colour: [number, number, number] = [0, 0, 0];
    let atBorder = false;
    for (const at of pixels) {
      peak = Math.max(peak, score.values[at]!);
      const x = at % width;
      const y = (at - x) / width;
      sx += x;
      sy += y;
      if (x < 2 || y < 2 || x > width - 3 || y > height - 3) atBorder = true;
      for (let c = 0; c < 3; c++) colour[c] = colour[c]! + offs[c]!.values[at]!;
    }
    if (peak < high) return [];
    const n = pixels.length;
    const shape = shapeOf(pixels, width);
    const body = shapeOf(firmPart(pixels, score), width);
    return [
      {
        area: n,
        x: sx / n,
        y: sy / n,
        length: longestWay(shape.mask, shape.width, shape.pixels[0]!).length + 1,
        extent: extentOf(shape),
        body,
        solidity: solidity(body),
        cores: cores(body, CORE * body.deepest),
        colour: [colour[0] / n, colour[1] / n, colour[2] / n],
        atBorder,
      },
    ];
  });
  return sortPatches(patches, width, height);
}

/** A frame, a table's edge, a ruler: longer than this share of the picture, and cut by its border. Those within it may be a chain of many. */
const [TOO_LONG, LONGEST_HEAP] = [0.3, 1.2];
/** Larger than this share of the picture, or than a smaller share and so many of the usual ones: the table, a wall. */
const [VAST, LARGE, LARGE_HEADS] = [0.06, 0.02, 25];
/** Beside the usual one: how short a young one may be, and how many times as stout or as thin. */
const [SHORTEST, STOUTEST] = [0.4, 2.1];

/** How many times as thick as the usual one a large one is, at most. */
const THICKEST = 1.8;
/** Thinner than this share of the usual one they are not. */
const THINNEST = 0.62;
/** So small a share of the usual area makes a crumb of one: of one whose form and colour are the usual ones, and of another one. */
const SMALL = { alike: 0.2, other: 0.55 };
/** How far form (as a ratio) and colour may be off for one to be alike. */
const ALIKE = { form: 1.4, colour: 1.6 };

const stout = ({ area, length }: Patch) => area / length ** 2;

/** What most of those by themselves are like. */
interface Usual {
  length: number;
  area: number;
  stout: number;
  deepest: number;
  solidity: number;
  colour: number[];
}

const usualOf = (some: readonly Patch[]): Usual => ({
  length: median(some.map(({ length }) => length)),
  area: median(some.map(({ body }) => body.pixels.length)),
  stout: median(some.map(stout)),
  deepest: median(some.map(({ body }) => body.deepest)),
  solidity: median(some.map((patch) => patch.solidity)),
  colour: [0, 1, 2].map((c) => median(some.map(({ colour }) => colour[c]!))),
});

/**
 * How each trait, as the logarithm of its ratio to the usual, tells that a patch is more than one: some in a row are longer, some across
 * one another fill less of their hull; one that is larger all over is thicker as well. Fitted to 1500 patches of drawn pictures with their truth.
 */
const MANY = { area: 4.58, length: 1.82, thick: -1.31, cores: 0.72, solidity: -4.59, base: -3.88 };
/** From this likelihood on: as many are missed as are seen for nothing. */
const MANY_FROM = 0.4;
/** How many there are in a patch of more than one: so many for each time the usual area and length, and at first. */
const HEADS = { area: 0.7, length: 0.2, base: 0.5 };
/** Places this thick beside the thickest are places of their own. */
const CORE = 0.6;

/** How many a patch is taken for, and how likely it is more than one. */
function headsIn(patch: Patch, usual: Usual): { heads: number; many: number } {
  const log = (ratio: number) => Math.log(Math.max(0.05, ratio));
  const [area, length] = [patch.body.pixels.length / usual.area, patch.length / usual.length];
  const more = Math.min(2, Math.max(0, patch.cores - 1));
  const z =
    MANY.area * log(area) +
    MANY.length * log(length) +
    MANY.thick * log(patch.body.deepest / usual.deepest) +
    MANY.cores * more +
    MANY.solidity * log(patch.solidity / usual.solidity) +
    MANY.base;
  const many = 1 / (1 + Math.exp(-z));
  return {
    heads: many < MANY_FROM ? 1 : Math.max(2, Math.round(HEADS.area * area + HEADS.length * length + HEADS.base)),
    many,
  };
}

/** The value below which a share of the weight lies. */
function weighted(some: readonly { value: number; weight: number }[], share: number): number {
  const sorted = [...some].sort((a, b) => a.value - b.value);
  const all = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let sum = 0;
  for (const { value, weight } of sorted) if ((sum += weight) >= share * all) return value;
  return sorted.at(-1)?.value ?? 0;
}

/** Rounder than this are crumbs, or water fleas. */
const ROUND = 0.38;

/**
 * Long ones where there are some, and round ones are of many sizes or few: crumbs are of any size, animals of about one.
 */
function withoutCrumbs(patches: readonly Patch[]): readonly Patch[] {
  const long = patches.filter((patch) => stout(patch) < ROUND);
  const round = patches.filter((patch) => stout(patch) >= ROUND);
  if (long.length < 3 || round.length === 0) return patches;
  const lengths = round.map(({ length }) => length).sort((a, b) => a - b);
  const spread = lengths[Math.floor(0.8 * (lengths.length - 1))]! / lengths[Math.floor(0.2 * (lengths.length - 1))]!;
  const isAnimal = round.length > long.length && spread < 1.5;
  return isAnimal || median(lengths) > 0.7 * median(long.map(({ length }) => length)) ? patches : long;
}

/** Which patches are young ones, and how many each holds: most of what stands out is of one form and about one size. */
function sortPatches(patches: readonly Patch[], width: number, height: number): FoundYoung[] {
  const side = Math.max(width, height);
  const size = width * height;
  const vast = Math.min(VAST * size, Math.max(LARGE * size, LARGE_HEADS * median(patches.map(({ area }) => area))));
  const inside = patches.filter(
    ({ length, area, atBorder }) => length < (atBorder ? TOO_LONG : LONGEST_HEAP) * side && area < vast,
  );
  // Glare and bubbles are brighter than the ground and of no colour; so are young on a dark ground, and then most are.
  const isPale = ({ colour }: Patch) => colour[0] > 6 && Math.abs(colour[1]) < 6 && Math.abs(colour[2]) < 8;
  const areMostlyPale = inside.filter(isPale).length > 0.6 * inside.length;
  const some = areMostlyPale ? inside : inside.filter((patch) => !isPale(patch));
  if (some.length === 0) return [];
  const usualLength = weighted(
    withoutCrumbs(some).map(({ length, area }) => ({ value: length, weight: area / Math.sqrt(length) })),
    0.45,
  );
  const long = some.filter(({ length }) => length >= SHORTEST * usualLength);
  const usualStout = weighted(
    long.map((patch) => ({ value: stout(patch), weight: patch.area / Math.sqrt(patch.length) })),
    0.45,
  );
  const formed = long.filter((patch) => stout(patch) < 1.45 * usualStout && stout(patch) > usualStout / STOUTEST);
  // How much they differ is read off the smaller half: the larger is mixed with some that touch.
  const above = (values: readonly number[], least: number): number => {
    const sorted = [...values].sort((p, q) => p - q);
    const middle = sorted[Math.floor(sorted.length / 2)] ?? 1;
    const spread = Math.log(middle / (sorted[Math.floor(sorted.length * 0.1)] ?? middle)) / 1.28;
    return middle * Math.max(least, Math.exp(1.9 * spread));
  };
  const [longest, largest] = [
    above(
      formed.map(({ length }) => length),
      1.25,
    ),
    above(
      formed.map(({ area }) => area),
      1.42,
    ),
  ];
  const looksSingle = (patch: Patch) => {
    const form = stout(patch) / usualStout;
    return form < 1.45 && form > 1 / STOUTEST && patch.length < longest && patch.area < largest;
  };
  const singles = long.filter(looksSingle);
  const first = usualOf(singles.length > 2 ? singles : long);
  const counted = long.map((patch) => ({ patch, ...headsIn(patch, first) }));
  // Those that lie by themselves tell what is usual better once the others are known.
  const apart = counted.filter(({ heads, patch }) => heads === 1 && !patch.atBorder).map(({ patch }) => patch);
  const usual = apart.length > 2 ? usualOf(apart) : first;
  return long.flatMap((patch) => {
    const { heads: count, many } = headsIn(patch, usual);
    const form = stout(patch) / usual.stout;
    const share = patch.body.pixels.length / usual.area;
    // Where the colour is of another kind than most, and the form as well, it is a crumb.
    const off = Math.hypot(
      (patch.colour[0] - usual.colour[0]!) / (14 + 0.6 * Math.abs(usual.colour[0]!)),
      (patch.colour[1] - usual.colour[1]!) / 6,
      (patch.colour[2] - usual.colour[2]!) / 8,
    );
    const thick = patch.body.deepest / Math.max(1e-6, usual.deepest);
    const single = count === 1;
    const isAlike = form < ALIKE.form && form > 1 / ALIKE.form && off < ALIKE.colour && stout(patch) < ROUND;
    const z =
      4.5 -
      1.1 * Math.max(0, off - 1.2) -
      (form < 1 ? 5 * Math.max(0, Math.log(1 / form) - 0.45) : count > 1 ? 0 : 4 * Math.max(0, Math.log(form) - 0.3)) -
      7 * Math.max(0, Math.log(SMALL[isAlike ? 'alike' : 'other'] / Math.min(1, share))) -
      (patch.atBorder ? 0.8 : 0) -
      // A shadow, a stain, a leaf: thicker than any of them.
      8 * Math.max(0, Math.log(thick / THICKEST)) -
      // Most are darker than their ground and this one is brighter, or the other way about: glare, a shadow.
      (Math.abs(usual.colour[0]!) > 10 && patch.colour[0] * usual.colour[0]! < 0 && Math.abs(patch.colour[0]) > 4 ? 5 : 0) -
      // A hair, a scratch.
      6 * Math.max(0, Math.log((isAlike ? 0.8 * THINNEST : THINNEST) / Math.max(0.05, thick)));
    const sure = 1 / (1 + Math.exp(-z));
    return sure >= 0.08
      ? [
          {
            x: patch.x,
            y: patch.y,
            extent: patch.extent,
            length: single ? bodyLength(patch.body) : patch.length,
            count,
            sure,
            isSingle: single,
            many,
          },
        ]
      : [];
  });
}
