import { EVERYDAY } from './lexicon';

const ROWS = ['qwertyuiop', 'asdfghjkl', 'zxcvbnm'];
const PLACES = new Map(ROWS.flatMap((row, y) => [...row].map((key, x) => [key, { x: x + y * 0.5, y }] as const)));
/** Pairs of keys that lie side by side. */
const NEAR = new Set(
  [...PLACES].flatMap(([a, p]) =>
    [...PLACES].flatMap(([b, q]) => (a !== b && Math.hypot(p.x - q.x, p.y - q.y) < 1.3 ? [a + b] : [])),
  ),
);
const areNear = (a: string, b: string): boolean => NEAR.has(a + b);
const NEAR_KEY = 0.7;
const SWAPPED = 0.7;
const DOUBLED = 0.5;

/**
 * How far a word is from another one by slips of the fingers: 1 for a letter more, less or other; less for a key beside the right one,
 * for two letters swapped, and for a letter doubled or not doubled.
 * @param most - farther than this is as good as any: Infinity is given
 */
export function slips(typed: string, meant: string, most = Infinity): number {
  const [n, m] = [typed.length, meant.length];
  if (Math.abs(n - m) > 2) return Infinity;
  let before = new Float64Array(m + 1);
  let last = new Float64Array(m + 1);
  let row = new Float64Array(m + 1);
  for (let j = 0; j <= m; j++) last[j] = j;
  for (let i = 1; i <= n; i++) {
    const a = typed.charAt(i - 1);
    const previous = typed.charAt(i - 2);
    row[0] = i;
    let least = i;
    for (let j = 1; j <= m; j++) {
      const b = meant.charAt(j - 1);
      const more = (last[j] as number) + (i > 1 && a === previous ? DOUBLED : 1);
      const less = (row[j - 1] as number) + (j > 1 && b === meant.charAt(j - 2) ? DOUBLED : 1);
      const other = (last[j - 1] as number) + (a === b ? 0 : areNear(a, b) ? NEAR_KEY : 1);
      let cost = more < less ? more : less;
      if (other < cost) cost = other;
      if (i > 1 && j > 1 && a === meant.charAt(j - 2) && previous === b)
        cost = Math.min(cost, (before[j - 2] as number) + SWAPPED);
      row[j] = cost;
      if (cost < least) least = cost;
    }
    if (least > most + SWAPPED) return Infinity;
    [before, last, row] = [last, row, before];
  }
  return last[m] as number;
}

const MOST: readonly [letters: number, slips: number][] = [
  [8, 1.75],
  [5, 1],
  [4, 0.75],
];
/** Words this short are taken as they are. */
const SHORTEST = 4;
/** Another word must be so much farther, or the slip may be either's. */
const CLEAR_BY = 0.5;

/** Whether two words begin alike enough: a slip in the first letter is one key off, or swapped, or a letter too many or too few. */
const mayBegin = (typed: string, meant: string): boolean =>
  typed[0] === meant[0] || typed[1] === meant[0] || typed[0] === meant[1] || areNear(typed[0] ?? '', meant[0] ?? '');

/**
 * The word that was meant by one nobody knows; null when it is near none, or near two that mean different things.
 * @param vocabulary - each word with what it means; words of one meaning do not stand in each other's way
 */
export function correct(typed: string, vocabulary: ReadonlyMap<string, string>): string | null {
  if (typed.length < SHORTEST || /\d/.test(typed) || EVERYDAY.has(typed)) return null;
  const most = MOST.find(([letters]) => typed.length >= letters)?.[1] ?? 0;
  let best: { word: string; meaning: string; cost: number } | null = null;
  let other = Infinity;
  for (const [word, meaning] of vocabulary) {
    if (word.length < SHORTEST) continue;
    if (!mayBegin(typed, word)) continue;
    const cost = slips(typed, word, most + CLEAR_BY);
    if (cost > most + CLEAR_BY) continue;
    if (!best || cost < best.cost) {
      if (best && best.meaning !== meaning) other = Math.min(other, best.cost);
      best = { word, meaning, cost };
    } else if (meaning !== best.meaning) other = Math.min(other, cost);
  }
  return best && best.cost <= most && other - best.cost >= CLEAR_BY ? best.word : null;
}
