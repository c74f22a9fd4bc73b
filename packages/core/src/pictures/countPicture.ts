import { CalculationError } from '../errors';
import { calibrated } from './calibrate';
import { gridSpacing } from './gridScale';
import { median, plane, quantile, toPlanes, type Picture, type Plane } from './image';
import type { Search } from './search';
import { spotEggs } from './spotEggs';
import { spotYoung } from './spotYoung';
import { whiteFrom } from './whiteEggs';
import eggNet from './weights/eggs.json';
import youngNet from './weights/young.json';

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
export const LONGEST = { eggs: 1280, young: 1024, grid: 1152 } as const;

/** How often a picture can be made half as large before it is counted, without anything being lost: what decodes it does so quickly. */
export function halvingsBefore(width: number, height: number, options: Pick<CountOptions, 'kind' | 'grid'>): number {
  const longest = LONGEST[options.grid ? 'grid' : options.kind];
  return Math.max(0, Math.floor(Math.log2(Math.max(width, height) / longest)));
}

/** Largest picture, pixels: 48 megapixels. */
const MOST_PIXELS = 48_000_000;
const LEAST_SIDE = 64;
/** What even a good count is off by: a share for eggs and for young, and a part of one. */
const OFF = { eggs: 0.024, young: 0.042, part: 0.5 } as const;
/** How likely what a net saw is one of them. */
const EGG_ODDS = { heat: 3.66, isHalf: 0, oddSize: -7.13, few: -4.03, base: 1.33 };
const YOUNG_ODDS = { heat: 2.89, isHalf: 1.87, oddSize: -8.18, few: -1.35, base: 0.41 };
/** As likely as not. */
const SURE_FROM = 0.5;

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

type Looked = Omit<Search, 'net'>;

function countEggs(search: Looked): Counted[] {
  const eggs = calibrated(spotEggs({ ...search, net: eggNet }), EGG_ODDS);
  const cut = whiteFrom(eggs.filter(({ sure }) => sure >= SURE_FROM).map(({ whiteness }) => whiteness));
  return eggs.map(({ x, y, size, sure, whiteness }) => ({ x, y, r: size, isWhite: whiteness > cut, sure, lengthMm: null }));
}

function countYoung(search: Looked, mmPerPixel: number | null): Counted[] {
  return calibrated(spotYoung({ ...search, net: youngNet }), YOUNG_ODDS).map(({ x, y, size, sure, isWhole }) => ({
    x,
    y,
    r: Math.max(4, size / 2),
    isWhite: false,
    sure,
    lengthMm: isWhole && mmPerPixel !== null ? size * mmPerPixel : null,
  }));
}

/**
 * Counts eggs or young in a picture with a net for each (docs/decisions/0021), and reads the scale off printed paper. Bubbles, crumbs,
 * hairs, shadows and mirrored windows are what the nets have learned to leave out.
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
  const search = { planes, onStep: (share: number) => onStep(0.25 + 0.7 * share) };
  const found: Counted[] =
    options.kind === 'eggs' ? countEggs(search) : countYoung(search, mmPerPixel === null ? null : mmPerPixel / scale);
  const least = Math.min(0.9, Math.max(0.1, SURE_FROM / (options.sensitivity ?? 1)));
  const taken = found.filter(({ sure }) => sure >= least);
  const objects = taken.map((one) => ({ ...one, x: one.x / scale, y: one.y / scale, r: one.r / scale }));
  const variance = found.reduce((sum, { sure }) => sum + sure * (1 - sure), 0);
  const count = objects.length;
  faults.push(...judgePicture(light, taken));
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
