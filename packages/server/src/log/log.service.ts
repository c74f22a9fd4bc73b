import type { OverrideInput } from '@freshet/contract/values';
import type { TimeRange } from '@freshet/core/time';
import { DomainError, isDuplicate, type Clock, type Database, type HouseTable, type Tx, type Who } from '../platform';
import type { HouseRow } from '../platform';
import { createLogRepository, type EntryRow } from './log.repository';

/** Reply to a write. */
export interface Written {
  entryId: string;
  replayed: boolean;
  subjectId: string | null;
}

/** What one write works in: who, the entry it makes, its transaction and time. */
export interface Scope {
  who: Who;
  entryId: string;
  tx: Tx;
  now: string;
  override: OverrideInput;
}

/** What was done, as the log tells it. */
export interface Applied {
  text: string;
  tankId?: string | null;
  otherTankId?: string | null;
  subjectId?: string | null;
}

/** What an area takes back when an entry is undone. */
interface Undoer {
  tables: readonly HouseTable<never>[];
  /** Before rows go out of sight; throws when something later builds on the entry. */
  before?: (scope: Scope, entry: EntryRow) => Promise<void>;
  /** After rows went out of sight: caches worked out again. */
  after?: (scope: Scope, entry: EntryRow) => Promise<void>;
}

const FUTURE_MS = 15 * 60_000;
const PAST_DAYS = 400;
const DAY_MS = 86_400_000;

/**
 * The log: every write of Freshet is one entry, made once by its id in one transaction, and can be undone by a later entry.
 */
export function createLog({ database, clock }: { database: Database; clock: Clock }) {
  const repository = createLogRepository(database);
  const undoers: Undoer[] = [];

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

  async function replay(who: Who, id: string, kind: string): Promise<Written | null> {
    const found = await repository.entries.get(who.houseId, id);
    if (!found) return null;
    if (found.kind !== kind) throw new DomainError('log/id-taken', { detail: 'This id was used for another entry.' });
    return { entryId: id, replayed: true, subjectId: found.subjectId };
  }

  return {
    repository,
    replay,

    /** Lets an area take part in undoing. */
    onUndo(undoer: {
      tables: readonly HouseTable<HouseRow & Record<string, never>>[] | readonly unknown[];
      before?: Undoer['before'];
      after?: Undoer['after'];
    }): void {
      undoers.push(undoer as Undoer);
    },

    /**
     * Makes one entry: the work and its line of the log, whole or not at all. A second call with the same id changes nothing.
     * @param when - when it happened; not in the future, and not long ago without a reason
     */
    async record(
      who: Who,
      entry: { id: string; kind: string; when: TimeRange; override?: OverrideInput },
      work: (scope: Scope) => Promise<Applied>,
    ): Promise<Written> {
      const before = await replay(who, entry.id, entry.kind);
      if (before) return before;
      const now = clock.now();
      const override = entry.override;
      checkWhen(entry.when, override, now);
      try {
        return await database.inTransaction(async (tx) => {
          const applied = await work({ who, entryId: entry.id, tx, now, override });
          const row: EntryRow = {
            id: entry.id,
            entryId: entry.id,
            kind: entry.kind,
            text: applied.text.slice(0, 500),
            tankId: applied.tankId ?? null,
            otherTankId: applied.otherTankId ?? null,
            subjectId: applied.subjectId ?? null,
            fromAt: entry.when.from,
            toAt: entry.when.to,
            byUser: who.userId,
            byName: who.name,
            reason: override?.reason ?? null,
            undoes: null,
            undone: false,
            recordedAt: now,
          };
          await repository.entries.insert(who.houseId, row, tx);
          return { entryId: entry.id, replayed: false, subjectId: row.subjectId };
        });
      } catch (error) {
        const made = isDuplicate(error) ? await replay(who, entry.id, entry.kind) : null;
        if (made) return made;
        if (isDuplicate(error))
          throw new DomainError('log/id-taken', { detail: 'This id was used for something else.', cause: error });
        throw error;
      }
    },

    /** Takes an entry back, as long as nothing later builds on it; the entry stays in the log, marked. */
    async undo(who: Who, body: { id: string; entryId: string }): Promise<Written> {
      const before = await replay(who, body.id, 'undo');
      if (before) return before;
      const now = clock.now();
      return database.inTransaction(async (tx) => {
        const entry = await repository.entries.get(who.houseId, body.entryId, { tx, lock: true });
        if (!entry || entry.kind === 'undo')
          throw new DomainError('request/not-found', { detail: 'There is no such entry to take back.' });
        if (entry.undone) return { entryId: body.id, replayed: true, subjectId: entry.subjectId };
        const scope: Scope = { who, entryId: body.id, tx, now, override: undefined };
        for (const undoer of undoers) await undoer.before?.(scope, entry);
        for (const undoer of undoers) for (const table of undoer.tables) await table.undo(who.houseId, entry.id, tx);
        for (const undoer of undoers) await undoer.after?.(scope, entry);
        await repository.markUndone(who.houseId, entry.id, tx);
        await repository.entries.insert(
          who.houseId,
          {
            ...entry,
            id: body.id,
            entryId: body.id,
            kind: 'undo',
            text: `Taken back: ${entry.text}`.slice(0, 500),
            byUser: who.userId,
            byName: who.name,
            reason: null,
            undoes: entry.id,
            undone: false,
            fromAt: now,
            toAt: now,
            recordedAt: now,
          },
          tx,
        );
        return { entryId: body.id, replayed: false, subjectId: entry.subjectId };
      });
    },

    /** The newest entries of a house, a tank or a subject. */
    async entries(who: Who, filter: { tankId?: string | undefined; subjectId?: string | undefined; limit?: number | undefined }) {
      const rows = await repository.newest(who.houseId, filter, filter.limit ?? 50);
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
        recordedAt: row.recordedAt,
      }));
    },
  };
}
export type LogService = ReturnType<typeof createLog>;
