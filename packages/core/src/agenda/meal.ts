import { formatNumber } from '../units';
import { inARow } from '../time';
import type { Chore } from './chore';

/** What every meal's chore begins with. */
const FEED = 'Feed ';

/** A feeding in words, "Feed brine shrimp". @param food - its name, small letters */
export const feedWords = (food: string): string => `${FEED}${food}`;

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
  const [first] = chores;
  if (!first) return '';
  if (chores.length === 1) return first.amountText;
  const units = new Set(chores.map(({ amount }) => amount?.unit));
  if (units.size === 1 && first.amount && first.amount.unit !== 'trace') {
    const sum = chores.reduce((all, { amount }) => all + (amount?.value ?? 0), 0);
    return `${formatNumber(Math.round(sum * 1000) / 1000)} ${first.amountText.split(' ').at(-1) ?? first.amount.unit}`;
  }
  return [...new Set(chores.map(({ amountText }) => amountText))].filter(Boolean).join(' + ');
}

/**
 * The meals of a stop, a line for each of its walks: equal foods are one dose, since they are poured into one tank.
 * @param chores - of one stop; what is no meal, or already logged, is left out
 */
export function mealsOf(chores: readonly Chore[]): Meal[] {
  const open = chores.filter(({ meal, outcome }) => meal && !outcome);
  return [...new Set(open.map(({ walk }) => walk))].map((walk) => {
    const due = open.filter((chore) => chore.walk === walk);
    const parts = [...new Set(due.map(({ text }) => text))].map((text) => {
      const same = due.filter((chore) => chore.text === text);
      const food = text.startsWith(FEED) ? text.slice(FEED.length) : text;
      const more = inARow([...new Set(same.map((chore) => chore.more).filter(Boolean))]);
      const joint = more === '' ? '' : more.startsWith('for ') ? ' ' : ', ';
      return `${food} ${dose(same)}`.trimEnd() + joint + more;
    });
    return { walk, words: `${FEED}${parts.join('; ')}`, keys: due.map(({ key }) => key) };
  });
}
