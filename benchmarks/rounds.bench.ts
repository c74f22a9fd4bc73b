import { QueryTypes } from 'sequelize';
import { seedDemo } from '../packages/server/src/app/seedDemo';
import { compose } from '../packages/server/src/app/compose';
import { fixedClock, migrator, openDatabase, type Who } from '../packages/server/src/platform';
import { age, multiply, percentile95 } from './largeHouse';

// The round, a tank and a brood at twenty times the demonstration, beside the same rows read by hand-written SQL on the same pool.

const NOW = '2026-11-24T07:12:00.000Z';
const say = (line: string) => process.stdout.write(`${line}\n`);

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
