import { CalculationError } from '../../errors';
import { readWhen, type TimeRange } from '../../time';
import { formatNumber } from '../../units';
import { looksLikeTank } from './jotTokens';
import {
  fail,
  HELP,
  JotProblem,
  plain,
  type JotLog,
  type JotPhrase,
  type JotRead,
  type JotReader,
  type Phrase,
  type Segment,
  type Word,
} from './jotTypes';
import { FILLERS } from './jotWords';
import { PhraseReader } from './PhraseReader';

/** A whole line: its phrases, its times, and which tanks each is about. */
class LineReader extends PhraseReader {
  private readonly segments: (Segment & { tanksFirst: boolean })[] = [];

  /** A time at the current word, with "since" before it. */
  private time(): { range: TimeRange; next: number } | null {
    const word = this.word as Word;
    const since = word.low === 'since' || (word.low === 'from' && this.whenAt(this.i + 1) !== null);
    const at = this.i + (since ? 1 : 0);
    const bare = since && /^\d{1,4}$/.test(this.words[at]?.low ?? '');
    // "since 6" is a clock as "at 6" is.
    const read = bare ? readWhen(['at', ...this.lows.slice(at)], 0, this.context) : this.whenAt(at);
    if (!read) {
      if (!since) return null;
      const next = this.words[at];
      return fail('incomplete', next ?? word, `After "${word.text}" a time is needed, such as 22:00.`);
    }
    const shift = bare ? at - 1 : 0;
    if (!read.ok) return fail(read.problem, this.words[read.at + shift] ?? word, read.message);
    const next = at + read.used - (bare ? 1 : 0);
    return { range: since ? { from: read.range.from, to: this.context.now } : read.range, next };
  }

  read(): (JotLog & { at: { from: number; to: number } })[] {
    if (this.words.length === 0) return fail('incomplete', { from: 0, to: this.line.length }, 'Begin with a tank, such as A1.2.');
    let all: Word | null = null;
    while (this.word) {
      const word = this.word;
      const tanks = this.tanksHere();
      if (tanks) {
        const last = this.segments.at(-1);
        if (last && (last.phrases.length === 0 || (!last.tanksFirst && last.tanks.length > 0 && !all)))
          last.tanks.push(...tanks.codes);
        else if (last && !last.tanksFirst && last.tanks.length === 0) last.tanks.push(...tanks.codes);
        else this.segments.push({ tanks: [...tanks.codes], phrases: [], when: null, tanksFirst: true });
        all = null;
        this.i += tanks.used;
        continue;
      }
      const time = this.time();
      if (time) {
        const segment = this.segment();
        if (segment.when) fail('ambiguous', word, 'Two times stand in this line: which is meant?');
        segment.when = time.range;
        this.i = time.next;
        continue;
      }
      const phrase = this.phrase();
      if (phrase) {
        all = word;
        const segment = this.segment(true);
        segment.phrases.push({ ...phrase.phrase, word });
        if (phrase.from) segment.tanks.push(phrase.from);
        this.i = phrase.next;
        continue;
      }
      if (FILLERS.has(word.low)) this.i++;
      else if (looksLikeTank(word.low)) this.noTank(word);
      else this.notUnderstood(word);
    }
    return this.logs();
  }

  /** The stretch a phrase or a time belongs to. @param isPhrase - one that must not follow tanks named behind their phrases */
  private segment(isPhrase = false): Segment & { tanksFirst: boolean } {
    const last = this.segments.at(-1);
    const closed = isPhrase && last && !last.tanksFirst && last.tanks.length > 0;
    if (last && !closed) return last;
    const begun = { tanks: [], phrases: [], when: null, tanksFirst: false };
    this.segments.push(begun);
    return begun;
  }

