import { Op } from 'sequelize';
import { houseTable, type Database, type HouseRow, type Tx } from '../platform';

/** One line of the log as stored. */
export interface EntryRow extends HouseRow {
  kind: string;
  text: string;
  tankId: string | null;
  otherTankId: string | null;
  subjectId: string | null;
  fromAt: string;
  toAt: string;
  byUser: string;
  byName: string;
  reason: string | null;
  undoes: string | null;
  undone: boolean;
  recordedAt: string;
}

export function createLogRepository(database: Database) {
  const entries = houseTable<EntryRow>(database, 'entries', {
    kind: 'text',
    text: 'text',
    tankId: 'id',
    otherTankId: 'id',
    subjectId: 'id',
    fromAt: 'instant',
    toAt: 'instant',
    byUser: 'id',
    byName: 'text',
    reason: 'text',
    undoes: 'id',
    undone: 'flag',
    recordedAt: 'instant',
  });
  return {
    entries,
    newest: (houseId: string, filter: { tankId?: string | undefined; subjectId?: string | undefined }, limit: number) =>
      entries.find(
        houseId,
        {
          ...(filter.tankId ? { [Op.or]: [{ tankId: filter.tankId }, { otherTankId: filter.tankId }] } : {}),
          ...(filter.subjectId ? { subjectId: filter.subjectId } : {}),
        },
        {
          order: [
            ['toAt', 'DESC'],
            ['id', 'DESC'],
          ],
          limit,
        },
      ),
    later: (houseId: string, entry: EntryRow, tx: Tx) =>
      entries.find(
        houseId,
        {
          subjectId: entry.subjectId,
          undone: false,
          undoes: null,
          recordedAt: { [Op.gte]: entry.recordedAt },
          id: { [Op.ne]: entry.id },
        },
        { tx },
      ),
    markUndone: (houseId: string, id: string, tx: Tx) => entries.update(houseId, { id }, { undone: true }, tx),
  };
}
export type LogRepository = ReturnType<typeof createLogRepository>;
