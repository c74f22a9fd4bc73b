import { standOut, withoutThinDark } from './ground';
import { median, type Plane } from './image';
import { extentOf, longestWay, patchesOf, thickness } from './patches';

/** One young animal, or a heap of some that could not be parted. Pixels of the picture that was looked at. */
export interface FoundYoung {
  x: number;
  y: number;
  /** Along the body, over the longest way through it, pixels. */
  length: number;
  /** Along its main axis, pixels. */
  extent: number;
  /** One by itself, whose length can be taken. */
  isSingle: boolean;
  /** How many it is taken for. */
  count: number;
  /** How sure it is one of them, 0..1. */
  sure: number;
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
  /** Half its thickness, pixels. */
  deepest: number;
  /** In how many places it is so thick. */
  cores: (least: number) => number;
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

/** Young in a picture: patches that stand out from their ground. */
export function findYoung({ planes, onGrid, onStep }: YoungSearch): FoundYoung[] {
  const { width, height } = planes[0];
  const base = onGrid ? planes.map(withoutThinDark) : planes;
  onStep?.(0.3);
  const { score, offs } = standOut(base, 1.3);
  onStep?.(0.7);
  const size = width * height;
  const [low, high] = [4, 8];
  const place = new Int32Array(size);
  const depth = new Float32Array(size);
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
    return [
      {
        area: n,
        x: sx / n,
        y: sy / n,
        length: longestWay(pixels, width, place) + 1,
        extent: extentOf(pixels, width),
        ...thickness(pixels, width, depth),
        colour: [colour[0] / n, colour[1] / n, colour[2] / n],
        atBorder,
      },
    ];
  });
  return sortPatches(patches, width, height);
}

/** Those in a heap hide a little of one another. */
const HEAP = 1.08;
/** A frame, a table's edge, a ruler: longer than this share of the picture, and cut by its border. Those within it may be a chain of many. */
const [TOO_LONG, LONGEST_HEAP] = [0.45, 1.2];
/** Beside the usual one: how short a young one may be, and how many times as stout or as thin. */
const [SHORTEST, STOUTEST] = [0.45, 2.1];

/** How many times as thick as the usual one a large one is, at most. */
const THICKEST = 1.8;
/** Thinner than this share of the usual one they are not. */
const THINNEST = 0.62;
/** So much thicker are many that are no larger, and bodies that lie across one another. */
const USUALLY_THICK = 1.16;

/** The value below which a share of the weight lies. */
function weighted(some: readonly { value: number; weight: number }[], share: number): number {
  const sorted = [...some].sort((a, b) => a.value - b.value);
  const all = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let sum = 0;
  for (const { value, weight } of sorted) if ((sum += weight) >= share * all) return value;
  return sorted.at(-1)?.value ?? 0;
}

/** Which patches are young ones, and how many each holds: most of what stands out is of one form and about one size. */
function sortPatches(patches: readonly Patch[], width: number, height: number): FoundYoung[] {
  const side = Math.max(width, height);
  const inside = patches.filter(({ length, atBorder }) => length < (atBorder ? TOO_LONG : LONGEST_HEAP) * side);
  // Glare and bubbles are brighter than the ground and of no colour; so are young on a dark ground, and then most are.
  const isPale = ({ colour }: Patch) => colour[0] > 6 && Math.abs(colour[1]) < 6 && Math.abs(colour[2]) < 8;
  const areMostlyPale = inside.filter(isPale).length > 0.6 * inside.length;
  const some = areMostlyPale ? inside : inside.filter((patch) => !isPale(patch));
  if (some.length === 0) return [];
  const usualLength = weighted(
    some.map(({ length, area }) => ({ value: length, weight: area / Math.sqrt(length) })),
    0.45,
  );
  const long = some.filter(({ length }) => length >= SHORTEST * usualLength);
  const stout = ({ area, length }: Patch) => area / length ** 2;
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
  const isSingle = (patch: Patch) => {
    const form = stout(patch) / usualStout;
    return form < 1.45 && form > 1 / STOUTEST && patch.length < longest && patch.area < largest;
  };
  const singles = long.filter(isSingle);
  const usual = singles.length > 2 ? singles : long;
  const usualArea = median(usual.map(({ area }) => area));
  const usualDeep = median(usual.map(({ deepest }) => deepest));
  const usualColour = [0, 1, 2].map((c) => median(usual.map(({ colour }) => colour[c]!)));
  return long.flatMap((patch) => {
    const form = stout(patch) / usualStout;
    const share = patch.area / usualArea;
    // Where the colour is of another kind than most, and the form as well, it is a crumb.
    const off = Math.hypot(
      (patch.colour[0] - usualColour[0]!) / (14 + 0.6 * Math.abs(usualColour[0]!)),
      (patch.colour[1] - usualColour[1]!) / 6,
      (patch.colour[2] - usualColour[2]!) / 8,
    );
    // One that is larger all over is thicker as well; some that touch are no thicker than one.
    const thick = patch.deepest / Math.max(1e-6, usualDeep);
    const grown = Math.min(THICKEST, Math.max(1, thick / USUALLY_THICK)) ** (form > 0.75 && form < 1.3 ? 2 : 0.5);
    const heads = share / grown;
    // Bodies that touch by their thin ends are thick in several places.
    const parted = heads >= 1.5 ? Math.min(patch.cores(0.62 * usualDeep), Math.ceil(heads * 1.1)) : 1;
    const looksSingle = isSingle(patch);
    const single = looksSingle && parted < 2;
    const count = looksSingle ? Math.max(1, parted) : Math.max(1, parted, Math.round(heads * HEAP));
    const z =
      4.5 -
      1.1 * Math.max(0, off - 1.2) -
      (form < 1 ? 5 * Math.max(0, Math.log(1 / form) - 0.45) : count > 1 ? 0 : 4 * Math.max(0, Math.log(form) - 0.3)) -
      7 * Math.max(0, Math.log(0.55 / Math.min(1, share))) -
      (patch.atBorder ? 0.8 : 0) -
      // A shadow, a stain, a leaf: thicker than any of them.
      8 * Math.max(0, Math.log(thick / THICKEST)) -
      // Most are darker than their ground and this one is brighter, or the other way about: glare, a shadow.
      (Math.abs(usualColour[0]!) > 10 && patch.colour[0] * usualColour[0]! < 0 && Math.abs(patch.colour[0]) > 4 ? 5 : 0) -
      // A hair, a scratch.
      6 * Math.max(0, Math.log(THINNEST / Math.max(0.05, thick)));
    const sure = 1 / (1 + Math.exp(-z));
    return sure >= 0.08
      ? [{ x: patch.x, y: patch.y, length: patch.length, extent: patch.extent, count, sure, isSingle: single }]
      : [];
  });
}
