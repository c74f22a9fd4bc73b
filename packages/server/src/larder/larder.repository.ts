import { Op } from 'sequelize';
import type { CultureFood } from '@freshet/core/larder';
import {
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
  OLDEST_FIRST,
} from '../platform';

const CULTURE = declareTable('cultures', {
  food: text<CultureFood>(),
  name: text(),
  tankId: nullable(id()),
  startedAt: instant(),
  ended: flag(),
});
const CULTURE_EVENT = declareTable('culture_events', {
  cultureId: id(),
  kind: text<'fed' | 'ripe' | 'harvested' | 'ended'>(),
  at: instant(),
});
export type CultureEventRow = RowOf<typeof CULTURE_EVENT>;

export function createLarderRepository(database: Database) {
  const cultures = houseTable(database, CULTURE);
  const events = houseTable(database, CULTURE_EVENT);
  return {
    cultures,
    events,
    running: (at: Reading) => cultures.find(at, { ended: false }, { order: [['startedAt', 'ASC']] }),
    eventsOf: (at: Reading, cultureIds: readonly string[]) =>
      events.find(at, { cultureId: { [Op.in]: [...cultureIds] } }, OLDEST_FIRST),
  };
}
