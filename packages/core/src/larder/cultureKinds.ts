import type { Range } from '../species';
import type { CultureFood, CultureSign } from './keys';

/** The words of each sign, and whether it warns or tells that all is lost. */
export const SIGN_WORDS: Record<CultureSign, { words: string; warns: null | 'watch' | 'high'; remedy: string }> = {
  cloudy: { words: 'cloudy', warns: null, remedy: '' },
  clear: { words: 'clear', warns: null, remedy: '' },
  haze: { words: 'swirling haze', warns: null, remedy: '' },
  dancing: { words: 'specks dance', warns: null, remedy: '' },
  climbing: { words: 'climbing the walls', warns: null, remedy: '' },
  green: { words: 'green', warns: null, remedy: '' },
  sour: { words: 'smells sour', warns: null, remedy: '' },
  scum: { words: 'scum on top', warns: 'watch', remedy: 'Feed less, wipe it off, and split it.' },
  clumping: { words: 'worms in clumps, watery', warns: 'watch', remedy: 'Pour the water off, or start a new one from its edge.' },
  mites: { words: 'mites', warns: 'watch', remedy: 'Stand it in a dish of water and start anew from rinsed worms.' },
  foul: { words: 'smells foul', warns: 'high', remedy: 'Do not feed from it. Split the best of it into fresh medium now.' },
  dead: { words: 'nothing moves', warns: 'high', remedy: 'Empty it and start from another vessel.' },
};

/**
 * How a culture behaves; days are starting points at `atC` and scale with the place's own temperature.
 * Source: docs/sources.md#cultures
 */
export interface CultureKind {
  /** From starting to the first harvest, days. */
  ripeDays: Range;
  /** Productive days once ripe; renew before. */
  lastsDays: number;
  /** Time in which a young one doubles, days. */
  doublingDays: Range;
  /** 0 when it is not fed. */
  feedEveryDays: number;
  harvestEveryDays: number;
  /** The vessel it is usually kept in, litres. */
  vesselL: number;
  /** What a litre of a full vessel holds in ml as they are given: 1000 where the water itself is poured, less where worms or animals are taken out. */
  fullMlPerL: number;
  /** Most that may be taken at once, 0..1. */
  mostShare: number;
  /** In a drop or square, animals per ml of a full one; null where nobody counts. A guess. */
  fullPerMl: number | null;
  /** Temperature the days are stated at, °C. */
  atC: number;
  /** It stands still below this, °C: nothing is fed to it or taken of it. None for those kept indoors. */
  standsBelowC?: number;
  /** It collapses above this, °C. */
  hotC: number;
  /** One hatch, used up and set anew. */
  batch: boolean;
  /** A colony that stands for years and is thinned, not renewed. */
  colony: boolean;
  /** What a ripe one looks like. */
  sign: string;
  signs: readonly CultureSign[];
  feed: string;
}

const water = { batch: false, colony: false, fullMlPerL: 1000, mostShare: 0.33, fullPerMl: null } as const;
const worms = { batch: false, colony: false, mostShare: 0.33, fullPerMl: null } as const;

