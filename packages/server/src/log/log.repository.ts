import { Op } from 'sequelize';
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
  type Reading,
  type Writing,
} from '../platform';

/** One line of the log as stored. */
const ENTRY = declareTable('entries', {
  kind: text<EntryKindName | 'undo'>(),
  text: text(),
  tankId: nullable(id()),
  otherTankId: nullable(id()),
  subjectId: nullable(id()),
  fromAt: instant(),
  toAt: instant(),
  byUser: id(),
  byName: text(),
  reason: nullable(text()),
  undoes: nullable(id()),
  undone: flag(),
  recordedAt: instant(),
  /** Kinds that the entry also did, such as what a tick logged. */
  parts: nullable(json<EntryKindName[]>()),
  /** Of what was asked for, so that the same id with another body is told apart. */
  fingerprint: nullable(text()),
});
export type EntryRow = RowOf<typeof ENTRY>;

const NEWEST_FIRST = {
  order: [
    ['toAt', 'DESC'],
    ['id', 'DESC'],
  ] as [string, string][],
};

export function createLogRepository(database: Database) {
  const entries = houseTable(database, ENTRY);
  return {
    entries,
    /** A page of the log, newest first. @param before - the last entry of the page before */
    newest: (
      at: Reading,
      filter: { tankId?: string | undefined; subjectId?: string | undefined },
      limit: number,
      before: EntryRow | null,
    ) =>
      entries.find(
        at,
        {
          [Op.and]: [
            filter.tankId ? { [Op.or]: [{ tankId: filter.tankId }, { otherTankId: filter.tankId }] } : {},
            filter.subjectId ? { subjectId: filter.subjectId } : {},
            before ? { [Op.or]: [{ toAt: { [Op.lt]: before.toAt } }, { toAt: before.toAt, id: { [Op.lt]: before.id } }] } : {},
          ],
        },
        { ...NEWEST_FIRST, limit },
      ),
    /** What was logged about the same subject since, and stands. */
    later: (at: Reading, entry: EntryRow) =>
      entries.find(at, {
        subjectId: entry.subjectId,
        undone: false,
        undoes: null,
        recordedAt: { [Op.gte]: entry.recordedAt },
        id: { [Op.ne]: entry.id },
      }),
    markUndone: (at: Writing, entryId: string) => entries.update(at, { id: entryId }, { undone: true }),
    /** Counts one more entry of the house; the last statement of a write, so that nobody waits for it long. */
    countUp: async (at: Writing): Promise<void> => {
      await database.sequelize.query('UPDATE houses SET revision = revision + 1 WHERE id = :houseId', {
        replacements: { houseId: at.houseId },
        transaction: at.tx,
      });
    },
    /** How many entries the house has had. */
    revision: async (at: Reading): Promise<number> =>
      Number(
        (await database.select<{ revision: string }>(at, 'SELECT revision FROM houses WHERE id = :houseId'))[0]?.revision ?? 0,
      ),
  };
}
export type LogRepository = ReturnType<typeof createLogRepository>;
