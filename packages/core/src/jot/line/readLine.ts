import type { TimeRange } from '../../time';
import { formatNumber } from '../../units';
import { isDeed, isHeated, temperatureOf, type Bare } from './bareNumber';
import { Clause, type Draft } from './clause';
import { chooseGroup, tankOfAnimals } from './groups';
import { ItemReader } from './items';
import type { Item } from './said';
import { joinNumbers, joinSpans, joinWhites, markDestinations, refuseTwice } from './joins';
import { fail, HELP, JotProblem, JotQuestion, type JotRead, type JotReader, type PlacedLog, type Span } from '../jotTypes';
import { namesOf, type Names } from '../words/names';
import { PHRASES } from './phrases';

/** A stretch of a line that speaks of some tanks. */
interface Segment {
  tanks: string[];
  tankAt: Span | null;
  items: Item[];
  tanksFirst: boolean;
  /** The characters it reaches over. */
  from: number;
  to: number;
  when: TimeRange | null;
}

class LineReader {
  private readonly segments: Segment[] = [];
  private raw: Item[] = [];

  constructor(
    private readonly line: string,
    private readonly context: JotReader,
    private readonly names: Names,
  ) {}

  private begin(tanksFirst: boolean, tanks: string[] = [], tankAt: Span | null = null): Segment {
    const begun: Segment = { tanks, tankAt, items: [], tanksFirst, from: Infinity, to: 0, when: null };
    this.segments.push(begun);
    return begun;
  }

  /** Shares the items out: tanks before what is said of them, or behind it. */
  private share(items: readonly Item[]): void {
    const isSaid = ({ items: own }: Segment) => own.some(({ is }) => is !== 'filler' && is !== 'about');
    let isFresh = false;
    const reach = (item: Item) => {
      const segment = this.segments.at(-1);
      if (segment)
        Object.assign(segment, {
          from: Math.min(segment.from, item.from),
          to: Math.max(segment.to, item.to + (item.asks ? 1 : 0)),
        });
    };
    for (const item of items) {
      const last = this.segments.at(-1);
      if (item.is === 'tank') {
        if (last && (!isSaid(last) || (!last.tanksFirst && (last.tanks.length === 0 || isFresh)))) {
          last.tanks.push(...item.codes);
          last.tankAt ??= item;
        } else this.begin(true, [...item.codes], item);
        isFresh = true;
        reach(item);
        continue;
      }
      if (item.is === 'time') {
        const segment = last ?? this.begin(false);
        if (segment.when) fail('ambiguous', item, 'There are two times in this line. Which one?');
        segment.when = item.range;
        reach(item);
        continue;
      }
      const isQuiet = item.is === 'filler';
      const isClosed = !isQuiet && last && !last.tanksFirst && last.tanks.length > 0;
      const segment = last && !isClosed ? last : this.begin(false);
      segment.items.push(item);
      reach(item);
      if (!isQuiet) isFresh = false;
    }
  }

  read(): PlacedLog[] {
    const raw = new ItemReader(this.line, this.context, this.names).read();
    const whole = { from: 0, to: this.line.length };
    if (raw.length === 0) return fail('incomplete', whole, 'Start with a tank, such as A1.2.');
    this.raw = joinSpans(markDestinations(raw), this.context);
    this.share(this.raw);
    // With one stretch of tanks, all that is said is about them.
    const named = this.segments.filter(({ tanks }) => tanks.length > 0);
    const times = this.segments.flatMap(({ when }) => (when ? [when] : []));
    if (named.length <= 1 && times.length > 1) fail('ambiguous', whole, 'There are two times in this line. Which one?');
    const merged: Segment[] =
      named.length <= 1
        ? [
            {
              tanks: [...new Set(named[0]?.tanks ?? [])],
              tankAt: named[0]?.tankAt ?? null,
              items: this.segments.flatMap(({ items }) => items),
              tanksFirst: named[0]?.tanksFirst ?? false,
              from: Math.min(...this.segments.map(({ from }) => from)),
              to: Math.max(...this.segments.map(({ to }) => to)),
              when: times[0] ?? null,
            },
          ]
        : this.segments;
    const shared = times.length === 1 ? (times[0] ?? null) : null;
    return merged.flatMap((segment) => this.logsOf(segment, segment.when ?? shared));
  }

