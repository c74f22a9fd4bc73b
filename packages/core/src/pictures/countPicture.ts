import { CalculationError } from '../errors';
import { findEggs } from './findEggs';
import { findYoung } from './findYoung';
import { gridSpacing } from './gridScale';
import { median, plane, quantile, toPlanes, type Picture, type Plane } from './image';

/** What is counted, and what is known of the scale. */
export interface CountOptions {
  kind: 'eggs' | 'young';
  /** Millimetres a pixel of the picture as it came. */
  mmPerPixel?: number | null | undefined;
  /** Paper with a printed grid of so many millimetres lies under them. */
  grid?: { mm: number } | null | undefined;
  /** 1 as it is; above 1 more is taken for one of them, below 1 less: what a keeper's corrections have taught. */
  sensitivity?: number | null | undefined;
}

/** Why a picture tells little. */
export const PICTURE_FAULTS = ['tooSmall', 'blurred', 'glare', 'dark', 'noGrid', 'nothing'] as const;
export type PictureFault = (typeof PICTURE_FAULTS)[number];
export const PICTURE_FAULT_WORDS: Record<PictureFault, string> = {
  tooSmall: 'They are too small in the picture: go nearer, or take it in two halves.',
  blurred: 'The picture is blurred: hold still, tap to focus, more light.',
  glare: 'A good part of it is glare: turn the lamp off or shade the surface.',
  dark: 'It is too dark: more light from the side.',
  noGrid: 'No printed grid was found: lengths are left out. Give a known length, or lay the paper flat and in the light.',
  nothing: 'Nothing was found that looks like many of one kind. Mark them by hand, or take another picture.',
};

/** One that was found, in pixels of the picture as it came. */
export interface Counted {
  x: number;
  y: number;
  /** Radius that rings it. */
  r: number;
  /** How many it is taken for. */
  count: number;
  isWhite: boolean;
  sure: number;
  lengthMm: number | null;
}

/** A count with the range it lies in with 95 %. */
export interface PictureCount {
  count: number;
  low95: number;
  high95: number;
  /** White ones among eggs; null for young. */
  white: number | null;
  /** Lengths of the young that lie by themselves; null for eggs, and where the scale is not known. */
  lengthsMm: number[] | null;
  mmPerPixel: number | null;
  objects: Counted[];
  faults: PictureFault[];
}

/** Longest side that is looked at; larger pictures are made smaller first. */
const LONGEST = { eggs: 1280, young: 1024, grid: 1152 } as const;

/** How often a picture can be made half as large before it is counted, without anything being lost: what decodes it does so quickly. */
export function halvingsBefore(width: number, height: number, options: Pick<CountOptions, 'kind' | 'grid'>): number {
  const longest = LONGEST[options.grid ? 'grid' : options.kind];
  return Math.max(0, Math.floor(Math.log2(Math.max(width, height) / longest)));
}

/** Largest picture, pixels: 48 megapixels. */
const MOST_PIXELS = 48_000_000;
const LEAST_SIDE = 64;
/** What even a good count is off by: a share for eggs and for young, and a part of one. */
const OFF = { eggs: 0.024, young: 0.034, part: 0.45 } as const;
/** Edges of the patches lie a little outside of the animal; the tip of a tail is bent. Share of the length. */
const LENGTH_TRIM = 0.985;
const EGG_MM: readonly [number, number] = [0.5, 6];

function judgePicture(light: Plane, found: readonly { r: number }[]): PictureFault[] {
  const faults: PictureFault[] = [];
  const [dark, bright] = [quantile(light.values, 0.5), quantile(light.values, 0.93)];
  if (bright >= 250 && quantile(light.values, 0.55) < 235) faults.push('glare');
  if (dark < 18 && bright < 60) faults.push('dark');
  const { width, values } = light;
  const steps = new Float32Array(values.length);
  for (let at = 1; at < steps.length - width; at++) {
    const across = values[at]! - values[at - 1]!;
    const down = values[at]! - values[at + width]!;
    steps[at] = Math.sqrt(across * across + down * down);
  }
  if (quantile(steps, 0.995) < 7) faults.push('blurred');
  if (found.length > 0 && median(found.map(({ r }) => r)) < 5) faults.push('tooSmall');
  return faults;
}

