import { QueryTypes } from 'sequelize';
import { MIGRATIONS } from '../../migrations';
import { isDatabaseAway, type Database } from './database';
import { migrator } from './migrate';

/** What stands in the way of a start and will stand there again: one sentence with what to do. */
export class StartError extends Error {}

/** A database may need a while to come back. */
const AWAY_MS = 60_000;
const AGAIN_MS = 250;
/** Filling the demonstration takes half a minute on a slow machine. */
const OTHERS_S = 300;
const LOCK = 'freshet-prepare';

/** Waits for a database that is away. @throws what it said last, when it does not come */
async function untilThere(database: Database, say: (line: string) => void): Promise<void> {
  const began = Date.now();
  let isSaid = false;
  for (;;)
    try {
      await database.ping();
      return;
    } catch (error) {
      if (!isDatabaseAway(error) || Date.now() - began > AWAY_MS) throw error;
      if (!isSaid) say('Waiting for the database ...');
      isSaid = true;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
}

/** Refuses tables that a newer Freshet wrote, and those of a restore that was stopped. */
async function mustBeOurs(database: Database): Promise<void> {
  const tables = await database.sequelize.getQueryInterface().showAllTables();
  const has = (name: string) => tables.some((table) => String((table as { tableName?: string }).tableName ?? table) === name);
  if (has('restoring'))
    throw new StartError('A restore into this database was stopped before its end. Run "npm run restore FILE" again.');
  if (!has('migrations')) return;
  const run = await database.sequelize.query<{ name: string }>('SELECT name FROM migrations', { type: QueryTypes.SELECT });
  const unknown = run.filter(({ name }) => !MIGRATIONS.some((known) => known.name === name));
  if (unknown.length > 0)
    throw new StartError(
      `This database was written by a newer Freshet (${unknown[0]?.name ?? ''}). Update Freshet first; nothing was changed.`,
    );
}

/**
 * Brings a database up to date and fills it where that is wanted, by one server at a time: another that begins meanwhile waits.
 * @param fill - what else is done while nobody else may
 */
export async function prepareDatabase(database: Database, say: (line: string) => void, fill: () => Promise<void>): Promise<void> {
  await untilThere(database, say);
  const { sequelize } = database;
  // The lock is the connection's: it is held as long as this transaction, and goes with the process.
  await sequelize.transaction(async (transaction) => {
    const name = { lock: `${LOCK}:${sequelize.getDatabaseName()}`.slice(0, 64) };
    const take = async (seconds: number) =>
      (
        await sequelize.query<{ taken: number | null }>('SELECT GET_LOCK(:lock, :seconds) AS taken', {
          replacements: { ...name, seconds },
          type: QueryTypes.SELECT,
          transaction,
        })
      )[0]?.taken === 1;
    if (!(await take(0))) {
      say('Another server is preparing this database; waiting for it ...');
      if (!(await take(OTHERS_S))) throw new Error('Another server has been preparing this database for too long.');
    }
    try {
      await mustBeOurs(database);
      await migrator(database).up();
      await fill();
    } finally {
      await sequelize.query('SELECT RELEASE_LOCK(:lock)', { replacements: name, type: QueryTypes.SELECT, transaction });
    }
  });
}