  /** What a stretch says in the keeper's words, without the tanks it is kept with. */
  private wholeNote({ from, to }: Segment): Draft {
    const stretch = { from, to };
    const tanks = this.raw.filter((item) => item.is === 'tank' && item.from >= from && item.to <= to);
    const parts: string[] = [];
    let at = from;
    for (const tank of tanks) {
      parts.push(this.line.slice(at, tank.from));
      at = tank.to;
    }
    parts.push(this.line.slice(at, to));
    const text = parts
      .join(' ')
      .replace(/\s+/g, ' ')
      .replace(/^[\s,:;-]+|(?:\s+(?:in|at|to|from|of))?[\s,;]*$/g, '');
    return { phrase: { kind: 'note', text: text || this.line.slice(from, to) }, at: stretch };
  }

  private clausesOf({ items, tanks }: Segment): Clause[] {
    // Animals that live in none of the tanks named are not those of the house that are called so.
    const ours = (item: Item): Item => {
      if (item.is !== 'names' || tanks.length === 0) return item;
      const groups = item.groups.filter(({ tank }) => tanks.includes(tank));
      return groups.length > 0 ? { ...item, groups } : { ...item, is: 'unknown' };
    };
    const clauses: Item[][] = [[]];
    for (const item of items) {
      clauses.at(-1)?.push(ours(item));
      if (item.breaks) clauses.push([]);
    }
    return joinNumbers(clauses.filter((own) => own.length > 0)).map(
      (own) => new Clause(own, this.line, this.context, tanks.length > 0),
    );
  }

  private logsOf(segment: Segment, when: TimeRange | null): PlacedLog[] {
    const whole = { from: 0, to: this.line.length };
    if (segment.items.every(({ is }) => is === 'filler') && segment.when === null)
      fail(
        'incomplete',
        segment.tankAt ?? whole,
        `What did you see${segment.tanks[0] ? ` in ${segment.tanks[0]}` : ''}? ${HELP}`,
      );
    const { drafts, notes } = this.understand(segment);
    const tanks = this.tanksOf(segment, drafts, notes);
    const { from, to } = when ?? { from: this.context.now, to: this.context.now };
    // A line that is all note is kept as it was typed, with its times.
    if (drafts.length === 0) return tanks.map((tank) => this.place(this.wholeNote(segment), tank, exactlyNow(this.context)));
    const all = [...drafts, ...notes].sort((a, b) => a.at.from - b.at.from);
    refuseTwice(all);
    return tanks.flatMap((tank) => all.map((draft) => this.place(draft, draft.from ?? tank, { from, to })));
  }

  /** What the clauses of a stretch say; what is not understood stays as notes in the keeper's words. */
  private understand(segment: Segment): { drafts: Draft[]; notes: Draft[] } {
    const drafts: Draft[] = [];
    const notes: Draft[] = [];
    const bare: Bare[] = [];
    const clauses = this.clausesOf(segment);
    clauses.forEach((clause, c) => {
      const doubtful = clause.items.some(({ is, asks }) => asks || is === 'hedge');
      if (doubtful) {
        notes.push(...this.notesOf(clause, () => true));
        return;
      }
      // "fed bbs, left some": how much was eaten stands behind a comma.
      const last = drafts.at(-1);
      if (last?.phrase.kind === 'feed' && clause.isOnly('ate')) {
        const [ate] = clause.free('ate');
        if (ate) last.phrase = { ...last.phrase, ate: ate.item.ate };
        return;
      }
      // "3 gone, heron": why stands behind a comma.
      if (last?.phrase.kind === 'loss' && last.phrase.cause === null && clause.isOnly('cause', 'animal')) {
        const [why] = [...clause.free('cause'), ...clause.free('animal').filter(({ item }) => item.verb === 'loss')];
        if (why?.item.cause) {
          last.phrase = { ...last.phrase, cause: why.item.cause };
          clause.take(why.k);
        }
      }
      const own = PHRASES.flatMap(({ read }) => read(clause)).sort((a, b) => a.at.from - b.at.from);
      joinWhites(own, drafts);
      drafts.push(...own);
      for (const { item, k } of clause.free('number')) {
        const isAlone = clause.items.every(
          (one, i) => clause.used[i] || one.is === 'number' || one.is === 'filler' || one.is === 'about',
        );
        // "25.1 all ok": a temperature of a heated tank, right behind its code, whatever stands behind it.
        const leads = c === 0 && clause.items.slice(0, k).every((one) => one.is === 'filler');
        if (isDeed(clause) || (!isAlone && !(leads && isHeated(item, this.context)))) continue;
        const isAbout = clause.has('about');
        bare.push({ item, isFirst: leads && !isAbout, isAbout });
        clause.take(k);
      }
      notes.push(...this.notesOf(clause, (k) => !clause.used[k]));
    });
    drafts.push(...temperatureOf(this.line, this.context, bare, drafts, notes));
    return { drafts, notes };
  }

