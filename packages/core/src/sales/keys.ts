// Names alone, apart from their words and sums: the first page fetches the schemas that list them.

/** Where fish go. */
export const BUYER_KINDS = ['shop', 'auction', 'private', 'exchange', 'gift', 'retirement'] as const;
export type BuyerKind = (typeof BUYER_KINDS)[number];
/** No price is asked of these. */
export const UNPAID: readonly BuyerKind[] = ['gift', 'retirement'];

/** How a buyer pays. */
export const PAYMENTS = ['cash', 'credit'] as const;
export type Payment = (typeof PAYMENTS)[number];

/** Which sex a buyer asks for. */
export const WANTED_SEXES = ['any', 'male', 'female'] as const;
export type WantedSex = (typeof WANTED_SEXES)[number];

/** What is written down of money besides sales. */
export const MONEY_KINDS = [
  'food',
  'parents',
  'equipment',
  'treatment',
  'travel',
  'fee',
  'electricity',
  'water',
  'otherCost',
  'otherIncome',
] as const;
export type MoneyKind = (typeof MONEY_KINDS)[number];

/** How a complaint was settled. */
export const SETTLEMENTS = ['open', 'refund', 'credit', 'replacement', 'none'] as const;
export type Settlement = (typeof SETTLEMENTS)[number];

/** Most lines of an order. */
export const MOST_LINES = 40;
