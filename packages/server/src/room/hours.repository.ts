import { QueryTypes } from 'sequelize';
import { declareTable, houseTable, instant, json, nullable, real, text, whole, type Database, type Reading } from '../platform';

const HOURS = declareTable('house_hours', {
  walks: json<string[]>(),
  lampOn: nullable(text()),
  lampOff: nullable(text()),
  fastOn: nullable(whole()),
  newFoodOn: nullable(whole()),
  longWalk: nullable(whole()),
  latitude: nullable(real()),
  longitude: nullable(real()),
  at: instant(),
});

export function createHoursRepository(database: Database) {
  const hours = houseTable(database, HOURS);
  return {
    hours,
    /** What was said last; null when nothing ever was. */
    newest: async (at: Reading) =>
      (
        await hours.find(
          at,
          {},
          {
            order: [
              ['at', 'DESC'],
              ['id', 'DESC'],
            ],
            limit: 1,
          },
        )
      )[0] ?? null,
    /** Where the house was said to stand when it was begun. */
    place: async (at: Reading): Promise<{ latitude: number | null; longitude: number | null }> =>
      (
        await database.sequelize.query<{ latitude: number | null; longitude: number | null }>(
          'SELECT latitude, longitude FROM houses WHERE id = :id',
          { replacements: { id: at.houseId }, type: QueryTypes.SELECT, ...(at.tx ? { transaction: at.tx } : {}) },
        )
      )[0] ?? { latitude: null, longitude: null },
  };
}
