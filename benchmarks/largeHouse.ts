import { QueryTypes } from 'sequelize';
import { compose } from '../packages/server/src/app/compose';
import { seedDemo } from '../packages/server/src/app/seedDemo';
import { fixedClock, migrator, openDatabase, type Database, type Who } from '../packages/server/src/platform';

// The demonstration house many times over, and with many years behind it.

const NOW = '2026-11-24T07:12:00.000Z';
const TIMES = 20;
const RUNS = 60;

const TABLES: Record<string, string[]> = {
  racks: [],
  shelves: ['rack_id'],
  tanks: ['shelf_id'],
  readings: ['tank_id'],
  tank_events: ['tank_id'],
  equipment: ['tank_id'],
  changes: ['tank_id'],
  regimes: ['tank_id'],
  lots: ['brood_id', 'tank_id'],
  movements: ['from_lot_id', 'to_lot_id'],
  placements: ['lot_id', 'tank_id'],
  attempts: ['tank_id'],
  attempt_parents: ['attempt_id', 'lot_id'],
  attempt_events: ['attempt_id'],
  broods: ['attempt_id'],
  observations: ['brood_id'],
  cultures: ['tank_id'],
  culture_events: ['culture_id'],
  entries: ['tank_id', 'subject_id'],
};

/** What copied entries are about: the tank and the thing they were about first. */
const aboutCopies = (database: Database) =>
  database.sequelize.query(
    `INSERT IGNORE INTO entry_subjects (house_id, subject_id, entry_id, to_at)
     SELECT house_id, tank_id, id, to_at FROM entries WHERE tank_id IS NOT NULL
     UNION SELECT house_id, subject_id, id, to_at FROM entries WHERE subject_id IS NOT NULL`,
    { type: QueryTypes.RAW },
  );

/** Copies every row of the house with new ids (the first two digits count the copies) and codes. */
export async function multiply(database: Database, houseId: string, times = TIMES): Promise<void> {
  for (let copy = 1; copy < times; copy++) {
    const prefix = (copy + 16).toString(16);
    const renamed = (column: string) => `IF(${column} IS NULL, NULL, CONCAT('${prefix}', SUBSTRING(${column}, 3)))`;
    for (const [table, links] of Object.entries(TABLES)) {
      const columns = await database.sequelize.query<{ name: string }>(
        `SELECT column_name name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = '${table}' AND extra NOT LIKE '%GENERATED%'`,
        { type: QueryTypes.SELECT },
      );
      const names = columns.map(({ name }) => name);
      const values = names.map((name) =>
        name === 'id' || links.includes(name)
          ? renamed(name)
          : name === 'code'
            ? `CONCAT('${prefix}', SUBSTRING(code, 1, 6))`
            : name === 'position'
              ? `position + ${copy * 10}`
              : name,
      );
      await database.sequelize.query(
        `INSERT INTO ${table} (${names.join(', ')}) SELECT ${values.join(', ')} FROM ${table} WHERE house_id = :houseId AND id LIKE '01%'`,
        { replacements: { houseId }, type: QueryTypes.RAW },
      );
    }
  }
  await aboutCopies(database);
  await database.sequelize.query(`ANALYZE TABLE ${Object.keys(TABLES).join(', ')}`, { type: QueryTypes.SELECT });
}

/** Tables that grow with the years while nothing more is alive, and what says when. */
const HISTORY = ['readings', 'changes', 'tank_events', 'entries', 'outcomes'];

/** Repeats the history of the house for each of nine years before it. */
export async function age(database: Database, houseId: string): Promise<void> {
  for (const table of HISTORY) {
    const columns = await database.sequelize.query<{ name: string }>(
      `SELECT column_name name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = '${table}' AND extra NOT LIKE '%GENERATED%' AND extra NOT LIKE '%auto_increment%'`,
      { type: QueryTypes.SELECT },
    );
    const names = columns.map(({ name }) => name);
    for (let year = 1; year < 10; year++) {
      const shifted = names.map((name) => {
        if (name === 'id') return `CONCAT('e${year}', SUBSTRING(id, 3))`;
        if (name === 'at' || name.endsWith('_at')) return `${name} - INTERVAL ${year} YEAR`;
        if (name === 'day') return `day - INTERVAL ${year} YEAR`;
        return name === 'chore_key' ? `CONCAT('${year}:', chore_key)` : name;
      });
      await database.sequelize.query(
        `INSERT INTO ${table} (${names.join(', ')}) SELECT ${shifted.join(', ')} FROM ${table} WHERE house_id = :houseId AND id LIKE '01%'`,
        { replacements: { houseId }, type: QueryTypes.RAW },
      );
    }
  }
  await aboutCopies(database);
  await database.sequelize.query(`ANALYZE TABLE ${HISTORY.join(', ')}`, { type: QueryTypes.SELECT });
}

/** The time that nineteen of twenty runs stay below, ms. */
export async function percentile95(work: () => Promise<unknown>, runs = RUNS): Promise<number> {
  for (let i = 0; i < Math.min(8, runs); i++) await work();
  const times: number[] = [];
  for (let i = 0; i < runs; i++) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return times.sort((a, b) => a - b)[Math.floor(runs * 0.95) - 1] ?? 0;
}

/** The demonstration house in a database of its own, its keeper, and the statements that some work sends. */
export async function openHouse() {
  let statements: string[] = [];
  const database = openDatabase(process.env.FRESHET_DATABASE_URL ?? '', (sql) =>
    statements.push(sql.replace(/^Executing \([^)]*\): /, '')),
  );
  await migrator(database).up();
  await seedDemo(database, NOW);
  const services = compose({ database, clock: fixedClock(NOW) });
  const [houseId = ''] = await services.accounts.repository.houseIds();
  const who: Who = database.reading({
    userId: houseId,
    name: 'bench',
    houseId,
    role: 'keeper',
    timeZone: 'Europe/Dublin',
    temperatureUnit: 'degC',
    volumeUnit: 'L',
  } as const);
  const statementsOf = async (work: () => Promise<unknown>): Promise<string[]> => {
    statements = [];
    await work();
    return [...statements];
  };
  /** What a write does to the snapshot: the next read builds it anew. */
  const changed = () =>
    database.sequelize.query('UPDATE houses SET revision = revision + 1', { type: QueryTypes.UPDATE, logging: false });
  /** Some work beside the same rows by hand: its statements, read by the driver without a model, as many at once. */
  const besideSql = async (work: () => Promise<unknown>, runs = RUNS) => {
    const byHand = (await statementsOf(work)).filter((sql) => sql.startsWith('SELECT'));
    const plain = () =>
      Promise.all(byHand.map((sql) => database.sequelize.query(sql, { type: QueryTypes.SELECT, raw: true, logging: false })));
    const [ours, theirs] = [await percentile95(work, runs), await percentile95(plain, runs)];
    return { ours, ratio: ours / theirs, statements: byHand.length };
  };
  return { database, services, houseId, who, statementsOf, changed, besideSql };
}
