import type { Day, Instant } from '../time';

/** What a tick asks to be told. */
export interface Asks {
  label: string;
  /** A temperature is read in either unit, a count is whole, a sighting is answered by not yet, some or all. */
  of: 'temperature' | 'count' | 'sighting';
  unit: string;
  /** Whether the tick means nothing without it. */
  needed: boolean;
}

/** A kind of chore, declared once by the area that asks for it. */
export interface ChoreKind {
  /** What its key begins with; unique over all areas. */
  name: string;
  /** Rough time it takes, s. */
  seconds: number;
  /** `do` is ticked; `watch` is looked for and may be logged. */
  way: 'do' | 'watch';
  /** What it is in two or three words, for lists of kinds. */
  words: string;
  /** Once due it stays until it is done: a coming day does not ask for it again. */
  stays: boolean;
  /** Kinds of the same tank and day that need not be done beside it. */
  covers: readonly string[];
  /** What is typed beside it; null when a tick says all, or changes the planned amount. */
  asks: Asks | null;
  /** Takes its time and is bound to no hour: it goes on the walk the house has time on. */
  anyHour: boolean;
  /** A meal: all of one stop and walk are one line. */
  meal: boolean;
}

/** Declares an area's kinds of chores, each under its name. `way` is `do`, `covers` empty and nothing asked by default. */
export function choreKinds<Name extends string>(
  kinds: Record<
    Name,
    Pick<ChoreKind, 'seconds' | 'words'> & Partial<Pick<ChoreKind, 'way' | 'covers' | 'asks' | 'stays' | 'meal' | 'anyHour'>>
  >,
): Record<Name, ChoreKind> {
  const declared = {} as Record<Name, ChoreKind>;
  for (const name of Object.keys(kinds) as Name[])
    declared[name] = { name, way: 'do', stays: false, anyHour: false, covers: [], asks: null, meal: false, ...kinds[name] };
  return declared;
}

/** What ticking a chore logs besides the chore itself: a tick's kind, what it is about, and a word more where that is not enough. */
export interface Tick {
  kind: string;
  id: string | null;
  what: string | null;
}

/** A tick. @param what - such as the food of a culture; none by default */
export const tick = (kind: string, id: string | null, what: string | null = null): Tick => ({ kind, id, what });

/** What was logged for a chore. */
export interface Outcome {
  entryId: string;
  status: 'done' | 'skipped';
  amount: number | null;
  by: string;
}

/** One thing to do or to look for at a stop; computed, never stored. */
export interface Chore {
  /** Stable for one subject and day, so that an outcome finds its chore again. */
  key: string;
  kind: string;
  way: 'do' | 'watch';
  seconds: number;
  covers: readonly string[];
  asks: Asks | null;
  text: string;
  amount: { value: number; unit: string } | null;
  /** The amount as shown, "3 × 2 ml"; may hold words only. */
  amountText: string;
  /** What is said after the amount: what goes with it, or whom it is for; empty for nothing. */
  more: string;
  meal: boolean;
  why: string[];
  caution: string | null;
  /** Which walk of the day it is for, from 0; what is not bound to an hour is for the first, or for the one the house has time on. */
  walk: number;
  overdue: boolean;
  tick: Tick | null;
  outcome: Outcome | null;
}

/**
 * A chore with its key and everything it does not say left empty.
 * @param draft.subject - what it is about; two chores of one kind and day differ by it
 */
export function chore(kind: ChoreKind, draft: { subject: string; day: Day; text: string } & Partial<Chore>): Chore {
  const { subject, day, ...rest } = draft;
  return {
    key: `${kind.name}:${subject}:${day}`,
    kind: kind.name,
    way: kind.way,
    seconds: kind.seconds,
    covers: kind.covers,
    asks: kind.asks,
    meal: kind.meal,
    amount: null,
    amountText: '',
    more: '',
    why: [],
    caution: null,
    walk: 0,
    overdue: false,
    tick: null,
    outcome: null,
    ...rest,
  };
}

/** An outcome as the log keeps it; those taken back are not among the facts. */
export interface LoggedOutcome extends Outcome {
  choreKey: string;
  day: Day;
  unit: string | null;
  text: string;
  tankId: string | null;
}

/** Now, as the house sees it. */
export interface Moment {
  now: Instant;
  timeZone: string;
  /** The house's day of `now`. */
  today: Day;
}