  private logs(): (JotLog & { at: { from: number; to: number } })[] {
    const whole = { from: 0, to: this.line.length };
    // "25.5 A1.1 lost 2": with one stretch of tanks, all that is said is about them.
    const named = this.segments.filter(({ tanks }) => tanks.length > 0);
    const merged =
      named.length === 1 && named[0]
        ? [
            {
              tanks: named[0].tanks,
              phrases: this.segments.flatMap(({ phrases }) => phrases),
              when: this.segments.find(({ when }) => when)?.when ?? null,
            },
          ]
        : this.segments;
    const times = this.segments.flatMap(({ when }) => (when ? [when] : []));
    if (named.length === 1 && times.length > 1) fail('ambiguous', whole, 'Two times stand in this line: which is meant?');
    if (merged.length === 0) fail('incomplete', whole, `What was seen? ${HELP}`);
    const exactly = { from: this.context.now, to: this.context.now };
    return merged.flatMap(({ tanks, phrases, when }) => {
      const first = phrases[0]?.word ?? this.words[0] ?? whole;
      if (tanks.length === 0) fail('incomplete', first, 'Which tank? Write its code, such as A1.2.');
      if (phrases.length === 0) fail('incomplete', this.lastTankWord(tanks) ?? whole, `What was seen? ${HELP}`);
      const checked = joinWhites(phrases);
      refuseTwice(checked);
      const range = when ?? (times.length === 1 ? times[0] : null) ?? exactly;
      return [...new Set(tanks)].flatMap((tank) =>
        checked.map(({ word, ...phrase }) => {
          this.checkAgainst(tank, phrase, word);
          return { ...phrase, tank, from: range.from, to: range.to, at: { from: word.from, to: word.to } };
        }),
      );
    });
  }

  private lastTankWord(codes: readonly string[]): Word | undefined {
    return this.words.findLast((word) => codes.some((code) => plain(word.low).includes(plain(code))));
  }

  /** What a tank must be for a phrase to be about it. */
  private checkAgainst(code: string, phrase: JotPhrase, word: Word): void {
    const tank = this.context.tanks.find((candidate) => candidate.code === code);
    if (!tank) return;
    if (phrase.kind === 'change' && 'litres' in phrase && phrase.litres > tank.litres * 1.0001)
      fail('outOfRange', word, `${code} holds ${formatNumber(tank.litres, 3)} L.`);
    if (['loss', 'count', 'move', 'sale'].includes(phrase.kind)) {
      const said = 'sex' in phrase || 'group' in phrase;
      if (tank.groups > 1 && !said) fail('ambiguous', word, `${code} holds ${tank.groups} groups; which is meant?`);
      if (tank.groups === 0) fail('outOfRange', word, `Nobody is booked in ${code}.`);
    }
    if (phrase.kind === 'move' && phrase.toTank === code) fail('outOfRange', word, `They are in ${code} already.`);
  }
}

/** "eggs 120, 18 white" is one clutch with its white eggs. */
function joinWhites(phrases: readonly Phrase[]): Phrase[] {
  const white = phrases.find((phrase) => phrase.kind === 'white');
  const eggs = phrases.find((phrase) => phrase.kind === 'eggs');
  if (white?.kind !== 'white' || eggs?.kind !== 'eggs') return [...phrases];
  if (white.count > eggs.count) fail('outOfRange', white.word, `More white eggs (${white.count}) than eggs (${eggs.count}).`);
  return phrases.flatMap((phrase) => (phrase === white ? [] : phrase === eggs ? [{ ...eggs, white: white.count }] : [phrase]));
}

/** The same thing twice for one tank: which is meant cannot be known. */
function refuseTwice(phrases: readonly Phrase[]): void {
  const seen = new Set<string>();
  for (const phrase of phrases) {
    const key = phrase.kind === 'reading' ? phrase.what : phrase.kind === 'stage' ? phrase.stage : phrase.kind;
    const single = phrase.kind === 'reading' || ['change', 'count', 'eggs', 'stage', 'move'].includes(phrase.kind);
    if (single && seen.has(key)) fail('ambiguous', phrase.word, `"${phrase.word.text}" says the same once more: which is meant?`);
    seen.add(key);
  }
}

/**
 * Reads a jotted line as a keeper writes it with wet hands: tanks anywhere in it, single, several or as a span, what was seen or done,
 * and when. Nothing is logged by reading, and animals are looked up later. Source: docs/sources.md#jot
 */
export function readJot(line: string, context: JotReader): JotRead {
  try {
    return { ok: true, logs: new LineReader(line, context).read() };
  } catch (error) {
    if (!(error instanceof JotProblem)) throw error;
    const { from, to, message } = error;
    return { ok: false, problem: { error: error.error, word: line.slice(from, to), from, to, message } };
  }
}

/**
 * A line as logs, for those who ask without a house.
 * @throws CalculationError notUnderstood, unknownTank, ambiguous, outOfRange or incomplete, with the word that stands in the way
 */
export function jotLogs({ line, ...reader }: JotReader & { line: string }): { logs: JotLog[] } {
  const read = readJot(line, reader);
  if (!read.ok) throw new CalculationError(read.problem.error, 'line', read.problem.message, read.problem.word);
  return { logs: read.logs.map(({ at: _at, ...log }) => log) };
}
