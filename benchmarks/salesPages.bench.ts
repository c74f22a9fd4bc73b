import { QueryTypes } from 'sequelize';
import type { Database } from '../packages/server/src/platform';
import { orderOutlooks, overStocked, readyList } from '../packages/core/src/sales';
import { multiply, openHouse } from './largeHouse';

// For sale, and the pages of sales, with more than 2000 lots and five years of sales, beside the same rows read by hand-written SQL on the
// same pool.

const TIMES = 30;
const YEARS = 5;
/** Pages take a second each. */
const RUNS = 6;
const MANY_RUNS = 40;
const say = (line: string) => process.stdout.write(`${line}\n`);

/** The sales of the house again and again, month by month before those there are. */
async function sellMore(database: Database, houseId: string): Promise<void> {
  const columns = await database.sequelize.query<{ name: string }>(
    "SELECT column_name name FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = 'sold_lots' AND extra NOT LIKE '%GENERATED%'",
    { type: QueryTypes.SELECT },
  );
  const names = columns.map(({ name }) => name);
  for (let month = 1; month < YEARS * 12; month++) {
    const values = names.map((name) =>
      name === 'id'
        ? `CONCAT('${(month + 16).toString(16)}', SUBSTRING(id, 3))`
        : name === 'at'
          ? `at - INTERVAL ${month} MONTH`
          : name,
    );
    await database.sequelize.query(
      `INSERT INTO sold_lots (${names.join(', ')}) SELECT ${values.join(', ')} FROM sold_lots WHERE house_id = :houseId AND id LIKE '01%'`,
      { replacements: { houseId }, type: QueryTypes.RAW },
    );
  }
  await database.sequelize.query('ANALYZE TABLE sold_lots', { type: QueryTypes.SELECT });
}

async function main(): Promise<void> {
  const { database, services, houseId, who, changed, besideSql } = await openHouse();
  await multiply(database, houseId, TIMES);
  await sellMore(database, houseId);
  await changed();
  const counted = async (sql: string) =>
    (await database.sequelize.query<{ n: number }>(sql, { type: QueryTypes.SELECT, logging: false }))[0]?.n ?? 0;
  say(
    `${await counted('SELECT COUNT(*) n FROM lots WHERE live = 1 AND heads > 0')} living lots of ${await counted('SELECT COUNT(*) n FROM lots')}, ${await counted('SELECT COUNT(*) n FROM sold_lots')} sales in ${YEARS} years`,
  );
  const { buyers, money, orders } = services.sales;
  const forecast = async () => {
    const view = await services.house.view(who);
    const list = readyList(view);
    return [list, overStocked(view, list), orderOutlooks(view, list)];
  };
  const anew = (work: () => Promise<unknown>) => async () => {
    await changed();
    await work();
  };
  const cases: [string, () => Promise<unknown>, number?][] = [
    ['ready list and forecast after a write', anew(forecast)],
    ['buyers', () => buyers.list(who), MANY_RUNS],
    ['what buyers took by month', () => buyers.takings(who), MANY_RUNS],
    ['orders after a write', anew(async () => orders.list(who, await services.house.view(who)))],
    ['handed over, after a write', anew(async () => money.sold(who, await services.house.view(who)))],
    ['did it pay, after a write', anew(async () => money.reply(who, await services.house.view(who), undefined))],
  ];
  for (const [name, work, runs = RUNS] of cases) {
    const { ours, ratio, statements } = await besideSql(work, runs);
    say(
      `${name}: ${ours.toFixed(0)} ms, ${ratio.toFixed(2)} times the same rows by SQL (${statements} statements, aim: at most 2)`,
    );
  }
  await database.close();
}

await main();
