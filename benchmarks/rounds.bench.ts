import { QueryTypes } from 'sequelize';
import { seedDemo } from '../packages/server/src/app/seedDemo';
import { compose } from '../packages/server/src/app/compose';
import { fixedClock, migrator, openDatabase, type Database, type Who } from '../packages/server/src/platform';

// The round, a tank and a brood at twenty times the demonstration, beside the same rows read by hand-written SQL on the same pool.

const NOW = '2026-11-24T07:12:00.000Z';
const TIMES = 20;
const RUNS = 60;
const say = (line: string) => process.stdout.write(`${line}\n`);

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
  entries: ['tank_id', 'other_tank_id', 'subject_id'],
};

/** Copies every row of the house with new ids (the first two digits count the copies) and codes. */
async function multiply(database: Database, houseId: string): Promise<void> {
  for (let copy = 1; copy < TIMES; copy++) {
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
  await database.sequelize.query(`ANALYZE TABLE ${Object.keys(TABLES).join(', ')}`, { type: QueryTypes.SELECT });
}

/** Tables that grow with the years while nothing more is alive, and what says when. */
const HISTORY = ['readings', 'changes', 'tank_events', 'entries', 'outcomes'];

/** Repeats the history of the house for each of nine years before it. */
async function age(database: Database, houseId: string): Promise<void> {
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
  await database.sequelize.query(`ANALYZE TABLE ${HISTORY.join(', ')}`, { type: QueryTypes.SELECT });
}

async function percentile95(work: () => Promise<unknown>): Promise<number> {
  for (let i = 0; i < 8; i++) await work();
  const times: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return times.sort((a, b) => a - b)[Math.floor(RUNS * 0.95) - 1] ?? 0;
}

async function main(): Promise<void> {
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

  const tanksOf = async () =>
    (await services.room.room(who)).racks.flatMap((rack) => rack.shelves.flatMap((shelf) => shelf.tanks));
  const queriesFor = async (work: () => Promise<unknown>) => {
    statements = [];
    await work();
    return statements.length;
  };
  const changed = () =>
    database.sequelize.query('UPDATE houses SET revision = revision + 1', { type: QueryTypes.UPDATE, logging: false });
  const round = () => services.rounds.round(who, undefined);
  /** The first round after a write builds the snapshot anew. */
  const roundAnew = async () => {
    await changed();
    await round();
  };
  const few = await queriesFor(round);
  say(`Queries for a round: ${few} after a write, ${await queriesFor(round)} until the next`);
  const [anew, again] = [await percentile95(roundAnew), await percentile95(round)];
  say(`Round, 95th percentile: ${anew.toFixed(1)} ms after a write, ${again.toFixed(1)} ms until the next`);
  await age(database, houseId);
  const [aged, agedRows] = [await percentile95(roundAnew), await queriesFor(roundAnew)];
  say(
    `Round after a write with ten years of records: ${(aged / anew).toFixed(2)} times that with one year (aim: 1), ${agedRows - 1} queries`,
  );
  const tanksBefore = (await tanksOf()).length;
  await multiply(database, houseId);
  await changed();
  const tanks = await tanksOf();
  const many = await queriesFor(round);
  say(`Queries for a round after a write: ${few} with ${tanksBefore} tanks, ${many} with ${tanks.length} tanks`);

  const brood = (await services.broodPages.cards(who)).find((card) => card.lots.length > 1);
  const tank = tanks.find(({ code }) => code === 'A2.1');
  const cases: [string, () => Promise<unknown>][] = [
    ['round after a write', roundAnew],
    ['tank, six weeks of readings', () => services.water.readings(who, tank?.id ?? '', 42)],
    ['tank, its log', () => services.log.entries(who, { tankId: tank?.id ?? '', limit: 40 })],
    ['brood', () => services.broodPages.page(who, brood?.id ?? '')],
    [`${(await services.broodPages.cards(who)).length} living broods`, () => services.broodPages.cards(who)],
  ];
  for (const [name, work] of cases) {
    statements = [];
    await work();
    // The same rows by hand: the statements' rows and columns, read by the driver without a model, as many at once.
    const byHand = [...statements];
    const plain = () =>
      Promise.all(byHand.map((sql) => database.sequelize.query(sql, { type: QueryTypes.SELECT, raw: true, logging: false })));
    const [ours, theirs] = [await percentile95(work), await percentile95(plain)];
    say(
      `${name}: 95th percentile ${(ours / theirs).toFixed(2)} times that of the same rows by SQL (${byHand.length} statements, aim: at most 2)`,
    );
  }
  await database.close();
}

await main();
