import type { MoneyKind, BuyerKind, Settlement } from './keys';

export const BUYER_WORDS: Record<BuyerKind, string> = {
  shop: 'shop',
  auction: 'club auction',
  private: 'private',
  exchange: 'exchange',
  gift: 'given away',
  retirement: 'retired',
};

export const MONEY_WORDS: Record<MoneyKind, string> = {
  food: 'food',
  parents: 'breeders bought',
  equipment: 'equipment',
  treatment: 'treatment',
  travel: 'travel',
  fee: 'fee',
  electricity: 'electricity',
  water: 'water',
  otherCost: 'other cost',
  otherIncome: 'other income',
};

export const SETTLEMENT_WORDS: Record<Settlement, string> = {
  open: 'nothing done yet',
  refund: 'money back',
  credit: 'credit',
  replacement: 'replaced',
  none: 'no money back',
};

/** On every label and list. */
export const NEVER_RELEASE = 'Never release animals, plants or water.';
