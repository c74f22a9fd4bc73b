import { Op, QueryTypes } from 'sequelize';
import type { MoneyKind, OrderLine, BuyerKind, Payment, Settlement } from '@freshet/core/sales';
import {
  day,
  declareTable,
  flag,
  houseTable,
  id,
  instant,
  json,
  nullable,
  real,
  text,
  whole,
  type Database,
  type Reading,
  type RowOf,
  type Writing,
} from '../platform';
import { pricedRows } from './priced.repository';

const BUYER = declareTable('buyers', {
  buyerId: id(),
  kind: text<BuyerKind>(),
  name: text(),
  contact: nullable(text()),
  pays: text<Payment>(),
  leastMm: nullable(real()),
  perWeek: nullable(whole()),
  feePercent: nullable(real()),
  bagsMost: nullable(whole()),
  dates: json<string[]>(),
  prices: json<{ speciesKey: string; cents: number }[]>(),
  note: nullable(text()),
  erased: flag(),
  at: instant(),
});
export type BuyerRow = RowOf<typeof BUYER>;

/** A line as it is kept: with what each brings. */
export type OrderLineRow = OrderLine & { cents: number };
const ORDER = declareTable('orders', {
  orderId: id(),
  number: whole(),
  buyerId: id(),
  dueOn: day(),
  orderLines: json<OrderLineRow[]>(),
  note: nullable(text()),
  reason: nullable(text()),
  cancelled: nullable(text()),
  closed: flag(),
  takenAt: instant(),
  at: instant(),
});
export type OrderRow = RowOf<typeof ORDER>;

const SOLD = declareTable('sold_lots', {
  saleId: id(),
  orderId: nullable(id()),
  lineId: nullable(id()),
  buyerId: id(),
  pays: text<Payment>(),
  lotId: id(),
  broodId: nullable(id()),
  speciesKey: text(),
  tankId: nullable(id()),
  males: whole(),
  females: whole(),
  unsexed: whole(),
  cents: whole(),
  feeCents: whole(),
  lengthMm: nullable(real()),
  code: text(),
  at: instant(),
});
export type SoldRow = RowOf<typeof SOLD>;
const MONEY = declareTable('money_rows', {
  onDay: day(),
  kind: text<MoneyKind>(),
  cents: whole(),
  speciesKey: nullable(text()),
  note: nullable(text()),
  at: instant(),
});
const RATES = declareTable('house_rates', {
  currency: text(),
  kwhCents: real(),
  tankDayCents: real(),
  waterCentsPerM3: real(),
  roomC: real(),
  at: instant(),
});
const COMPLAINT = declareTable('complaints', {
  soldId: id(),
  heads: whole(),
  what: text(),
  settled: text<Settlement>(),
  cents: whole(),
  at: instant(),
});

const NEWEST_FIRST: { order: [string, string][] } = {
  order: [
    ['at', 'DESC'],
    ['id', 'DESC'],
  ],
};

