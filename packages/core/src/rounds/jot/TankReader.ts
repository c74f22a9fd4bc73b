import { closest, distance } from 'fastest-levenshtein';
import { looksLikeTank, wordsOf } from './jotTokens';
import { fail, HELP, plain, type JotReader, type Word } from './jotTypes';
import { VOCABULARY } from './jotWords';

/** A2 stands before A10. */
const byCode = new Intl.Collator('en', { numeric: true });

/** The words of a line, and the tanks they name. */
export class TankReader {
  protected i = 0;
  protected readonly words: Word[];
  protected readonly context: JotReader;

  constructor(
    protected readonly line: string,
    context: JotReader,
  ) {
    this.context = { ...context, now: new Date(context.now).toISOString() };
    this.words = wordsOf(line);
  }

  protected get word(): Word | undefined {
    return this.words[this.i];
  }
  protected get lows(): string[] {
    return this.words.map(({ low }) => low);
  }
  protected peek(ahead = 1): Word | undefined {
    return this.words[this.i + ahead];
  }

  /** The code of the tank a word names: written as it is, or with other dots, dashes and capitals. */
  protected tankOf(word: Word | undefined): string | null {
    if (!word) return null;
    const { tanks } = this.context;
    const exact = tanks.find(({ code }) => code.toLowerCase() === word.low);
    if (exact) return exact.code;
    if (!/\p{L}/u.test(word.low)) return null;
    const alike = tanks.filter(({ code }) => plain(code) === plain(word.low));
    if (alike.length > 1)
      fail('ambiguous', word, `"${word.text}" may be ${alike.map(({ code }) => code).join(' or ')}: write it in full.`);
    return alike[0]?.code ?? null;
  }

  /** Tanks from one to another, both included, in the order of their codes. */
  protected span(first: string, last: string): string[] {
    const order = this.context.tanks.map(({ code }) => code).sort(byCode.compare);
    const [from, to] = [order.indexOf(first), order.indexOf(last)].sort((a, b) => a - b) as [number, number];
    return order.slice(from, to + 1);
  }

  /** Tanks a word or a span of words names, and how many words that takes; null when it names none. */
  protected tanksHere(): { codes: string[]; used: number } | null {
    const { word } = this;
    if (!word) return null;
    const one = this.tankOf(word);
    if (one) {
      const dash = this.peek();
      const last = dash && /^([-–—]|to|until)$/.test(dash.low) ? this.tankOf(this.peek(2)) : null;
      return last ? { codes: this.span(one, last), used: 3 } : { codes: [one], used: 1 };
    }
    for (const match of word.text.matchAll(/[-–—]+|\.\.+/g)) {
      const part = (from: number, to: number): Word => {
        const text = word.text.slice(from, to);
        return { ...word, text, low: text.toLowerCase(), from: word.from + from, to: word.from + to };
      };
      const [left, right] = [part(0, match.index), part(match.index + match[0].length, word.text.length)];
      if (!left.text || !right.text) continue;
      const [first, last] = [this.tankOf(left), this.tankOf(right)];
      if (first && last) return { codes: this.span(first, last), used: 1 };
      const unknown = first ? right : last ? left : null;
      if (unknown && looksLikeTank(unknown.low)) this.noTank(unknown);
    }
    return null;
  }

  protected noTank(word: Word): never {
    const codes = this.context.tanks.map(({ code }) => code);
    const near = codes.length > 0 ? closest(word.text.toUpperCase(), codes) : null;
    const hint = near && distance(word.text.toUpperCase(), near) <= 2 ? ` Did you mean ${near}?` : '';
    return fail('unknownTank', word, `No tank is called "${word.text}".${hint}`);
  }

  protected notUnderstood(word: Word): never {
    const near = closest(word.low, VOCABULARY);
    const hint = distance(word.low, near) <= Math.max(1, Math.floor(word.low.length / 3)) ? `Did you mean "${near}"?` : HELP;
    return fail('notUnderstood', word, `"${word.text}" is not understood. ${hint}`);
  }
}
