import type { TankEventKind } from '@freshet/core/room';
import { houseTable, type Database, type HouseRow } from '../platform';

export interface TankEventRow extends HouseRow {
  tankId: string;
  kind: TankEventKind;
  at: string;
  note: string | null;
}

export function createReadinessRepository(database: Database) {
  const tankEvents = houseTable<TankEventRow>(database, 'tank_events', {
    tankId: 'id',
    kind: 'text',
    at: 'instant',
    note: 'text',
  });
  return {
    tankEvents,
    all: (houseId: string) =>
      tankEvents.find(
        houseId,
        {},
        {
          order: [
            ['at', 'ASC'],
            ['id', 'ASC'],
          ],
        },
      ),
  };
}
