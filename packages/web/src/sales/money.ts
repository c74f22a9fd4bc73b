import { formatMoney, readMoney } from '@freshet/core/sales';
import { FieldProblem, type Reply } from '../data';

/** Cents in words; a dash where nothing is known. */
export const showMoney = (cents: number | null, currency: string): string =>
  cents === null ? '–' : formatMoney(cents, currency);

/** A sum that rests on guesses: without its cents. */
export const showRound = (cents: number, currency: string): string =>
  // Adding nothing takes the sign off a loss that rounds to none.
  formatMoney(Math.round(cents / 100) * 100 + 0, currency).replace(/\.00$/, '');

/** Less than this is nothing. */
const LEAST_CENTS = 0.5;

/** A rate that rests on guesses, to two figures. */
export const showRate = (cents: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    maximumSignificantDigits: 2,
  }).format(Math.abs(cents) < LEAST_CENTS ? 0 : cents / 100);

/** Cents out of what was typed; nothing typed is nothing asked. @throws {FieldProblem} at the field where it is no amount */
export function moneyOf(field: string, text: string): number {
  if (!text.trim()) return 0;
  // A minus is let through, so that the contract says what is wrong with it.
  const minus = text.trim().startsWith('-');
  const cents = readMoney(minus ? text.trim().slice(1) : text);
  if (cents === null) throw new FieldProblem(field, 'Give an amount such as 2.50.');
  return minus ? -cents : cents;
}
/** Cents as they are typed, "2.50". */
export const typedMoney = (cents: number): string => (cents / 100).toFixed(2);

/** What a buyer pays for one of a species: as the last time, else as noted; undefined where nothing is known. */
export function priceAt(
  buyer: Pick<Reply<'buyers'>[number], 'took' | 'prices'> | undefined,
  speciesKey: string | undefined,
): number | undefined {
  const last = buyer?.took.find((one) => one.speciesKey === speciesKey)?.lastCents;
  return last !== undefined && last > 0 ? last : buyer?.prices.find((one) => one.speciesKey === speciesKey)?.cents;
}

/** What a species or brood took and brought. */
export type Paid = Reply<'money'>['species'][number];
/** What is left over of it, also when heating costs half as much again. */
export const netOf = (row: Paid, isDear: boolean): number => (isDear ? row.netDearHeatCents : row.netCents);
