import { readWhen } from '../../time';
import { convert, VOLUME_SPELLINGS } from '../../units';
import { fail, type JotReader } from '../jotTypes';
import { priceAt } from './price';
import type { Item, Said } from './said';
import { EVERYDAY, LEXICON, LONGEST_ROW, TIME_WORDS } from '../words/lexicon';
import type { Names } from '../words/names';
import { correct, slips } from '../words/typos';
import { looksLikeTank, numberOf, wordsOf, type Word } from '../words/tokens';

/** A2 stands before A10. */
const byCode = new Intl.Collator('en', { numeric: true });
export const plain = (code: string): string => code.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
const MEASURES = new Set(
  'pinch|pinches|drop|drops|spoon|spoons|scoop|scoops|smear|smears|squirt|squirts|dose|doses|spatula|ml|mls|pipette|pipettes|times|x'.split(
    '|',
  ),
);
const UNITS = /^(ppm|mg\/?l|mg|°|deg|degrees?|d|dgh|dkh|°d|µs|us)$/;
/** Words that say that nothing was done: a slip in one of them must not make it done. */
const HEDGES =
  "none|never|nothing|without|should|would|could|might|almost|nearly|maybe|tomorrow|expected|perhaps|probably|haven't|hasn't|didn't|isn't|wasn't|before|until|unless|think|want|need|going".split(
    '|',
  );