/** Foods that have to be grown or hatched. */
export const CULTURES = {
  infusoria: {
    ...water,
    ripeDays: [4, 7],
    lastsDays: 14,
    doublingDays: [0.8, 1.6],
    feedEveryDays: 4,
    harvestEveryDays: 1,
    vesselL: 4,
    atC: 22,
    hotC: 32,
    sign: 'cloudy, then clear; specks dancing under a torch',
    signs: ['cloudy', 'clear', 'dancing', 'scum', 'foul', 'dead'],
    feed: 'a pinch of dried leaf',
  },
  paramecium: {
    ...water,
    fullPerMl: 800,
    ripeDays: [7, 14],
    lastsDays: 21,
    doublingDays: [1.5, 3],
    feedEveryDays: 7,
    harvestEveryDays: 1,
    vesselL: 3,
    atC: 22,
    hotC: 30,
    sign: 'white haze that swirls towards the top',
    signs: ['clear', 'haze', 'dancing', 'scum', 'foul', 'dead'],
    feed: '2 drops of milk or a grain of wheat',
  },
  rotifer: {
    ...water,
    fullPerMl: 200,
    ripeDays: [3, 6],
    lastsDays: 21,
    doublingDays: [1, 2],
    feedEveryDays: 1,
    harvestEveryDays: 1,
    vesselL: 3,
    atC: 22,
    hotC: 32,
    sign: 'green turning clear; specks in a spoon',
    signs: ['green', 'clear', 'dancing', 'scum', 'foul', 'dead'],
    feed: 'green water until tinted',
  },
  greenWater: {
    ...water,
    ripeDays: [5, 10],
    lastsDays: 30,
    doublingDays: [1, 2],
    feedEveryDays: 7,
    harvestEveryDays: 1,
    vesselL: 8,
    atC: 22,
    hotC: 34,
    sign: 'green enough that a finger at the back is not seen',
    signs: ['green', 'clear', 'cloudy', 'scum', 'foul', 'dead'],
    feed: 'a drop of plant feed, and light',
  },
  vinegarEel: {
    ...water,
    fullPerMl: 300,
    ripeDays: [21, 35],
    lastsDays: 180,
    doublingDays: [5, 9],
    feedEveryDays: 30,
    harvestEveryDays: 2,
    vesselL: 2,
    atC: 22,
    hotC: 32,
    sign: 'shimmer at the rim',
    signs: ['haze', 'clear', 'sour', 'scum', 'foul', 'dead'],
    feed: 'a slice of apple',
  },
  microworm: {
    ...worms,
    fullMlPerL: 48,
    ripeDays: [3, 6],
    lastsDays: 18,
    doublingDays: [1.2, 2.4],
    feedEveryDays: 7,
    harvestEveryDays: 1,
    vesselL: 0.5,
    atC: 22,
    hotC: 30,
    sign: 'climbing the walls, sour but not foul',
    signs: ['climbing', 'sour', 'clumping', 'mites', 'foul', 'dead'],
    feed: 'a teaspoon of oat porridge',
  },
  brineShrimp: {
    ripeDays: [1, 1.25],
    lastsDays: 1,
    doublingDays: [1, 1],
    feedEveryDays: 0,
    harvestEveryDays: 1,
    vesselL: 1,
    fullMlPerL: 1000,
    mostShare: 1,
    fullPerMl: null,
    atC: 28,
    hotC: 32,
    batch: true,
    colony: false,
    sign: 'orange cloud drawn to a light',
    signs: ['dancing', 'foul', 'dead'],
    feed: '',
  },
  grindal: {
    ...worms,
    fullMlPerL: 22,
    ripeDays: [14, 28],
    lastsDays: 120,
    doublingDays: [4, 7],
    feedEveryDays: 3,
    harvestEveryDays: 3,
    vesselL: 2,
    atC: 22,
    hotC: 28,
    sign: 'worms gather on the food',
    signs: ['climbing', 'sour', 'clumping', 'mites', 'foul', 'dead'],
    feed: 'a pinch of dry food, damp',
  },
  whiteWorm: {
    ...worms,
    fullMlPerL: 20,
    ripeDays: [30, 60],
    lastsDays: 270,
    doublingDays: [10, 18],
    feedEveryDays: 4,
    harvestEveryDays: 7,
    vesselL: 5,
    atC: 14,
    hotC: 20,
    sign: 'white knots under the food',
    signs: ['climbing', 'sour', 'clumping', 'mites', 'foul', 'dead'],
    feed: 'bread soaked in milk, the size of a thumbnail',
  },
  moina: {
    ...water,
    fullPerMl: 5,
    ripeDays: [7, 12],
    lastsDays: 45,
    doublingDays: [1.5, 3],
    feedEveryDays: 2,
    harvestEveryDays: 2,
    vesselL: 5,
    atC: 22,
    hotC: 34,
    sign: 'dense and red-brown against white',
    signs: ['dancing', 'green', 'clear', 'scum', 'foul', 'dead'],
    feed: 'green water or a drop of yeast',
  },
  daphnia: {
    ...water,
    fullPerMl: 0.5,
    ripeDays: [14, 25],
    lastsDays: 90,
    doublingDays: [3, 5],
    feedEveryDays: 2,
    harvestEveryDays: 3,
    vesselL: 20,
    atC: 20,
    standsBelowC: 8,
    hotC: 26,
    sign: 'clouds in the light',
    signs: ['dancing', 'green', 'clear', 'scum', 'foul', 'dead'],
    feed: 'green water until tinted',
  },
  pondCatch: {
    batch: false,
    colony: false,
    mostShare: 0.25,
    fullPerMl: null,
    fullMlPerL: 1,
    ripeDays: [20, 40],
    lastsDays: 150,
    doublingDays: [5, 9],
    feedEveryDays: 7,
    harvestEveryDays: 3,
    vesselL: 200,
    atC: 18,
    hotC: 30,
    sign: 'a net drawn once comes up full',
    signs: ['dancing', 'green', 'clear', 'scum', 'foul', 'dead'],
    feed: 'a handful of leaves or hay',
  },
  scud: {
    batch: false,
    colony: true,
    mostShare: 0.25,
    fullPerMl: null,
    fullMlPerL: 3,
    ripeDays: [45, 90],
    lastsDays: 720,
    doublingDays: [25, 45],
    feedEveryDays: 7,
    harvestEveryDays: 14,
    vesselL: 20,
    atC: 20,
    hotC: 30,
    sign: 'pairs riding, and young between the leaves',
    signs: ['dancing', 'clear', 'cloudy', 'scum', 'foul', 'dead'],
    feed: 'a leaf, or a wafer for all of them',
  },
} as const satisfies Record<CultureFood, CultureKind>;

