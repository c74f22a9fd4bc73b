import { Op } from 'sequelize';
import type { TankEventKind } from '@freshet/core/room';
import { houseTable, type Database, declareTable, id, text, instant, nullable, type Reading } from '../platform';

const TANK_EVENT = declareTable('tank_events', {
  tankId: id(),
  kind: text<TankEventKind>(),
  at: instant(),
  note: nullable(text()),
});

export function createReadinessRepository(database: Database) {
  const tankEvents = houseTable(database, TANK_EVENT);
  return {
    tankEvents,
    /** Events since a time, and of those before it the newest of each kind: all that a tank's state follows from. Oldest first. */
    since: (at: Reading, since: string) =>
      tankEvents.find(
        at,
        {
          [Op.or]: [
            { at: { [Op.gte]: since } },
            database.sequelize.literal(
              `(tank_id, kind, at) IN (SELECT tank_id, kind, MAX(at) FROM tank_events WHERE house_id = ${database.sequelize.escape(at.houseId)} AND live = 1 GROUP BY tank_id, kind)`,
            ),
          ],
        },
        {
          order: [
            ['at', 'ASC'],
            ['id', 'ASC'],
          ],
        },
      ),
  };
}
