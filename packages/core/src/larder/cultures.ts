import type { Food, Range } from '../species';
import { addDays, daysBetween, houseDay, type Day, type Instant } from '../time';

/** Foods that have to be grown or hatched. */
export const CULTURES = {
  infusoria: {
    ripeDays: [4, 7],
    lastsDays: 14,
    feedEveryDays: 4,
    harvestEveryDays: 1,
    yieldMlPerDay: 500,
    atC: 22,
    batch: false,
    sign: 'cloudy, then clear; specks dancing under a torch',
    feed: 'a pinch of dried leaf',
  },
  paramecium: {
    ripeDays: [7, 14],
    lastsDays: 21,
    feedEveryDays: 7,
    harvestEveryDays: 1,
    yieldMlPerDay: 250,
    atC: 22,
    batch: false,
    sign: 'white haze that swirls towards the top',
    feed: '2 drops of milk or a grain of wheat',
  },
  rotifer: {
    ripeDays: [3, 6],
    lastsDays: 21,
    feedEveryDays: 1,
    harvestEveryDays: 1,
    yieldMlPerDay: 300,
    atC: 22,
    batch: false,
    sign: 'green turning clear; specks in a spoon',
    feed: 'green water until tinted',
  },
  vinegarEel: {
    ripeDays: [21, 35],
    lastsDays: 180,
    feedEveryDays: 30,
    harvestEveryDays: 1,
    yieldMlPerDay: 60,
    atC: 22,
    batch: false,
    sign: 'shimmer at the rim',
    feed: 'a slice of apple',
  },
  microworm: {
    ripeDays: [3, 6],
    lastsDays: 18,
    feedEveryDays: 7,
    harvestEveryDays: 1,
    yieldMlPerDay: 20,
    atC: 22,
    batch: false,
    sign: 'climbing the walls, sour but not foul',
    feed: 'a teaspoon of oat porridge',
  },
  brineShrimp: {
    ripeDays: [1, 1.25],
    lastsDays: 1,
    feedEveryDays: 0,
    harvestEveryDays: 1,
    yieldMlPerDay: 0,
    atC: 28,
    batch: true,
    sign: 'orange cloud drawn to a light',
    feed: '',
  },
  grindal: {
    ripeDays: [14, 28],
    lastsDays: 120,
    feedEveryDays: 3,
    harvestEveryDays: 3,
    yieldMlPerDay: 10,
    atC: 22,
    batch: false,
    sign: 'worms gather on the food',
    feed: 'a pinch of dry food, damp',
  },
  moina: {
    ripeDays: [7, 12],
    lastsDays: 45,
    feedEveryDays: 2,
    harvestEveryDays: 2,
    yieldMlPerDay: 200,
    atC: 22,
    batch: false,
    sign: 'dense and red-brown against white',
    feed: 'green water or a drop of yeast',
  },
  daphnia: {
    ripeDays: [14, 25],
    lastsDays: 90,
    feedEveryDays: 2,
    harvestEveryDays: 3,
    yieldMlPerDay: 300,
    atC: 22,
    batch: false,
    sign: 'clouds in the light',
    feed: 'green water until tinted',
  },
} as const satisfies Partial<Record<Food, CultureKind>>;

/** How a culture behaves; days are starting points at `atC` and scale with the place's own temperature. Source: docs/sources.md#cultures */
export interface CultureKind {
  /** From starting to the first harvest. */
  ripeDays: Range;
  /** Productive days once ripe; renew before. */
  lastsDays: number;
  /** 0 when it is not fed. */
  feedEveryDays: number;
  harvestEveryDays: number;
  /** What one vessel gives a day for good, ml of culture or of worms; 0 where a hatch is used up at once. */
  yieldMlPerDay: number;
  /** Temperature the days are stated at, °C. */
  atC: number;
  /** One hatch, used up and set anew. */
  batch: boolean;
  /** What a ripe one looks like. */
  sign: string;
  feed: string;
}
export type CultureFood = keyof typeof CULTURES;

/** A culture as logged. */
export interface Culture {
  id: string;
  name: string;
  food: CultureFood;
  startedAt: Instant;
  ripeSeenAt: Instant | null;
  fedAt: Instant | null;
  harvestedAt: Instant | null;
  tankId: string | null;
}
export type CulturePhase = 'ripening' | 'maybeRipe' | 'ripe' | 'overdue';

/** Where a culture stands; days of the house. */
export interface CultureState {
  phase: CulturePhase;
  ripeFrom: Day;
  ripeBy: Day;
  /** Last day it can be counted on. */
  lastDay: Day;
  feedDue: Day | null;
  /** 0 when just started, 1 when surely ripe. */
  ripeness: number;
}

/** A culture and where it stands. */
export interface DescribedCulture {
  culture: Culture;
  state: CultureState;
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

/** A culture's days in its own place. @param placeC - null when nothing is known of it */
export function cultureDays(food: CultureFood, placeC: number | null): { ripe: Range; lasts: number } {
  const kind: CultureKind = CULTURES[food];
  const slow = cultureSlowness(kind, placeC ?? (kind.batch ? HATCH_C : ROOM_C));
  return { ripe: [kind.ripeDays[0] * slow, kind.ripeDays[1] * slow], lasts: kind.lastsDays * Math.min(1.5, slow) };
}

/**
 * Phase, ripe window, last useful day and next feed of a culture; "ripe seen" re-anchors it.
 * @param placeC - temperature where it stands; null when nothing is known of it
 */
export function describeCulture(culture: Culture, now: Instant, timeZone: string, placeC: number | null = null): CultureState {
  const kind: CultureKind = CULTURES[culture.food];
  const days = cultureDays(culture.food, placeC);
  const started = houseDay(culture.startedAt, timeZone);
  const today = houseDay(now, timeZone);
  const seen = culture.ripeSeenAt ? houseDay(culture.ripeSeenAt, timeZone) : null;
  const ripeFrom = seen ?? addDays(started, Math.floor(days.ripe[0]));
  const ripeBy = seen ?? addDays(started, Math.ceil(days.ripe[1]));
  const lastDay = addDays(ripeBy, Math.floor(days.lasts));
  const phase = today < ripeFrom ? 'ripening' : today < ripeBy ? 'maybeRipe' : today <= lastDay ? 'ripe' : 'overdue';
  const lastFed = houseDay(culture.fedAt ?? culture.startedAt, timeZone);
  return {
    phase,
    ripeFrom,
    ripeBy,
    lastDay,
    feedDue: kind.feedEveryDays > 0 ? addDays(lastFed, kind.feedEveryDays) : null,
    ripeness: seen ? 1 : Math.min(1, Math.max(0, daysBetween(started, today) / Math.max(1, daysBetween(started, ripeBy)))),
  };
}
