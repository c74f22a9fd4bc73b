/** Cents as an amount of money, "€3.50". @param currency - ISO 4217 */
export const formatMoney = (cents: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' }).format(
    Math.round(cents) / 100,
  );

/** An amount that is typed, as cents; null when it is none. Takes "3", "3.5", "3,50" and "€3.50". */
export function readMoney(text: string): number | null {
  const match = /^\p{Sc}?\s*(\d{1,7})(?:[.,](\d{1,2}))?\s*\p{Sc}?$/u.exec(text.trim());
  if (!match) return null;
  return Number(match[1]) * 100 + Number((match[2] ?? '').padEnd(2, '0'));
}
