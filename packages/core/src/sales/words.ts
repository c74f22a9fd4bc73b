import type { MoneyKind, OutletKind, Settlement } from './keys';

export const OUTLET_WORDS: Record<OutletKind, string> = {
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
  open: 'not settled yet',
  refund: 'money back',
  credit: 'credit',
  replacement: 'replaced',
  none: 'settled without',
};

/** On every label and list. */
export const NEVER_RELEASE = 'Never release animals, plants or water.';
