import { inARow } from '../time';
import type { Chore } from './chore';
import { doseSum } from './dose';
import { groupBy } from './groupBy';

/** What every meal's chore begins with. */
const FEED = 'Feed ';

/** A feeding in words, "Feed brine shrimp"; the text of every chore that is a meal. @param food - its name, small letters */
export const feedWords = (food: string): string => `${FEED}${food}`;

/** The food of a meal's chore, small letters. @param text - as `feedWords` gave it */
export const foodOf = (text: string): string => text.slice(FEED.length);

/** All that one tank is fed on one walk: one line, ticked as one. */
export interface Meal {
  walk: number;
  /** "Feed brine shrimp 8 ml, plus a little crushed flake; pellets 3 pinches for the limia". */
  words: string;
  /** Keys of its chores, in their order. */
  keys: string[];
}

/** How much of one food: its doses added up where they are measured alike, else one after the other. */
function dose(chores: readonly Chore[]): string {
  const amounts = chores.flatMap(({ amount }) => amount ?? []);
  const unit = amounts[0]?.unit;
  const isMeasured = amounts.length === chores.length && unit !== 'trace' && amounts.every((one) => one.unit === unit);
  if (chores.length > 1 && unit && isMeasured)
    return doseSum(
      amounts.map(({ value }) => value),
      unit,
    );
  return [...new Set(chores.map(({ amountText }) => amountText))].filter(Boolean).join(' + ');
}

/** One food of a meal with its dose, and what goes with it or whom it is for. */
function foodWords(text: string, chores: readonly Chore[]): string {
  const more = inARow([...new Set(chores.map((chore) => chore.more).filter(Boolean))]);
  const joint = more === '' ? '' : more.startsWith('for ') ? ' ' : ', ';
  return `${foodOf(text)} ${dose(chores)}`.trimEnd() + joint + more;
}

/**
 * The meals of a stop, a line for each of its walks: equal foods are one dose, since they are poured into one tank.
 * @param chores - of one stop; what is no meal, or already logged, is left out
 */
export function mealsOf(chores: readonly Chore[]): Meal[] {
  const open = chores.filter(({ meal, outcome }) => meal && !outcome);
  return [...groupBy(open, ({ walk }) => String(walk))].map(([walk, due]) => ({
    walk: Number(walk),
    words: feedWords([...groupBy(due, ({ text }) => text)].map(([text, same]) => foodWords(text, same)).join('; ')),
    keys: due.map(({ key }) => key),
  }));
}
