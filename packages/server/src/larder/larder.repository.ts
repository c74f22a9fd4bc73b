import { Op } from 'sequelize';
import type { CultureFood } from '@freshet/core/larder';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface CultureRow extends HouseRow {
  food: CultureFood;
  name: string;
  tankId: string | null;
  startedAt: string;
  ended: boolean;
}
export interface CultureEventRow extends HouseRow {
  cultureId: string;
  kind: 'fed' | 'ripe' | 'harvested' | 'ended';
  at: string;
}

export function createLarderRepository(database: Database) {
  const cultures = houseTable<CultureRow>(database, 'cultures', {
    food: 'text',
    name: 'text',
    tankId: 'id',
    startedAt: 'instant',
    ended: 'flag',
  });
  const events = houseTable<CultureEventRow>(database, 'culture_events', { cultureId: 'id', kind: 'text', at: 'instant' });
  return {
    cultures,
    events,
    running: (houseId: string) => cultures.find(houseId, { ended: false }, { order: [['startedAt', 'ASC']] }),
    eventsOf: (houseId: string, cultureIds: readonly string[]) =>
      events.find(houseId, { cultureId: { [Op.in]: [...cultureIds] } }, { order: [['at', 'ASC']] }),
  };
}
