import type { Database, Reading } from '../platform';

/** What can stand with a price, one and several. */
const PRICED = {
  sale: ['sale', 'sales'],
  order: ['order', 'orders'],
  moneyNote: ['note of money', 'notes of money'],
  purchase: ['purchase on the shelf', 'purchases on the shelf'],
} as const;

/** What stands with a price, in words: "2 sales", "1 order". */
export async function pricedRows(database: Database, at: Reading): Promise<string[]> {
  const [counts] = await database.select<Record<keyof typeof PRICED, string>>(
    at,
    `SELECT (SELECT COUNT(*) FROM sold_lots WHERE house_id = :houseId AND live = 1 AND cents > 0) sale,
         (SELECT COUNT(DISTINCT order_id) FROM orders WHERE house_id = :houseId AND live = 1 AND order_lines REGEXP '"cents": ?[1-9]') \`order\`,
         (SELECT COUNT(*) FROM money_rows WHERE house_id = :houseId AND live = 1) moneyNote,
         (SELECT COUNT(*) FROM shelf_items WHERE house_id = :houseId AND live = 1 AND price_cents > 0) purchase`,
  );
  return (Object.keys(PRICED) as (keyof typeof PRICED)[]).flatMap((kind) => {
    const count = Number(counts?.[kind] ?? 0);
    return count === 0 ? [] : [`${count} ${PRICED[kind][count === 1 ? 0 : 1]}`];
  });
}
