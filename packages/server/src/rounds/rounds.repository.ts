import { Op } from 'sequelize';
import { houseTable, type Database, type HouseRow, type Tx } from '../platform';

export interface OutcomeRow extends HouseRow {
  choreKey: string;
  day: string;
  status: 'done' | 'skipped';
  text: string;
  tankId: string | null;
  amount: number | null;
  unit: string | null;
  byName: string;
}

export function createRoundsRepository(database: Database) {
  const outcomes = houseTable<OutcomeRow>(database, 'outcomes', {
    choreKey: 'text',
    day: 'day',
    status: 'text',
    text: 'text',
    tankId: 'id',
    amount: 'real',
    unit: 'text',
    byName: 'text',
  });
  return {
    outcomes,
    since: (houseId: string, day: string) => outcomes.find(houseId, { day: { [Op.gte]: day } }),
    ofChore: async (houseId: string, choreKey: string, tx: Tx) =>
      (await outcomes.find(houseId, { choreKey }, { tx, limit: 1 }))[0] ?? null,
  };
}
