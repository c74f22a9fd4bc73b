import { Op } from 'sequelize';
import type { CareKind } from '@freshet/core/room';
import {
  declareTable,
  houseTable,
  id,
  instant,
  nullable,
  OLDEST_FIRST,
  real,
  text,
  type Database,
  type Reading,
} from '../platform';

const CARE = declareTable('care', {
  tankId: id(),
  kind: text<CareKind>(),
  what: text(),
  amount: nullable(real()),
  unit: nullable(text()),
  at: instant(),
});

export function createCareRepository(database: Database) {
  const care = houseTable(database, CARE);
  return {
    care,
    /** Oldest first. */
    /** What was done or seen since an instant, and looks since an earlier one: some are asked for by the week. */
    since: (at: Reading, from: string, looksFrom = from) =>
      care.find(at, { [Op.or]: [{ at: { [Op.gte]: from } }, { kind: 'looked', at: { [Op.gte]: looksFrom } }] }, OLDEST_FIRST),
  };
}
