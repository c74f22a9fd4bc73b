import { SequelizeStorage, Umzug } from 'umzug';
import { MIGRATIONS } from '../../migrations';
import type { Database } from './database';

/** Brings the tables up to date; each migration is written once and never changed after it shipped. */
export function migrator(database: Database) {
  const context = database.sequelize.getQueryInterface();
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: async () => {
        for (const sql of up) await context.sequelize.query(sql);
      },
      down: async () => {
        for (const sql of down) await context.sequelize.query(sql);
      },
    })),
    context,
    storage: new SequelizeStorage({ sequelize: database.sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}
