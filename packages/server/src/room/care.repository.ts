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
    since: (at: Reading, from: string) => care.find(at, { at: { [Op.gte]: from } }, OLDEST_FIRST),
  };
}
