import { age, multiply, openHouse, percentile95 } from './largeHouse';

// The round, a tank and a brood at twenty times the demonstration, beside the same rows read by hand-written SQL on the same pool.

const say = (line: string) => process.stdout.write(`${line}\n`);

async function main(): Promise<void> {
  const { database, services, houseId, who, statementsOf, changed, besideSql } = await openHouse();

  const tanksOf = async () =>
    (await services.room.room(who)).racks.flatMap((rack) => rack.shelves.flatMap((shelf) => shelf.tanks));
  const queriesFor = async (work: () => Promise<unknown>) => (await statementsOf(work)).length;
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
    ['tank, its log', () => services.log.entries(who, { aboutId: tank?.id ?? '', limit: 40 })],
    ['brood', () => services.broodPages.page(who, brood?.id ?? '')],
    [`${(await services.broodPages.cards(who)).length} living broods`, () => services.broodPages.cards(who)],
  ];
  for (const [name, work] of cases) {
    const { ratio, statements } = await besideSql(work);
    say(
      `${name}: 95th percentile ${ratio.toFixed(2)} times that of the same rows by SQL (${statements} statements, aim: at most 2)`,
    );
  }
  await database.close();
}

await main();
