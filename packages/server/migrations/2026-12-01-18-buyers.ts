import type { Migration } from './migration';

const KINDS = [
  ['outlet', 'buyer'],
  ['outletErased', 'buyerErased'],
] as const;
const OF_A_BUYER = ['orders', 'sold_lots'];

/** Renames tables, columns and entries one way or the other. */
function renamed(from: 'outlet' | 'buyer', to: 'outlet' | 'buyer', kinds: readonly (readonly [string, string])[]): string[] {
  return [
    `RENAME TABLE IF EXISTS ${from}s TO ${to}s`,
    `ALTER TABLE ${to}s RENAME COLUMN IF EXISTS ${from}_id TO ${to}_id, RENAME KEY IF EXISTS ${from}s_newest TO ${to}s_newest, RENAME KEY IF EXISTS ${from}s_entry TO ${to}s_entry`,
    ...OF_A_BUYER.map((table) => `ALTER TABLE ${table} RENAME COLUMN IF EXISTS ${from}_id TO ${to}_id`),
    ...kinds.map(([one, other]) => `UPDATE entries SET kind = '${other}' WHERE kind = '${one}'`),
  ];
}

/** Who fish go to is called a buyer, in every layer. */
export const buyers: Migration = {
  name: '2026-12-01-18-buyers',
  up: renamed('outlet', 'buyer', KINDS),
  down: renamed(
    'buyer',
    'outlet',
    KINDS.map(([one, other]) => [other, one] as const),
  ),
};