export function createSalesRepository(database: Database) {
  const buyers = houseTable(database, BUYER);
  const orders = houseTable(database, ORDER);
  const sold = houseTable(database, SOLD);
  const money = houseTable(database, MONEY);
  const rates = houseTable(database, RATES);
  const complaints = houseTable(database, COMPLAINT);
  /** Orders as they stand: the newest row of each. Ids of rows grow with time. */
  const standing = (at: Reading) => ({
    id: {
      [Op.in]: database.sequelize.literal(
        `(SELECT newest FROM (SELECT MAX(id) newest FROM orders WHERE house_id = ${database.sequelize.escape(at.houseId)} AND live = 1 GROUP BY order_id) stand)`,
      ),
    },
  });
  return {
    buyers,
    orders,
    sold,
    money,
    rates,
    complaints,
    /** Each buyer as it stands. */
    async allBuyers(at: Reading): Promise<BuyerRow[]> {
      const newest = new Map<string, BuyerRow>();
      for (const row of await buyers.find(at, {}, NEWEST_FIRST)) if (!newest.has(row.buyerId)) newest.set(row.buyerId, row);
      return [...newest.values()];
    },
    buyer: async (at: Reading, buyerId: string) => (await buyers.find(at, { buyerId }, { ...NEWEST_FIRST, limit: 1 }))[0] ?? null,
    /** Takes who a buyer was out of every row there ever was of it, those taken back too. */
    async eraseBuyer(at: Writing, buyerId: string): Promise<void> {
      await database.sequelize.query(
        "UPDATE buyers SET name = 'Erased', contact = NULL, note = NULL, erased = 1 WHERE house_id = :houseId AND buyer_id = :buyerId",
        { replacements: { houseId: at.houseId, buyerId }, type: QueryTypes.UPDATE, transaction: at.tx },
      );
    },
    openOrders: (at: Reading) => orders.find(at, { ...standing(at), closed: false }),
    standingOrders: (at: Reading, limit: number) =>
      orders.find(at, standing(at), {
        order: [
          ['closed', 'ASC'],
          ['dueOn', 'DESC'],
          ['id', 'DESC'],
        ],
        limit,
      }),
    standingOrder: async (at: Reading, orderId: string) =>
      (await orders.find(at, { orderId }, { order: [['id', 'DESC']], limit: 1 }))[0] ?? null,
    /** The number of the next order; holds others back until the write ends. */
    nextNumber: async (at: Writing) =>
      ((await orders.find(at, {}, { order: [['number', 'DESC']], limit: 1 }))[0]?.number ?? 0) + 1,
    soldSince: (at: Reading, since: string) => sold.find(at, { at: { [Op.gte]: since } }, NEWEST_FIRST),
    newestSold: (at: Reading, limit: number) => sold.find(at, {}, { ...NEWEST_FIRST, limit }),
    byCode: async (at: Reading, code: string) => (await sold.find(at, { code }, { ...NEWEST_FIRST, limit: 1 }))[0] ?? null,
    ofBrood: (at: Reading, broodId: string) => sold.find(at, { broodId }, { ...NEWEST_FIRST, limit: 200 }),
    /** The money a house was begun with, before anybody said what things cost. */
    currencyAtFirst: async (at: Reading): Promise<string> =>
      (await database.select<{ currency: string }>(at, 'SELECT currency FROM houses WHERE id = :houseId'))[0]?.currency ?? 'EUR',
    pricedRows: (at: Reading) => pricedRows(database, at),
    newestRates: async (at: Reading) => (await rates.find(at, {}, { ...NEWEST_FIRST, limit: 1 }))[0] ?? null,
    moneyBetween: (at: Reading, from: string, to: string) =>
      money.find(at, { onDay: { [Op.between]: [from, to] } }, { order: [['onDay', 'DESC']] }),
    complaintsOf: (at: Reading, soldIds: readonly string[]) =>
      soldIds.length === 0 ? Promise.resolve([]) : complaints.find(at, { soldId: { [Op.in]: [...soldIds] } }, NEWEST_FIRST),
    /** What each buyer took of each species. */
    took: async (at: Reading) =>
      (
        await database.select<{
          buyerId: string;
          speciesKey: string;
          heads: string;
          cents: string;
          credit: string;
          last: Date;
          lastCents: string;
        }>(
          at,
          `SELECT buyer_id buyerId, species_key speciesKey, SUM(males + females + unsexed) heads,
             SUM(cents * (males + females + unsexed)) cents, SUM(IF(pays = 'credit', cents * (males + females + unsexed), 0)) credit, MAX(at) last,
             SUBSTRING_INDEX(GROUP_CONCAT(cents ORDER BY at DESC, id DESC), ',', 1) lastCents
           FROM sold_lots WHERE house_id = :houseId AND live = 1 GROUP BY buyer_id, species_key`,
        )
      ).map(({ buyerId, speciesKey, heads, cents, credit, last, lastCents }) => ({
        buyerId,
        speciesKey,
        heads: Number(heads),
        cents: Number(cents),
        credit: Number(credit),
        last: new Date(last).toISOString(),
        lastCents: Number(lastCents),
      })),
    /** What went to whom since a time, oldest first: only what months are summed from. */
    takenSince: (at: Reading, since: string) =>
      database.select<{ buyerId: string; speciesKey: string; at: Date; heads: number; cents: number }>(
        at,
        `SELECT buyer_id buyerId, species_key speciesKey, at, males + females + unsexed heads, cents
           FROM sold_lots WHERE house_id = :houseId AND live = 1 AND at >= :since ORDER BY at`,
        { since: new Date(since) },
      ),
    /** Heads of each species that left for others since a time, by the ledger; what was taken back is left out. */
    leftSince: async (at: Reading, since: string) =>
      (
        await database.select<{ speciesKey: string; heads: string; first: Date }>(
          at,
          `SELECT l.species_key speciesKey, SUM(m.males + m.females + m.unsexed) heads, MIN(m.from_at) first FROM movements m
             JOIN entries e ON e.house_id = m.house_id AND e.id = m.entry_id AND e.undone = 0
             JOIN lots l ON l.house_id = m.house_id AND l.id = m.from_lot_id
            WHERE m.house_id = :houseId AND m.live = 1 AND m.cause IN ('sale', 'gift') AND m.from_at >= :since
            GROUP BY l.species_key`,
          { since: new Date(since) },
        )
      ).map(({ speciesKey, heads, first }) => ({ speciesKey, heads: Number(heads), first: new Date(first).toISOString() })),
    /** Where lots stood at any time since: each stay with the time it ended, null while it goes on. */
    stays: async (at: Reading, since: string) =>
      (
        await database.select<{
          lotId: string;
          tankId: string;
          from: Date;
          to: Date | null;
          broodId: string | null;
          speciesKey: string;
        }>(
          at,
          `SELECT p.lot_id lotId, p.tank_id tankId, p.at \`from\`, l.brood_id broodId, l.species_key speciesKey,
             COALESCE(LEAD(p.at) OVER (PARTITION BY p.lot_id ORDER BY p.at, p.id),
               IF(l.heads > 0, NULL, (SELECT MAX(m.from_at) FROM movements m WHERE m.house_id = :houseId AND m.from_lot_id = l.id AND m.live = 1))) \`to\`
           FROM placements p JOIN lots l ON l.house_id = :houseId AND l.id = p.lot_id AND l.live = 1
           WHERE p.house_id = :houseId AND p.live = 1`,
          { since: new Date(since) },
        )
      ).flatMap(({ from, to, ...row }) => {
        const until = to === null ? null : new Date(to).toISOString();
        return until !== null && until < since ? [] : [{ ...row, from: new Date(from).toISOString(), to: until }];
      }),
    /** Water given and meals logged by tank and day since a time. */
    doses: async (at: Reading, since: string) => {
      const [changes, meals] = await Promise.all([
        database.select<{ tankId: string; at: Date; litres: number }>(
          at,
          'SELECT tank_id tankId, at, litres FROM changes WHERE house_id = :houseId AND live = 1 AND at >= :since',
          { since: new Date(since) },
        ),
        database.select<{ tankId: string; on: string; meals: string }>(
          at,
          "SELECT tank_id tankId, DATE_FORMAT(at, '%Y-%m-%d') `on`, COUNT(*) meals FROM care WHERE house_id = :houseId AND live = 1 AND kind = 'fed' AND at >= :since GROUP BY tank_id, `on`",
          { since: new Date(since) },
        ),
      ]);
      return {
        changes: changes.map((row) => ({ ...row, at: new Date(row.at).toISOString() })),
        meals: meals.map(({ meals: count, ...row }) => ({ ...row, meals: Number(count) })),
      };
    },
    /** What was paid for food that came onto the shelf since a time, cents. */
    foodBought: async (at: Reading, since: string) =>
      Number(
        (
          await database.select<{ cents: string | null }>(
            at,
            'SELECT SUM(price_cents) cents FROM shelf_items WHERE house_id = :houseId AND live = 1 AND at >= :since',
            { since: new Date(since) },
          )
        )[0]?.cents ?? 0,
      ),
    /** The newest reading of each kind of a tank before a time. */
    waterBefore: async (at: Reading, tankId: string, before: string) =>
      (
        await database.select<{ quantity: string; value: number; at: Date }>(
          at,
          `SELECT r.quantity, r.value, r.at FROM readings r JOIN (
             SELECT quantity, MAX(at) at FROM readings WHERE house_id = :houseId AND live = 1 AND tank_id = :tankId AND at <= :before AND at >= :since GROUP BY quantity) n
             ON n.quantity = r.quantity AND n.at = r.at WHERE r.house_id = :houseId AND r.live = 1 AND r.tank_id = :tankId`,
          { tankId, before: new Date(before), since: new Date(Date.parse(before) - 60 * 86_400_000) },
        )
      ).map(({ quantity, value, at: when }) => ({ quantity, value, at: new Date(when).toISOString() })),
    /** What was fed in a tank, and illness seen there, in the weeks before a time. */
    fedBefore: async (at: Reading, tankId: string, before: string) =>
      (
        await database.select<{ what: string; at: Date }>(
          at,
          "SELECT what, MAX(at) at FROM care WHERE house_id = :houseId AND live = 1 AND tank_id = :tankId AND kind = 'fed' AND at <= :before AND at >= :since GROUP BY what ORDER BY at DESC LIMIT 8",
          { tankId, before: new Date(before), since: new Date(Date.parse(before) - 14 * 86_400_000) },
        )
      ).map(({ what, at: when }) => ({ what, at: new Date(when).toISOString() })),
    illnessAround: async (at: Reading, tankId: string, before: string) =>
      (
        await database.select<{ what: string; at: Date }>(
          at,
          'SELECT what, at FROM illnesses WHERE house_id = :houseId AND live = 1 AND tank_id = :tankId AND at >= :since ORDER BY at DESC LIMIT 8',
          { tankId, since: new Date(Date.parse(before) - 60 * 86_400_000) },
        )
      ).map(({ what, at: when }) => ({ what, at: new Date(when).toISOString() })),
  };
}
export type SalesRepository = ReturnType<typeof createSalesRepository>;
