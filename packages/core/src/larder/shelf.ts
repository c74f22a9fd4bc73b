import type { ShelfKind } from './keys';
import type { Food } from '../species';
import { addDays, daysBetween, type Day, type Instant } from '../time';

export const SHELF_WORDS: Record<ShelfKind, { words: string; unit: 'g' | 'ml'; openDays: number | null }> = {
  dry: { words: 'dry food', unit: 'g', openDays: 120 },
  frozen: { words: 'frozen food', unit: 'g', openDays: 180 },
  cysts: { words: 'brine shrimp cysts', unit: 'g', openDays: 90 },
  salt: { words: 'salt', unit: 'g', openDays: null },
  dye: { words: 'dye', unit: 'ml', openDays: 365 },
  medicine: { words: 'medicine', unit: 'ml', openDays: 365 },
  other: { words: 'other', unit: 'g', openDays: null },
};

/** A tin, bag or bottle. */
export interface ShelfItem {
  id: string;
  kind: ShelfKind;
  name: string;
  food: Food | null;
  openedOn: Day | null;
  goodUntil: Day | null;
  /** When bought, in the kind's unit. */
  amount: number;
  /** Paid for it, cents. */
  priceCents: number | null;
  /** Last weighed: left then. */
  weighed: { at: Instant; left: number } | null;
  /** Taken since it was last weighed (or bought), as logged. */
  usedSince: number;
}

/** What a tin comes to. */
export interface ShelfState {
  /** Left by what was logged; never below nothing. */
  left: number;
  /** By the keeper's own date, or by how long its kind keeps once opened. */
  goodUntil: Day | null;
  /** The date is the kind's usual one, not written on it. */
  isUsual: boolean;
  isExpired: boolean;
  /** The day it is empty at the rate of use; null when nothing is used. */
  runsOutOn: Day | null;
  /** Asked for by need: gone, or gone or out of date within the time it takes to get more. */
  buy: string | null;
}

/** Getting more takes about so long, days. */
const SHOPPING_DAYS = 10;
/** Further ahead nobody plans by the rate of today. */
const FORESEEN_DAYS = 400;

/** What is left of a tin, until when it is good, when it runs out, and whether to buy. @param perDay - its use from today on, in its unit */
export function shelfState(item: ShelfItem, perDay: number, today: Day): ShelfState {
  const left = Math.max(0, (item.weighed?.left ?? item.amount) - item.usedSince);
  const { openDays } = SHELF_WORDS[item.kind];
  const usual = item.openedOn && openDays !== null ? addDays(item.openedOn, openDays) : null;
  const goodUntil = item.goodUntil && usual ? (item.goodUntil < usual ? item.goodUntil : usual) : (item.goodUntil ?? usual);
  const isExpired = goodUntil !== null && goodUntil < today;
  const lastsDays = perDay > 0 ? Math.floor(left / perDay) : null;
  const runsOutOn = lastsDays !== null && lastsDays <= FORESEEN_DAYS ? addDays(today, lastsDays) : null;
  const buy =
    left <= 0
      ? 'empty'
      : isExpired
        ? 'past its date'
        : runsOutOn !== null && daysBetween(today, runsOutOn) <= SHOPPING_DAYS
          ? 'runs out'
          : goodUntil !== null && daysBetween(today, goodUntil) <= SHOPPING_DAYS
            ? 'soon past its date'
            : null;
  return {
    left,
    goodUntil,
    isUsual: goodUntil !== null && goodUntil === usual && goodUntil !== item.goodUntil,
    isExpired,
    runsOutOn,
    buy,
  };
}