/**
 * Counts eggs or young in a picture. Eggs are circles that edges vote for, of about one radius, that look alike; young are patches that
 * stand out from their ground, of about one form and size. Bubbles, crumbs, hairs, shadows and mirrored windows are what is left over.
 * Source: docs/sources.md#pictures
 * @param onStep - told 0..1 how far it is; throws to stop
 * @throws CalculationError `outOfRange` - a picture too small or too large, or no whole picture
 */
export function countPicture(
  picture: Picture,
  options: CountOptions,
  onStep: (share: number) => void = () => undefined,
): PictureCount {
  const { width, height, data, channels = 3 } = picture;
  if (Math.min(width, height) < LEAST_SIDE)
    throw new CalculationError('outOfRange', 'picture', `A picture is at least ${LEAST_SIDE} pixels wide and high.`);
  if (width * height > MOST_PIXELS) throw new CalculationError('outOfRange', 'picture', 'A picture has at most 48 megapixels.');
  if (data.length < width * height * channels) throw new CalculationError('outOfRange', 'picture', 'The picture is not whole.');
  const { planes, scale } = toPlanes(picture, LONGEST[options.grid ? 'grid' : options.kind]);
  onStep(0.15);
  const light = plane(planes[0].width, planes[0].height);
  for (let at = 0; at < light.values.length; at++)
    light.values[at] = (planes[0].values[at]! + planes[1].values[at]! + planes[2].values[at]!) / 3;
  let mmPerPixel = options.mmPerPixel ?? null;
  const faults: PictureFault[] = [];
  if (options.grid) {
    const spacing = gridSpacing(light);
    if (spacing !== null) mmPerPixel = (options.grid.mm / spacing) * scale;
    else if (mmPerPixel === null) faults.push('noGrid');
  }
  onStep(0.25);
  const least = Math.min(0.9, Math.max(0.1, 0.5 / (options.sensitivity ?? 1)));
  const objects: Counted[] = [];
  let variance = 0;
  if (options.kind === 'eggs') {
    const pixel = mmPerPixel === null ? null : mmPerPixel / scale;
    const radii = pixel === null ? null : ([EGG_MM[0] / 2 / pixel, EGG_MM[1] / 2 / pixel] as const);
    for (const egg of findEggs({ planes, radii, onStep: (share) => onStep(0.25 + 0.7 * share) })) {
      variance += egg.sure * (1 - egg.sure);
      if (egg.sure >= least)
        objects.push({
          x: egg.x / scale,
          y: egg.y / scale,
          r: egg.r / scale,
          count: 1,
          isWhite: egg.isWhite,
          sure: egg.sure,
          lengthMm: null,
        });
    }
  } else {
    const found = findYoung({ planes, onGrid: Boolean(options.grid), onStep: (share) => onStep(0.25 + 0.7 * share) });
    for (const young of found) {
      variance +=
        young.sure * (1 - young.sure) +
        young.many * (1 - young.many) +
        (young.isSingle ? 0 : (0.3 * Math.max(0, young.count - 2)) ** 2);
      if (young.sure < least) continue;
      const length = young.length * LENGTH_TRIM;
      objects.push({
        x: young.x / scale,
        y: young.y / scale,
        r: Math.max(4, young.extent / 2) / scale,
        count: young.count,
        isWhite: false,
        sure: young.sure,
        lengthMm: young.isSingle && mmPerPixel !== null ? (length / scale) * mmPerPixel : null,
      });
    }
  }
  const count = objects.reduce((sum, one) => sum + one.count, 0);
  faults.push(
    ...judgePicture(
      light,
      objects.map(({ r }) => ({ r: r * scale })),
    ),
  );
  if (count === 0) faults.push('nothing');
  const poor = 1 + 0.5 * faults.filter((fault) => fault !== 'noGrid').length;
  const reach = 1.96 * Math.sqrt(variance + (OFF[options.kind] * poor * count) ** 2 + OFF.part ** 2);
  const lengths = objects.flatMap(({ lengthMm }) => lengthMm ?? []);
  onStep(1);
  return {
    count,
    low95: Math.max(0, count - reach),
    high95: count + reach,
    white: options.kind === 'eggs' ? objects.filter(({ isWhite }) => isWhite).length : null,
    lengthsMm: options.kind === 'young' && mmPerPixel !== null ? lengths.sort((a, b) => a - b) : null,
    mmPerPixel,
    objects,
    faults,
  };
}
