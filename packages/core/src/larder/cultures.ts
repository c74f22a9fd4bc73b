import { formatNumber } from '../units';
import { addDays, daysBetween, houseDay, type Day, type Instant } from '../time';
import { cultureDays, cultureSlowness, kindOf, placeTempC, type OwnKind } from './cultureKinds';
import type { CultureFood, CultureSign } from './keys';

/** What was seen of a culture: how dense, 0 nothing to 4 full, and its signs. */
export interface CultureLook {
  at: Instant;
  density: number | null;
  /** Animals per ml, where a drop or a square was counted. */
  perMl: number | null;
  signs: readonly CultureSign[];
}

/** What was taken out, ml as it is given. */
export interface CultureHarvest {
  at: Instant;
  ml: number | null;
}

/** What a hatch was set with. */
export interface HatchSet {
  cystsG: number;
  litres: number;
  saltG: number;
  lit: boolean;
  /** The tin, where it stands on the shelf. */
  tinId: string | null;
}

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
  /** What follows is of cultures that are followed more closely; nothing of it is needed. */
  own?: OwnKind | null | undefined;
  vesselL?: number | null | undefined;
  /** Where it stands, when in no tank. */
  place?: string | null | undefined;
  /** Temperature of that place as the keeper says, °C. */
  tempC?: number | null | undefined;
  /** The culture it was started from. */
  fromId?: string | null | undefined;
  looks?: readonly CultureLook[] | undefined;
  harvests?: readonly CultureHarvest[] | undefined;
  feeds?: readonly Instant[] | undefined;
  hatch?: HatchSet | null | undefined;
  /** A hatch that was taken off and is kept: cold or as it is. */
  kept?: 'cold' | 'warm' | null | undefined;
  /** Fresh medium or water for the same vessel: its days begin anew. */
  renewedAt?: Instant | null | undefined;
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
  /** A hatch's hours; null for what is no hatch. */
  hatch: HatchWindow | null;
  /** Temperature it is reckoned at, °C. */
  tempC: number;
}

/** A culture and where it stands. */
export interface DescribedCulture {
  culture: Culture;
  state: CultureState;
}

/** The hours of a hatch. */
export interface HatchWindow {
  from: Instant;
  by: Instant;
  /** At their best until; discarded after `goodUntil`. */
  bestUntil: Instant;
  goodUntil: Instant;
}

/** Last seen with nothing alive in it, or foul: nothing is taken from it. */
export function isLost({ looks }: Culture): boolean {
  const last = looks?.at(-1);
  return last !== undefined && (last.density === 0 || last.signs.includes('foul') || last.signs.includes('dead'));
}

/** Too cold where it stands: it neither eats nor grows. */
export const standsStill = ({ culture, state }: DescribedCulture): boolean => state.tempC < (kindOf(culture).standsBelowC ?? -1);

/** An amount that is poured or netted, in ml; a large one in litres, since nobody measures that in ml. */
export const pouredWords = (ml: number): string =>
  ml >= 1000 ? `${formatNumber(ml / 1000, 2)} L, through a net,` : `${formatNumber(ml)} ml`;

/** A ripe one of the same food that lasts longer. */
export const successorOf = (
  { culture, state }: DescribedCulture,
  others: readonly DescribedCulture[],
): DescribedCulture | undefined =>
  others.find(
    (other) => other.culture.food === culture.food && other.state.phase === 'ripe' && other.state.lastDay > state.lastDay,
  );

const plusHours = (at: Instant, hours: number): Instant => new Date(Date.parse(at) + hours * 3_600_000).toISOString();
/** After hatching they live on their yolk for half a day; rinsed and cold for two. */
const BEST_HOURS = 12;
const COLD_HOURS = 48;

/** When a hatch is ready, best and spent, by its temperature. Source: docs/sources.md#cultures */
export function hatchWindow(culture: Culture, tempC: number): HatchWindow {
  const { ripe } = cultureDays(kindOf(culture), tempC);
  const from = plusHours(culture.startedAt, ripe[0] * 24);
  const by = plusHours(culture.startedAt, ripe[1] * 24);
  const hatched = culture.harvestedAt ?? by;
  return {
    from,
    by,
    bestUntil: plusHours(hatched, BEST_HOURS),
    goodUntil: plusHours(hatched, culture.kept === 'cold' ? COLD_HOURS : 2 * BEST_HOURS),
  };
}

/**
 * Phase, ripe window, last useful day and next feed of a culture; "ripe seen" re-anchors it, fresh medium begins its life anew.
 * @param placeC - temperature where it stands; null when nothing is known of it
 */
export function describeCulture(culture: Culture, now: Instant, timeZone: string, placeC: number | null = null): CultureState {
  const kind = kindOf(culture);
  const tempC = placeTempC(kind, placeC ?? culture.tempC ?? null);
  const days = cultureDays(kind, tempC);
  const started = houseDay(culture.startedAt, timeZone);
  const today = houseDay(now, timeZone);
  const seen = culture.ripeSeenAt ? houseDay(culture.ripeSeenAt, timeZone) : null;
  const ripeFrom = seen ?? addDays(started, Math.floor(days.ripe[0]));
  const ripeBy = seen ?? addDays(started, Math.ceil(days.ripe[1]));
  const renewed = culture.renewedAt ? houseDay(culture.renewedAt, timeZone) : null;
  const hatch = kind.batch ? hatchWindow(culture, tempC) : null;
  const lastDay =
    hatch && culture.kept
      ? houseDay(hatch.goodUntil, timeZone)
      : addDays(renewed && renewed > ripeBy ? renewed : ripeBy, Math.floor(days.lasts));
  const isSpent = hatch !== null && culture.kept != null && now > hatch.goodUntil;
  const phase = isSpent || today > lastDay ? 'overdue' : today < ripeFrom ? 'ripening' : today < ripeBy ? 'maybeRipe' : 'ripe';
  const lastFed = houseDay(culture.fedAt ?? culture.startedAt, timeZone);
  return {
    phase,
    ripeFrom,
    ripeBy,
    lastDay,
    feedDue: kind.feedEveryDays > 0 ? addDays(lastFed, kind.feedEveryDays) : null,
    ripeness: seen ? 1 : Math.min(1, Math.max(0, daysBetween(started, today) / Math.max(1, daysBetween(started, ripeBy)))),
    hatch,
    tempC,
  };
}

/** How fast a kind grows at a temperature by the book, per day, and how far that may be off (as a factor's logarithm). */
export function usualRate(of: Parameters<typeof kindOf>[0], tempC: number): { perDay: number; logSd: number } {
  const kind = kindOf(of);
  const [fast, slow] = kind.doublingDays;
  const middle = Math.sqrt(fast * slow);
  return { perDay: Math.LN2 / (middle * cultureSlowness(kind, tempC)), logSd: Math.log(slow / fast) / 2 + 0.25 };
}
