import { createHash } from 'node:crypto';
import { ENTRY_KINDS, type EntryKindName } from '@freshet/contract/api';
import type { OverrideInput } from '@freshet/contract/values';
import { formatInstant, houseDay, type TimeRange } from '@freshet/core/time';
import {
  atLeast,
  DomainError,
  isDuplicate,
  type Actor,
  type AnyHouseTable,
  type Clock,
  type Database,
  type Who,
  type Writing,
} from '../platform';
import { createLogRepository, type EntryRow } from './log.repository';

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
    override: OverrideInput;
  };

/** What was done, as the log tells it. */
export interface Applied {
  text: string;
  tankId?: string | null;
  otherTankId?: string | null;
  subjectId?: string | null;
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

const FUTURE_MS = 15 * 60_000;
const PAST_DAYS = 400;
const DAY_MS = 86_400_000;

/** Keys in order, so that the same request has the same text. */
const inOrder = (_key: string, value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
    : value;

/** What tells one request from another with the same id; a reason given later is the same request. */
function fingerprintOf({ override: _override, ...asked }: Asked): string {
  return createHash('sha256').update(JSON.stringify(asked, inOrder)).digest('hex');
}

/**
 * The log: every write of Freshet is one entry, made once by its id in one transaction, and can be undone by a later entry. Which
 * kinds there are stands in the contract; each area registers how its kinds are taken back.
 */
export function createLog({ database, clock }: { database: Database; clock: Clock }) {
  const repository = createLogRepository(database);
  const kinds = new Map<string, Undoing[]>();

  function checkWhen(when: TimeRange, override: OverrideInput, now: string): void {
    if (Date.parse(when.to) > Date.parse(now) + FUTURE_MS)
      throw new DomainError('request/invalid', {
        detail: 'That is in the future; log it when it has happened.',
        pointer: '#/at',
      });
    if (!override && Date.parse(when.from) < Date.parse(now) - PAST_DAYS * DAY_MS)
      throw new DomainError('log/implausible-date', {
        detail: `${when.from.slice(0, 10)} is more than a year ago. If it is right, say why.`,
        pointer: '#/at',
      });
  }

  /** What an id was used for before, when it was; refused when something else is asked for under it. */
  async function replay(who: Who, kind: EntryKindName | 'undo', asked: Asked): Promise<Written | null> {
    const found = await repository.entries.get(who, asked.id);
    if (!found) return null;
    if (found.kind !== kind || (found.fingerprint !== null && found.fingerprint !== fingerprintOf(asked)))
      throw new DomainError('log/id-taken', { detail: `This id stands for another entry: ${found.text}.` });
    return { entryId: asked.id, replayed: true, subjectId: found.subjectId };
  }

  /** Runs a write as one entry. @param row - of the entry, once the work is done */
  async function enter(
    who: Who,
    kind: EntryKindName | 'undo',
    asked: Asked,
    work: (
      scope: Scope,
    ) => Promise<Omit<EntryRow, 'id' | 'entryId' | 'kind' | 'byUser' | 'byName' | 'recordedAt' | 'fingerprint'>>,
  ): Promise<Written> {
    const before = await replay(who, kind, asked);
    if (before) return before;
    const now = clock.now();
    const { tx: _tx, ...actor } = who;
    try {
      return await database.writing(actor, async (writing) => {
        const row = await work({ ...writing, entryId: asked.id, now, override: asked.override });
        await repository.entries.insert(writing, {
          ...row,
          id: asked.id,
          entryId: asked.id,
          kind,
          text: row.text.slice(0, 500),
          byUser: who.userId,
          byName: who.name,
          recordedAt: now,
          fingerprint: fingerprintOf(asked),
        });
        await repository.countUp(writing);
        return { entryId: asked.id, replayed: false, subjectId: row.subjectId };
      });
    } catch (error) {
      const made = isDuplicate(error) ? await replay(who, kind, asked) : null;
      if (made) return made;
      if (isDuplicate(error))
        throw new DomainError('log/id-taken', { detail: 'This id was used for something else.', cause: error });
      throw error;
    }
  }

  const undoingsOf = (kind: string): readonly Undoing[] => {
    const found = kinds.get(kind);
    if (!found) throw new Error(`Nobody registered how "${kind}" is taken back.`);
    return found;
  };

  /** Whether somebody may take an entry back: only who may make all of it. */
  const mayUndo = (role: Actor['role'], { kind, parts }: EntryRow): boolean =>
    kind !== 'undo' && [kind, ...(parts ?? [])].every((one) => atLeast(role, ENTRY_KINDS[one].role));

  return {
    repository,
    replay,

    /**
     * Says how kinds of entries are taken back. An area registers its own kinds; a later area may add to a kind of an earlier one what
     * it alone knows, such as that animals live in a tank.
     */
    register(undoings: Partial<Record<EntryKindName, Undoing>>): void {
      for (const [kind, undoing] of Object.entries(undoings)) kinds.set(kind, [...(kinds.get(kind) ?? []), undoing]);
    },
    /** Kinds the contract declares and nobody registered. */
    missing: (): string[] => Object.keys(ENTRY_KINDS).filter((kind) => !kinds.has(kind)),

    /**
     * Makes one entry: the work and its line of the log, whole or not at all. A second call with the same id changes nothing.
     * @param entry.asked - the request: its id, its reason to set a warning aside, and all that tells it from another one
     * @param entry.when - when it happened; not in the future, and not long ago without a reason
     */
    async record(
      who: Who,
      { kind, asked, when }: { kind: EntryKindName; asked: Asked; when: TimeRange },
      work: (scope: Scope) => Promise<Applied>,
    ): Promise<Written> {
      return enter(who, kind, asked, async (scope) => {
        checkWhen(when, asked.override, scope.now);
        const applied = await work(scope);
        return {
          text: applied.text,
          tankId: applied.tankId ?? null,
          otherTankId: applied.otherTankId ?? null,
          subjectId: applied.subjectId ?? null,
          fromAt: when.from,
          toAt: when.to,
          reason: asked.override?.reason ?? null,
          undoes: null,
          undone: false,
          parts: applied.parts && applied.parts.length > 0 ? [...applied.parts] : null,
        };
      });
    },

    /**
     * Refuses an edit in place of what somebody else changed since the form was filled; both are shown.
     * @param version - the entry the form was filled from; undefined when nothing is to be compared
     * @param newest - the newest row now
     */
    async mustBeNewest(
      scope: Scope,
      version: string | null | undefined,
      newest: { entryId: string } | null | undefined,
      words: { theirs: string; yours: string },
    ): Promise<void> {
      if (version === undefined || scope.override || (newest?.entryId ?? null) === version) return;
      const entry = newest ? await repository.entries.get(scope, newest.entryId) : null;
      const by = entry
        ? `${entry.byName} changed it ${formatInstant(entry.recordedAt, houseDay(scope.now, scope.timeZone), scope.timeZone)}`
        : 'It was taken back meanwhile';
      throw new DomainError('log/edited-since', {
        detail: `${by}: ${words.theirs}. Yours: ${words.yours}. If yours is to stand, say why.`,
      });
    },

    /** Takes an entry back, as long as nothing later builds on it; the entry stays in the log, marked. */
    async undo(who: Who, body: { id: string; entryId: string }): Promise<Written> {
      return enter(who, 'undo', body, async (scope) => {
        const entry = await repository.entries.get(scope, body.entryId, { lock: true });
        if (!entry || entry.kind === 'undo')
          throw new DomainError('request/not-found', { detail: 'There is no such entry to take back.' });
        if (entry.undone) throw new DomainError('log/later-entries', { detail: 'It was taken back already.' });
        if (!mayUndo(scope.role, entry))
          throw new DomainError('log/not-yours', { detail: `Only a keeper takes back "${entry.text}".` });
        const undoings = [...new Set([entry.kind, ...(entry.parts ?? [])])].flatMap(undoingsOf);
        for (const undoing of undoings) await undoing.before?.(scope, entry);
        for (const table of new Set(undoings.flatMap(({ tables }) => tables))) await table.undo(scope, entry.id);
        for (const undoing of undoings) await undoing.after?.(scope, entry);
        await repository.markUndone(scope, entry.id);
        const { tankId, otherTankId, subjectId } = entry;
        return {
          text: `Taken back: ${entry.text}`,
          tankId,
          otherTankId,
          subjectId,
          reason: null,
          undoes: entry.id,
          undone: false,
          fromAt: scope.now,
          toAt: scope.now,
          parts: null,
        };
      });
    },

    /** A page of the log of a house, a tank or a subject, newest first. */
    async entries(
      who: Who,
      filter: {
        tankId?: string | undefined;
        subjectId?: string | undefined;
        before?: string | undefined;
        limit?: number | undefined;
      },
    ) {
      const before = filter.before ? await repository.entries.get(who, filter.before) : null;
      const rows = await repository.newest(who, filter, filter.limit ?? 50, before);
      return rows.map((row) => ({
        id: row.id,
        kind: row.kind,
        text: row.text,
        tankId: row.tankId,
        from: row.fromAt,
        to: row.toAt,
        by: row.byName,
        reason: row.reason,
        undone: row.undone,
        parts: row.parts ?? [],
        canUndo: !row.undone && mayUndo(who.role, row),
        recordedAt: row.recordedAt,
      }));
    },
  };
}
export type LogService = ReturnType<typeof createLog>;