/** A kind of the keeper's own: what differs from the one it stands in for. */
export interface OwnKind extends Pick<
  CultureKind,
  'ripeDays' | 'lastsDays' | 'feedEveryDays' | 'feed' | 'sign' | 'atC' | 'vesselL'
> {
  id: string;
  name: string;
  /** Given in place of this, and grows as this does. */
  standsFor: CultureFood;
}

/** What holds for a culture: its food's kind, and what a kind of the keeper's own says otherwise. */
export function kindOf({ food, own }: { food: CultureFood; own?: OwnKind | null | undefined }): CultureKind {
  return own ? { ...CULTURES[food], ...own } : CULTURES[food];
}

/** How much slower everything goes for each 10 °C colder. */
const Q10 = 2.2;
/** Days of a culture at a temperature over its stated ones, from half to three times. */
export const cultureSlowness = (kind: Pick<CultureKind, 'atC'>, tempC: number): number =>
  Math.min(3, Math.max(0.5, Q10 ** ((kind.atC - tempC) / 10)));
/** Where a culture stands in a room without a thermometer. */
const ROOM_C = 22;
/** Brine shrimp is hatched warm: in a bottle in or beside a heated tank. */
const HATCH_C = 27;

/** A place's temperature, or what it usually is where nothing is known, °C. */
export const placeTempC = (kind: Pick<CultureKind, 'batch'>, placeC: number | null): number =>
  placeC ?? (kind.batch ? HATCH_C : ROOM_C);

/** A culture's days in its own place. @param placeC - null when nothing is known of it */
export function cultureDays(of: CultureFood | CultureKind, placeC: number | null): { ripe: Range; lasts: number } {
  const kind: CultureKind = typeof of === 'string' ? CULTURES[of] : of;
  const slow = cultureSlowness(kind, placeTempC(kind, placeC));
  return { ripe: [kind.ripeDays[0] * slow, kind.ripeDays[1] * slow], lasts: kind.lastsDays * Math.min(1.5, slow) };
}
