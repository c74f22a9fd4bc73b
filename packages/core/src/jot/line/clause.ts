import type { Housed } from '../words/names';
import type { Item } from './said';
import { fail, MAX_COUNT, type JotReader, type JotPhrase, type Span } from '../jotTypes';

/** What a phrase says before it is known of which animals: who was named, and where it stands in the line. */
export interface Draft {
  phrase: JotPhrase;
  at: Span;
  /** Animals that were named, in whatever tank. */
  named?: readonly Housed[];
  /** Which of the animals of a tank, when that was said. */
  age?: 'young' | 'adults';
  /** Where a move begins, when the line says it. */
  from?: string;
}

/** Items between two commas: what one phrase is read from. Each item is used once. */
export class Clause {
  readonly used: boolean[];
  constructor(
    readonly items: readonly Item[],
    readonly line: string,
    readonly context: JotReader,
    /** Whether the stretch of the line it stands in names a tank. */
    readonly hasTank: boolean,
  ) {
    this.used = items.map(() => false);
  }

  /** The items of some kind that are still free, with their places. */
  free<Is extends Item['is']>(is: Is): { item: Extract<Item, { is: Is }>; k: number }[] {
    return this.items.flatMap((item, k) =>
      item.is === is && !this.used[k] ? [{ item: item as Extract<Item, { is: Is }>, k }] : [],
    );
  }
  has(is: Item['is']): boolean {
    return this.items.some((item, k) => item.is === is && !this.used[k]);
  }
  take(...places: number[]): void {
    for (const k of places) this.used[k] = true;
  }
  spanOf(...places: number[]): Span {
    const items = places.map((k) => this.items[k] as Item);
    return { from: Math.min(...items.map(({ from }) => from)), to: Math.max(...items.map(({ to }) => to)) };
  }
  /** The nearest free item of one of these kinds from a place on, over fillers and "about" alone. @param step - 1 forwards, -1 backwards */
  beside(k: number, step: 1 | -1, ...kinds: Item['is'][]): number | null {
    for (let at = k + step; at >= 0 && at < this.items.length; at += step) {
      const item = this.items[at] as Item;
      if (this.used[at]) return null;
      if (kinds.includes(item.is)) return at;
      if (item.is !== 'filler' && item.is !== 'about') return null;
    }
    return null;
  }
  /** What stands behind the last item of the clause that is no filler. */
  isOnly(...kinds: Item['is'][]): boolean {
    return this.items.every(
      (item, k) => this.used[k] || kinds.includes(item.is) || item.is === 'filler' || item.is === 'about' || item.is === 'time',
    );
  }
}

/** A whole number of animals or eggs. @throws {JotProblem} outOfRange */
export function wholeOf(item: Extract<Item, { is: 'number' }>): number {
  const value = item.isThousand ? Number(item.text.replace(/\D/g, '')) : item.value;
  if (!Number.isInteger(value) || value < 0 || value > MAX_COUNT)
    fail('outOfRange', item, `${item.text} can't be a number of animals. Use a whole number up to ${MAX_COUNT}.`);
  return value;
}

/** One way of saying something: looks for its words in a clause, uses them, and says what they mean. */
export interface PhraseKind {
  name: string;
  read: (clause: Clause) => Draft[];
}
