import type { EntryBody, EntryKindName } from '@freshet/contract/api';
import type { OverrideInput } from '@freshet/contract/values';
import type { TimeRange } from '@freshet/core/time';
import type { Actor, AnyHouseTable, Who, Writing } from '../platform';
import type { EntryRow } from './log.repository';

/** Reply to a write. */
export interface Written {
  entryId: string;
  replayed: boolean;
  subjectId: string | null;
}

/** What one write works in: who, the entry it makes, its transaction and time. It stands for `Who` in every read and write. */
export type Scope = Actor &
  Writing & {
    entryId: string;
    now: string;
    /** The number of the entry in its house. The house is locked: all that is read here is as entry `sequence - 1` left it. */
    sequence: number;
    override: OverrideInput;
    /** What is done once the entry is written for good. */
    afterwards: (() => Promise<void>)[];
  };

/** What was done, as the log tells it. */
export interface Applied {
  text: string;
  /** The tank it is told at first. */
  tankId?: string | null;
  /** What it is about first of all: what undoing looks at. */
  subjectId?: string | null;
  /** Everything else it is about; each one's log shows the entry. */
  about?: readonly (string | null | undefined)[];
  /** Kinds of entries that were done along with it; undone with it. */
  parts?: readonly EntryKindName[];
}

/** How a kind of entry is taken back. */
export interface Undoing {
  /** Tables whose rows of the entry go out of sight. */
  tables: readonly AnyHouseTable[];
  /** Before rows go out of sight; throws when something later builds on the entry. */
  before?: ((scope: Scope, entry: EntryRow) => Promise<void>) | undefined;
  /** After rows went out of sight: caches worked out again. */
  after?: ((scope: Scope, entry: EntryRow) => Promise<void>) | undefined;
}

/** What is asked for, as far as the log cares. */
export interface Asked {
  id: string;
  override?: OverrideInput;
}

/** A tick as it comes in: what it is about, how much, when. */
export interface TickCall {
  /** What it is about; empty when the tick names nothing. */
  id: string;
  what: string;
  amount: number | null;
  unit: string | null;
  at: string;
  tankId: string | null;
  /** What was seen of what was looked for; null when nothing was asked. */
  answer: 'notYet' | 'some' | 'all' | null;
  /** Between when it happened, where the keeper said so. */
  seen: TimeRange | null;
  /** The chore's words. */
  text: string;
}

/** What a part of an entry is asked for: the body of its kind without an id of its own. */
export type PartBody<Kind extends EntryKindName> = Omit<EntryBody<Kind>, 'id' | 'override'>;

/** The body, or bodies, that a tick makes; null when there is nothing to log. */
export type ToBody<Kind extends EntryKindName> = (
  scope: Scope,
  call: TickCall,
) => MaybeLater<PartBody<Kind> | readonly PartBody<Kind>[] | null>;
type MaybeLater<T> = T | Promise<T>;

/**
 * One kind of entry, whole: everything a form, a tick, a jotted line, a file or a queue asks for comes through here. Who may and what it
 * must look like stand in the contract under the same name.
 */
export interface Declaration<Kind extends EntryKindName> {
  /** When it happened; what the body's `at` says when this is left out, else now. */
  when?: (body: EntryBody<Kind>, now: string) => TimeRange;
  /**
   * Refuses what the house does not bear, whichever way it came in: readiness, quarantine, bookings, law, versions, what is promised.
   * Runs under the house's lock; throws a DomainError.
   */
  check?: (scope: Scope, body: EntryBody<Kind>) => Promise<void>;
  /** Writes the rows and says what was done. */
  apply: (scope: Scope, body: EntryBody<Kind>) => Promise<Applied>;
  undo: Undoing;
  /** Kinds of ticks that stand for it, each with the body it makes; null when there is nothing to log. */
  ticks?: Record<string, ToBody<Kind>>;
  /** Long work on what was asked, done before the house is locked. */
  prepare?: (body: EntryBody<Kind>) => Promise<EntryBody<Kind>>;
  /** After it was written for good, once. */
  after?: (who: Who, body: EntryBody<Kind>) => Promise<void>;
}
export type Declarations = { [Kind in EntryKindName]?: Declaration<Kind> };
