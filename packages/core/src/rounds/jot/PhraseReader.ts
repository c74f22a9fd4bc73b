import { closest, distance } from 'fastest-levenshtein';
import type { Food } from '../../species';
import type { LossCause } from '../../stock';
import { readWhen } from '../../time';
import { AmountReader } from './AmountReader';
import { besides, isNumber, looksLikeTank } from './jotTokens';
import { fail, type JotGroup, type JotPhrase, type Read, type Word } from './jotTypes';
import {
  CAUSE_WORDS,
  CHANGED,
  COUNTED_BY_WORD,
  FED,
  FILLERS,
  FOODS_BY_NAME,
  GROUPS,
  HARVESTED,
  JOT_READINGS,
  LOSS_BY_ITSELF,
  READING_BY_WORD,
  SAW,
  SEXES,
  SIGNS_BY_WORDS,
  type Counted,
  type JotReading,
} from './jotWords';

/** Phrases of a line: what was seen, done, fed, lost or moved. */
export class PhraseReader extends AmountReader {
  /** A food by one of its names, at a word. */
  protected food(at: number): { food: Food; used: number } | null {
    for (const [name, food] of FOODS_BY_NAME)
      if (name.every((part, k) => this.words[at + k]?.low === part)) return { food, used: name.length };
    return null;
  }

  protected fed(kind: 'feed' | 'harvest', named: Word): { phrase: JotPhrase; next: number } {
    let at = this.i + 1;
    while (FILLERS.has(this.words[at]?.low ?? '')) at++;
    const found = this.food(at);
    const word = this.words[at];
    if (found) return { phrase: { kind, food: found.food }, next: at + found.used };
    if (!word || named.breaks || this.startsPhrase(at))
      return fail('incomplete', named, `Which food? Write it behind "${named.text}".`);
    const names = FOODS_BY_NAME.map(([name]) => name.join(' '));
    const near = closest(word.low, names);
    return fail(
      'notUnderstood',
      word,
      `"${word.text}" is no food known here.${distance(word.low, near) <= 3 ? ` Did you mean ${near}?` : ''}`,
    );
  }

  /** Whether a tank, a time or another phrase begins at a word. */
  protected startsPhrase(at: number): boolean {
    const word = this.words[at];
    if (!word) return true;
    const before = this.i;
    this.i = at;
    const tank = this.tanksHere();
    this.i = before;
    return (
      tank !== null ||
      word.low === 'since' ||
      COUNTED_BY_WORD.has(word.low) ||
      READING_BY_WORD.has(word.low) ||
      this.whenAt(at) !== null
    );
  }

  protected whenAt(at: number) {
    return readWhen(this.lows, at, this.context);
  }

  /** Counted animals or eggs: the word, with a number before or behind it. */
  protected counted(kind: Counted, named: Word, count: Word | null, next: number, meant: JotGroup = {}): Read {
    let at = next;
    const skip = () => {
      while (FILLERS.has(this.words[at]?.low ?? '') && !this.words[at - 1]?.breaks) at++;
    };
    const number = count ? this.wholeOf(count) : null;
    const needed = () => number ?? fail('incomplete', named, `How many? Write a number beside "${named.text}".`);
    const some = () => {
      if (needed() === 0) fail('outOfRange', count ?? named, 'At least one.');
      return needed();
    };
    let cause: LossCause | null = kind === 'loss' ? (CAUSE_WORDS[named.low] ?? null) : null;
    // What stands behind the number: "2 females", "of the young", "jumped"; a cause may follow a comma.
    const qualify = () => {
      for (;;) {
        const after = this.words[at - 1]?.breaks ?? false;
        if (!after) skip();
        const low = this.words[at]?.low ?? '';
        const [sex, group, why]: [JotGroup['sex'], JotGroup['group'], LossCause | undefined] = [
          SEXES[low],
          GROUPS[low],
          CAUSE_WORDS[low],
        ];
        if (kind === 'loss' && why && !cause && !(after && isNumber(this.words[at + 1]))) cause = why;
        else if (after) return;
        else if (sex && !meant.sex) meant.sex = sex;
        else if (group && !meant.group) meant.group = group;
        else if (!(kind === 'loss' && (low === 'eggs' || low === 'egg') && !isNumber(this.words[at + 1]))) return;
        at++;
      }
    };
    switch (kind) {
      case 'hatched':
      case 'freeSwimming':
      case 'released':
        if (number === null && this.words[at]?.low === 'all') at++;
        return { phrase: { kind: 'stage', stage: kind, count: number }, next: at };
      case 'eggs':
        return { phrase: { kind: 'eggs', count: some(), white: null }, next: at };
      case 'white':
        return { phrase: { kind: 'white', count: needed() }, next: at };
      case 'count':
        qualify();
        return { phrase: { kind: 'count', count: needed(), ...meant }, next: at };
      case 'sale':
        qualify();
        // "to the shop": to whom is kept with the sale, not with the line.
        if (this.words[at]?.low === 'to' && !this.words[at - 1]?.breaks) {
          at++;
          skip();
          if (this.words[at] && !this.startsPhrase(at)) at++;
        }
        return { phrase: { kind: 'sale', count: some(), ...meant }, next: at };
      case 'loss':
        qualify();
        return { phrase: { kind: 'loss', count: some(), cause, ...meant }, next: at };
      case 'move': {
        skip();
        const all = number === null && this.words[at]?.low === 'all';
        if (all) at++;
        qualify();
        // "moved 5 from A1 to B2" names its tank inside; "moved 5 B2" leaves out the "to".
        const beside = this.tankOf(this.words[at]);
        const isTo = (word: Word | undefined) => /^(to|into|->|→|>)$/.test(word?.low ?? '');
        const from = beside && isTo(this.words[at + 1]) ? beside : null;
        if (beside && !from)
          return { phrase: { kind: 'move', count: all ? null : some(), toTank: beside, ...meant }, next: at + 1 };
        if (from) at++;
        const to = this.words[at];
        if (!to || !isTo(to)) return fail('incomplete', named, 'Where to? Write "moved 5 to B1".');
        at++;
        const into = this.words[at];
        const toTank = this.tankOf(into);
        if (!into) return fail('incomplete', to, 'Into which tank?');
        if (!toTank) return looksLikeTank(into.low) ? this.noTank(into) : this.notUnderstood(into);
        return {
          phrase: { kind: 'move', count: all ? null : some(), toTank, ...meant },
          next: at + 1,
          ...(from ? { from } : {}),
        };
      }
    }
  }