/** Words a time may begin with; asked first, since reading a time is dear. */
const BEGINS_TIME =
  /^(now|an?|last|this|tonight|overnight|at|on|noon|midday|midnight|today|yesterday|(mon|tue|wed|thu|fri|sat|sun|jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\w*)$|^\d.*[:hm-]/;
/** What makes a number before it a time. */
const BEHIND_NUMBER = /^(am|pm|days?|hours?|hrs?|h|minutes?|mins?|(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\w*)$/;
const PLAIN_SLIP = 0.7;

/** Turns the words of a line into what they say, against the names of a house. */
export class ItemReader {
  private i = 0;
  private readonly words: Word[];
  private readonly lows: string[];
  private isSale = false;

  constructor(
    private readonly line: string,
    private readonly context: JotReader,
    private readonly names: Names,
  ) {
    this.words = wordsOf(line);
    this.lows = this.words.map(({ low }) => low);
    this.mendTimes();
  }

  /** Slips in the words of a time: they stand in a row, and each is needed. */
  private mendTimes(): void {
    this.lows.forEach((low, k) => {
      if (this.names.vocabulary.has(low) || numberOf(this.words[k]) || looksLikeTank(low)) return;
      const meant = correct(low, this.names.vocabulary);
      if (meant && TIME_WORDS.includes(meant)) this.lows[k] = meant;
    });
    this.lows.forEach((low, k) => {
      if (!/^(morning|afternoon|evening|night)$/.test(this.lows[k + 1] ?? '') || this.names.vocabulary.has(low)) return;
      const meant = ['this', 'last', 'yesterday'].find((word) => slips(low, word) <= 1);
      if (meant) this.lows[k] = meant;
    });
  }

  /** The items of the line, in order. @throws {JotProblem} for a tank that is not there, a time of the clock that is none */
  read(): Item[] {
    const items: Item[] = [];
    while (this.i < this.words.length) {
      const start = this.i;
      const said = this.tank() ?? this.money() ?? this.time() ?? this.amount() ?? this.known() ?? this.slip();
      if (this.i === start) this.i++;
      items.push(this.item(said ?? { is: 'unknown' }, start, this.i));
    }
    return items;
  }

  private item(said: Said, start: number, end: number): Item {
    const [first, last] = [this.words[start] as Word, this.words[end - 1] as Word];
    const text = this.line.slice(first.from, last.to);
    if (said.is === 'animal' && said.verb === 'sale') this.isSale = true;
    return { ...said, from: first.from, to: last.to, text, low: text.toLowerCase(), breaks: last.breaks, asks: last.asks };
  }

  /** The code of the tank a word names: written as it is, or with other dots, dashes and capitals. */
  private tankOf(word: Word | undefined): string | null {
    if (!word) return null;
    const { tanks } = this.context;
    const exact = tanks.find(({ code }) => code.toLowerCase() === word.low);
    if (exact) return exact.code;
    if (!/\p{L}/u.test(word.low)) return null;
    const alike = tanks.filter(({ code }) => plain(code) === plain(word.low));
    if (alike.length > 1)
      fail('ambiguous', word, `"${word.text}" could be ${alike.map(({ code }) => code).join(' or ')}. Write it in full.`);
    return alike[0]?.code ?? null;
  }
  private span(first: string, last: string): string[] {
    const order = this.context.tanks.map(({ code }) => code).sort(byCode.compare);
    const [from, to] = [order.indexOf(first), order.indexOf(last)].sort((a, b) => a - b) as [number, number];
    return order.slice(from, to + 1);
  }

  private tank(): Said | null {
    const word = this.words[this.i] as Word;
    const one = this.tankOf(word);
    if (one) {
      const dash = this.words[this.i + 1];
      const last =
        dash && !word.breaks && /^([-–—]|until|thru|through)$/.test(dash.low) ? this.tankOf(this.words[this.i + 2]) : null;
      this.i += last ? 3 : 1;
      return { is: 'tank', codes: last ? this.span(one, last) : [one] };
    }
    for (const match of word.text.matchAll(/[-–—]+|\.\.+/g)) {
      const part = (from: number, to: number): Word => {
        const text = word.text.slice(from, to);
        return { ...word, text, low: text.toLowerCase(), from: word.from + from, to: word.from + to };
      };
      const [left, right] = [part(0, match.index), part(match.index + match[0].length, word.text.length)];
      if (!left.text || !right.text) continue;
      const [first, last] = [this.tankOf(left), this.tankOf(right)];
      if (first && last) {
        this.i++;
        return { is: 'tank', codes: this.span(first, last) };
      }
      const stranger = first ? right : last ? left : null;
      if (stranger && looksLikeTank(stranger.low)) this.noTank(stranger);
    }
    if (looksLikeTank(word.low) && !LEXICON.has(word.low) && this.looksLikeOurs(word.low)) this.noTank(word);
    return null;
  }
  /** Whether a word is built as the house's codes are: letters, then digits, with or without a dot. */
  private looksLikeOurs(low: string): boolean {
    const shape = (code: string) =>
      code
        .toLowerCase()
        .replace(/[a-z]+/g, 'a')
        .replace(/\d+/g, '0');
    return (
      this.context.tanks.length === 0 || this.context.tanks.some(({ code }) => shape(code) === shape(low)) || /^[a-z]\d/.test(low)
    );
  }
  private noTank(word: Word): never {
    const codes = this.context.tanks.map(({ code }) => code);
    const near = codes
      .map((code) => ({ code, far: [...code.toLowerCase()].filter((letter, k) => letter !== word.low[k]).length }))
      .sort((a, b) => a.far - b.far)[0];
    const hint = near && near.far <= 1 ? ` Did you mean ${near.code}?` : '';
    return fail('unknownTank', word, `There's no tank ${word.text}.${hint}`);
  }

  private money(): Said | null {
    const found = priceAt(this.words, this.i, this.isSale);
    if (!found) return null;
    this.i = found.next;
    return found.said;
  }

  private time(): Said | null {
    const word = this.words[this.i] as Word;
    const isSince = word.low === 'since' || (word.low === 'from' && this.whenAt(this.i + 1) !== null);
    const at = this.i + (isSince ? 1 : 0);
    const bare = isSince && /^\d{1,4}$/.test(this.lows[at] ?? '');
    // "since 6" is a clock as "at 6" is.
    const read = bare ? readWhen(['at', ...this.lows.slice(at)], 0, this.context) : this.whenAt(at);
    if (!read) return null;
    if (!read.ok) {
      if (read.problem === 'incomplete') return null;
      const wrong = this.words[read.at + (bare ? at - 1 : 0)] ?? word;
      return fail(read.problem, wrong, read.message);
    }
    this.i = at + read.used - (bare ? 1 : 0);
    return { is: 'time', range: isSince ? { from: read.range.from, to: this.context.now } : read.range };
  }
  private whenAt(at: number) {
    const word = this.lows[at] ?? '';
    if (!BEGINS_TIME.test(word) && !(/^\d/.test(word) && BEHIND_NUMBER.test(this.lows[at + 1] ?? ''))) return null;
    // "may", "mar", "sat" alone are seldom days; a day is said with its number or its whole name.
    if (/^(sat|sun)$/.test(word) || (/^(may|mar|dec)$/.test(word) && !/^\d/.test(this.lows[at + 1] ?? ''))) return null;
    return readWhen(this.lows, at, this.context);
  }

  /** Numbers with what stands behind them. */
  private amount(): Said | null {
    const word = this.words[this.i] as Word;
    const score = /^([1-5])\/5$/.exec(word.low);
    if (score) {
      this.i++;
      return { is: 'score', value: Number(score[1]) };
    }
    const part = /^(\d+)\/(\d+)$/.exec(word.low);
    if (part && Number(part[1]) > 0 && Number(part[1]) < Number(part[2])) {
      this.i++;
      return { is: 'share', fraction: Number(part[1]) / Number(part[2]) };
    }
    const number = numberOf(word);
    if (!number) return null;
    const next = number.rest === '' && !word.breaks ? (this.lows[this.i + 1] ?? '') : '';
    const unit = number.rest || next;
    const used = (said: Said): Said => {
      this.i += number.rest === '' ? 2 : 1;
      return said;
    };
    const { value } = number;
    if (unit === '%' || unit === 'percent' || unit === 'pct') {
      if (value <= 0 || value > 100) fail('outOfRange', word, 'A share of the water is above 0 and at most 100 %.');
      return used({ is: 'percent', fraction: value / 100 });
    }
    const degree = /^(?:°|deg)?([cf])$/.exec(unit)?.[1] ?? /^(celsius|fahrenheit)$/.exec(unit)?.[1]?.[0];
    if (degree && !(unit === 'f' && number.rest === '')) return used({ is: 'celsius', value: this.celsius(value, degree, word) });
    // "5 f" are females, "78 F" is a temperature.
    if (unit === 'f' && value > 45) return used({ is: 'celsius', value: this.celsius(value, 'f', word) });
    if (/^(°|deg|degrees?)$/.test(unit)) {
      const follows = this.lows[this.i + (number.rest === '' ? 2 : 1)] ?? '';
      const named = /^(c|f|celsius|fahrenheit)$/.exec(follows)?.[0]?.[0];
      const said = used({
        is: 'celsius',
        value: this.celsius(value, named ?? (this.context.units.temperature === 'degF' ? 'f' : 'c'), word),
      });
      if (named) this.i++;
      return said;
    }
    if (unit === 'mm' || unit === 'cm') return used({ is: 'mm', value: unit === 'cm' ? value * 10 : value });
    const size = (VOLUME_SPELLINGS as Record<string, 'L' | 'mL' | 'galUS' | 'galUK' | undefined>)[unit];
    if (size) return used({ is: 'volume', litres: convert({ value, from: size, to: 'L' }).value });
    if (number.rest && UNITS.test(number.rest)) {
      this.i++;
      return { is: 'number', value, isDecimal: /[.,]/.test(word.low), isThousand: false };
    }
    if (number.rest !== '') return null;
    this.i += UNITS.test(next) ? 2 : 1;
    return { is: 'number', value, isDecimal: !Number.isInteger(value) || /[.,]\d/.test(word.low), isThousand: number.isThousand };
  }
  private celsius(value: number, unit: string, word: Word): number {
    const celsius = unit === 'f' ? convert({ value, from: 'degF', to: 'degC' }).value : value;
    if (celsius < 0 || celsius > 45)
      fail(
        'outOfRange',
        word,
        `A tank is ${this.context.units.temperature === 'degC' ? '0 to 45 °C' : '32 to 113 °F'}; ${word.text} isn't.`,
      );
    return celsius;
  }

  /** The longest row of words that is a name of the house or stands in the lexicon. */
  private known(at = this.i, first?: string): Said | null {
    const low = first ?? this.lows[at] ?? '';
    const rows = Math.max(LONGEST_ROW, this.names.longest, 4);
    for (let length = Math.min(rows, this.words.length - at); length >= 1; length--) {
      if (this.words.slice(at, at + length - 1).some(({ breaks }) => breaks)) continue;
      const words = [low, ...this.lows.slice(at + 1, at + length)].join(' ');
      const vessel = this.context.cultures?.find(({ name }) => name.toLowerCase() === words);
      const outlet = this.isSale || this.lows[at - 1] === 'to' ? this.outletOf(words) : null;
      const groups = this.names.called.get(words);
      const meaning = LEXICON.get(words);
      // What is fed is food, what is sold or moved an animal.
      const isFed = this.words.slice(0, at).some((word) => LEXICON.get(word.low)?.is === 'fed');
      const said: Said | null = vessel
        ? { is: 'vessel', name: vessel.name, food: vessel.food }
        : outlet
          ? { is: 'outlet', name: outlet }
          : groups && !(meaning?.is === 'food' && isFed)
            ? { is: 'names', groups, called: words }
            : (meaning ?? (MEASURES.has(words) ? { is: 'measure' } : null));
      if (!said) continue;
      if (length === 1 && !this.fits(said, at)) {
        if (low !== 'on') continue;
        this.i = at + 1;
        return { is: 'filler' };
      }
      this.i = at + length;
      return said;
    }
    return null;
  }
  /** Whether a short word means what it may mean where it stands. */
  private fits(said: Said, at: number): boolean {
    const low = this.lows[at] ?? '';
    const before = numberOf(this.words[at - 1])?.rest === '';
    const behind = numberOf(this.words[at + 1]) !== null;
    if (low === 'm' || low === 'f') return before;
    if (low === 't') return behind;
    if (low === 'c' || low === 'ca' || low === 'near' || low === 'say' || low === 'some') return behind;
    if (said.is === 'culture' && low === 'new') return LEXICON.get(this.lows[at + 1] ?? '')?.is === 'food';
    if (said.is === 'state' && low === 'on') return this.lows.some((word) => LEXICON.get(word)?.is === 'part');
    return true;
  }
  private outletOf(words: string): string | null {
    const outlets = this.context.outlets ?? [];
    const whole = outlets.find((name) => name.toLowerCase() === words || name.toLowerCase().replace(/^the /, '') === words);
    if (whole) return whole;
    if (words.length < 4 || /^(the|shop|aquatics|exchange|glass|auction|club)$/.test(words)) return null;
    const some = outlets.filter((name) =>
      name
        .toLowerCase()
        .split(/[\s']+/)
        .includes(words),
    );
    return some.length === 1 ? (some[0] ?? null) : null;
  }

  /** A word nobody knows, read as the one that was meant. */
  private slip(): Said | null {
    const word = this.words[this.i] as Word;
    if (!/^[\p{L}'-]+$/u.test(word.low)) return null;
    const meant = correct(word.low, this.names.vocabulary);
    // A slip of a word that says nothing is itself unsure: only a plain one is passed over.
    if (meant && LEXICON.get(meant)?.is === 'filler' && (word.low.length < 5 || slips(word.low, meant) > PLAIN_SLIP)) return null;
    if (meant) return this.known(this.i, meant);
    // Near a "not" or an "almost" nothing is taken for done.
    const isNear = word.low.length >= 4 && !EVERYDAY.has(word.low) && HEDGES.some((hedge) => slips(word.low, hedge, 1) <= 1);
    return isNear ? { is: 'hedge' } : null;
  }
}
