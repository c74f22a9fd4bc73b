import { QueryTypes } from 'sequelize';
import type { EntryKindName } from '@freshet/contract/api';
import {
  json,
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  id,
  nullable,
  instant,
  flag,
  whole,
  type Reading,
  type Writing,
} from '../platform';

/** One line of the log as stored. */
const ENTRY = declareTable('entries', {
  kind: text<EntryKindName | 'undo'>(),
  text: text(),
  tankId: nullable(id()),
  subjectId: nullable(id()),
  fromAt: instant(),
  toAt: instant(),
  byUser: id(),
  byName: text(),
  reason: nullable(text()),
  undoes: nullable(id()),
  undone: flag(),
  recordedAt: instant(),
  /** The place of the entry in its house, given by the server under the house's lock: what is later has the higher one. */
  sequence: whole(),
  /** Kinds that the entry also did, such as what a tick logged. */
  parts: nullable(json<EntryKindName[]>()),
  /** Of what was asked for, so that the same id with another body is told apart. */
  fingerprint: nullable(text()),
});
export type EntryRow = RowOf<typeof ENTRY>;

/** A file brings thousands of lots in one entry. */
const SUBJECTS_AT_ONCE = 1000;

export function createLogRepository(database: Database) {
  const entries = houseTable(database, ENTRY);
  return {
    entries,
    /**
     * Locks a house against other writes until this one ends, and tells the number its entry gets. The first statement of every write:
     * whatever is read after it is as the last write left it.
     */
    async lock(at: Writing): Promise<number> {
      const [row] = await database.sequelize.query<{ revision: number | string }>(
        'SELECT revision FROM houses WHERE id = :houseId FOR UPDATE',
        { replacements: { houseId: at.houseId }, type: QueryTypes.SELECT, transaction: at.tx },
      );
      return Number(row?.revision ?? 0) + 1;
    },
    /** Writes an entry with all it is about, and counts it. */
    async add(at: Writing, row: EntryRow, subjectIds: readonly string[]): Promise<void> {
      await entries.insert(at, row);
      for (let i = 0; i < subjectIds.length; i += SUBJECTS_AT_ONCE) {
        const some = subjectIds.slice(i, i + SUBJECTS_AT_ONCE);
        await database.sequelize.query(
          `INSERT INTO entry_subjects (house_id, subject_id, entry_id, to_at) VALUES ${some.map(() => '(?, ?, ?, ?)').join(', ')}`,
          {
            replacements: some.flatMap((subjectId) => [at.houseId, subjectId, row.id, new Date(row.toAt)]),
            type: QueryTypes.INSERT,
            transaction: at.tx,
          },
        );
      }
      await database.sequelize.query('UPDATE houses SET revision = :sequence WHERE id = :houseId', {
        replacements: { houseId: at.houseId, sequence: row.sequence },
        type: QueryTypes.UPDATE,
        transaction: at.tx,
      });
    },
    /** All an entry is about. */
    subjectsOf: async (at: Reading, entryId: string): Promise<string[]> =>
      (
        await database.select<{ subjectId: string }>(
          at,
          'SELECT subject_id subjectId FROM entry_subjects WHERE house_id = :houseId AND entry_id = :entryId',
          { entryId },
        )
      ).map(({ subjectId }) => subjectId),
    /**
     * A page of the log, newest first.
     * @param filter.aboutId - a tank, a lot, a brood or whatever else entries are about
     * @param before - the last entry of the page before
     */
    async newest(
      at: Reading,
      filter: { aboutId?: string | undefined },
      limit: number,
      before: EntryRow | null,
    ): Promise<EntryRow[]> {
      const ids = await database.select<{ id: string }>(
        at,
        filter.aboutId
          ? `SELECT entry_id id FROM entry_subjects WHERE house_id = :houseId AND subject_id = :aboutId
             ${before ? 'AND (to_at < :toAt OR (to_at = :toAt AND entry_id < :beforeId))' : ''} ORDER BY to_at DESC, entry_id DESC LIMIT ${limit}`
          : `SELECT id FROM entries WHERE house_id = :houseId AND live = 1
             ${before ? 'AND (to_at < :toAt OR (to_at = :toAt AND id < :beforeId))' : ''} ORDER BY to_at DESC, id DESC LIMIT ${limit}`,
        { aboutId: filter.aboutId, ...(before ? { toAt: new Date(before.toAt), beforeId: before.id } : {}) },
      );
      const rows = new Map((await entries.find(at, { id: ids.map((row) => row.id) })).map((row) => [row.id, row]));
      return ids.flatMap((row) => rows.get(row.id) ?? []);
    },
    /** What was written about any of these things after an entry, and stands. */
    laterAbout: (at: Reading, subjectIds: readonly string[], { sequence }: EntryRow): Promise<{ id: string }[]> =>
      subjectIds.length === 0
        ? Promise.resolve([])
        : database.select<{ id: string }>(
            at,
            `SELECT DISTINCT e.id FROM entry_subjects s JOIN entries e ON e.id = s.entry_id
             WHERE s.house_id = :houseId AND s.subject_id IN (:subjectIds) AND e.sequence > :sequence AND e.undone = 0 AND e.undoes IS NULL`,
            { subjectIds, sequence },
          ),
    markUndone: (at: Writing, entryId: string) => entries.update(at, { id: entryId }, { undone: true }),
    /** How many entries the house has had. */
    revision: async (at: Reading): Promise<number> =>
      Number(
        (await database.select<{ revision: string }>(at, 'SELECT revision FROM houses WHERE id = :houseId'))[0]?.revision ?? 0,
      ),
  };
}
export type LogRepository = ReturnType<typeof createLogRepository>;