  /** The meaning of a counted word or a reading, for numbers that stand before it. */
  protected meaning(word: Word | undefined): Counted | JotReading | null {
    if (!word) return null;
    if (LOSS_BY_ITSELF.has(word.low)) return 'loss';
    const counted = COUNTED_BY_WORD.get(word.low);
    return counted ?? READING_BY_WORD.get(word.low) ?? null;
  }

  /** Whether a number belongs to the word behind it: so when the run of numbers and words taken in turn ends with a word. */
  protected numberFirst(): boolean {
    let at = this.i;
    for (;;) {
      const number = this.words[at];
      if (!isNumber(number)) return true;
      if (number.breaks) return false;
      let word = at + 1;
      while (besides(this.words[word]?.low)) word++;
      const named = this.words[word];
      if (!named || !this.meaning(named)) return false;
      if (named.breaks) return true;
      at = word + 1;
      if (named.low === 'free' && this.words[at]?.low === 'swimming') at++;
    }
  }

  /** One phrase at the current word; null when it begins none. */
  protected phrase(): Read | null {
    const word = this.word as Word;
    const { low } = word;
    if (low === 'all' && ['hatched', 'freeSwimming', 'released'].includes(this.meaning(this.words[this.i + 1]) ?? '')) {
      this.i++;
      return this.phrase();
    }
    if (SAW.has(low)) {
      let end = this.i + 1;
      while (this.words[end] && !this.words[end - 1]?.breaks) end++;
      if (word.breaks || !this.words[this.i + 1])
        return fail('incomplete', word, `What was seen? Write it behind "${word.text}".`);
      const text = this.line.slice(this.words[this.i + 1]?.from, this.words[end - 1]?.to);
      return { phrase: { kind: 'sign', text }, next: end };
    }
    if (CHANGED.has(low)) return this.change(word);
    if (FED.has(low)) return this.fed('feed', word);
    if (HARVESTED.has(low)) return this.fed('harvest', word);
    const joined = /^(ph|gh|kh|tds|temp|no3|no2|nh3|nh4|o2)(?:[=:]|(?<=ph|gh|kh|tds|temp))([\d.,].*)$/.exec(low);
    if (joined?.[1] && joined[2]) {
      const what = READING_BY_WORD.get(joined[1]) ?? 'ph';
      const number: Word = { ...word, text: joined[2], low: joined[2], from: word.to - joined[2].length };
      const at = this.i;
      this.words.splice(at, 1, { ...word, text: joined[1], low: joined[1], to: number.from, breaks: false }, number);
      return this.reading(what, word, at + 1);
    }
    const what = READING_BY_WORD.get(low);
    if (what) return this.reading(what, word, this.i + 1);
    const counted = this.meaning(word) as Counted | null;
    if (counted) {
      let at = this.i + 1;
      if (low === 'free' && this.words[at]?.low === 'swimming') at++;
      const breaks = this.words[at - 1]?.breaks;
      while (!breaks && FILLERS.has(this.words[at]?.low ?? '')) at++;
      const number = !breaks && isNumber(this.words[at]) ? (this.words[at] as Word) : null;
      // A number that a word behind it needs more: "eggs 18 white" is no clutch of 18.
      const belongs =
        number &&
        !number.breaks &&
        !number.text.includes(',') &&
        this.meaning(this.words[at + 1]) === 'white' &&
        counted !== 'white' &&
        !isNumber(this.words[at + 2]);
      return this.counted(counted, word, belongs ? null : number, number && !belongs ? at + 1 : at);
    }
    if (isNumber(word)) {
      let at = this.i + 1;
      const meant: JotGroup = {};
      for (; !this.words[at - 1]?.breaks && besides(this.words[at]?.low); at++) {
        const low = this.words[at]?.low ?? '';
        if (SEXES[low]) meant.sex = SEXES[low];
        if (GROUPS[low]) meant.group = GROUPS[low];
      }
      const named = this.words[at];
      const means = this.words[at - 1]?.breaks ? null : this.meaning(named);
      if (named && means && this.numberFirst()) {
        if (means in JOT_READINGS) {
          const read = this.reading(means as JotReading, named, this.i);
          return { ...read, next: at + 1 };
        }
        const twice = named.low === 'free' && this.words[at + 1]?.low === 'swimming' ? 1 : 0;
        return this.counted(means as Counted, named, word, at + 1 + twice, meant);
      }
    }
    const changed = this.changedBefore();
    if (changed) return changed;
    if (/^\d+([.,]\d+)?%$/.test(low)) return fail('incomplete', word, `${word.text} of what? Write "change ${word.text}".`);
    const sign = SIGNS_BY_WORDS.find((parts) => parts.every((part, k) => this.words[this.i + k]?.low === part));
    if (sign) return { phrase: { kind: 'sign', text: sign.join(' ') }, next: this.i + sign.length };
    const read = this.temperature();
    return read ? { phrase: { kind: 'reading', what: 'temperature', value: read.celsius }, next: this.i + read.used } : null;
  }
}