  /** Stretches of a clause in the keeper's words. @param isLeft - which of its items are not understood */
  private notesOf(clause: Clause, isLeft: (k: number) => boolean): Draft[] {
    const found: Draft[] = [];
    let open: { from: number; to: number; said: boolean } | null = null;
    const close = () => {
      if (open?.said)
        found.push({
          phrase: { kind: 'note', text: this.line.slice(open.from, open.to).trim() },
          at: { from: open.from, to: open.to },
        });
      open = null;
    };
    clause.items.forEach((item, k) => {
      if (!isLeft(k)) return close();
      const isQuiet = item.is === 'filler' || item.is === 'about';
      if (!open) {
        if (!isQuiet || (isLeft(k) && item.is === 'about'))
          open = { from: item.from, to: item.to + (item.asks ? 1 : 0), said: !isQuiet };
        return;
      }
      if (!isQuiet) open = { from: open.from, to: item.to + (item.asks ? 1 : 0), said: true };
    });
    close();
    return found;
  }

  /** The tanks a stretch is about: those it names, or the one where the animals it names live. */
  private tanksOf(segment: Segment, drafts: readonly Draft[], notes: readonly Draft[]): (string | null)[] {
    if (segment.tanks.length > 0) return [...new Set(segment.tanks)];
    const found = tankOfAnimals(this.line, drafts, segment.items, this.context);
    if (found) return [found];
    if (
      drafts.length > 0 &&
      notes.length === 0 &&
      drafts.every(({ phrase }) => phrase.kind === 'culture' || phrase.kind === 'harvest')
    )
      return [null];
    const first = segment.items.find(({ is }) => is !== 'filler') ?? { from: 0, to: this.line.length };
    return fail('incomplete', drafts[0]?.at ?? first, 'Which tank? Write its code, such as A1.2.');
  }

  /** One draft in one tank, with the group that is meant. */
  private place({ phrase, at, named, age }: Draft, code: string | null, { from, to }: TimeRange): PlacedLog {
    const tank = this.context.tanks.find((one) => one.code === code);
    if (tank && phrase.kind === 'change' && 'litres' in phrase && phrase.litres > tank.litres * 1.0001)
      fail('outOfRange', at, `${tank.code} holds ${formatNumber(tank.litres, 3)} L.`);
    if (phrase.kind === 'move' && phrase.toTank === code) fail('outOfRange', at, `They are in ${code ?? ''} already.`);
    const chosen = tank ? chooseGroup(this.line, { phrase, at, named: named ?? null, age: age ?? null }, tank) : {};
    return {
      ...phrase,
      ...(chosen.group === undefined ? {} : { group: chosen.group }),
      tank: code,
      from,
      to,
      at: { from: at.from, to: at.to },
      ...(chosen.of === undefined ? {} : { of: chosen.of }),
    };
  }
}

const exactlyNow = ({ now }: JotReader): TimeRange => ({ from: now, to: now });

/**
 * Reads a jotted line as a keeper writes it with wet hands, against the house: tanks anywhere in it, single, several or as a span, or the
 * animals that live in one; what was seen or done; and when. What is not understood is kept as a note; where two things may be meant, it
 * asks. Nothing is logged by reading. Source: docs/sources.md#jot
 */
export function readLine(line: string, reader: JotReader, names: Names = namesOf(reader.tanks)): JotRead {
  const context = { ...reader, now: new Date(reader.now).toISOString() };
  const wordAt = ({ from, to }: Span) => line.slice(from, to);
  try {
    return { kind: 'logs', logs: new LineReader(line, context, names).read() };
  } catch (error) {
    if (error instanceof JotQuestion) {
      const { at, question, choices } = error;
      return { kind: 'ask', ask: { from: at.from, to: at.to, word: wordAt(at), question, choices } };
    }
    if (!(error instanceof JotProblem)) throw error;
    return {
      kind: 'error',
      problem: { error: error.error, from: error.at.from, to: error.at.to, word: wordAt(error.at), message: error.message },
    };
  }
}
