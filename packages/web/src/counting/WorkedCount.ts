import type { COUNT_WAYS } from '@freshet/contract/stock';

/** A way of counting, as the contract lists them. */
export type CountWay = (typeof COUNT_WAYS)[number];
export const COUNT_WAY_WORDS: Record<CountWay, string> = {
  all: 'all of them',
  taps: 'tap by tap',
  squares: 'some squares',
  cups: 'by the cup',
  photograph: 'a photograph',
  recapture: 'marking',
};

/** A count that was worked out, with the range it lies in. */
export interface WorkedCount {
  count: number;
  low: number;
  high: number;
  how: CountWay;
  /** White eggs among them; null where nobody told. */
  white: number | null;
  lengthsMm: readonly number[];
}
