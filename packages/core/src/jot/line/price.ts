import { numberOf, type Word } from '../words/tokens';
import type { Said } from './said';

const CURRENCY = /^(€|\$|£|eur|euros?|usd|dollars?|bucks|gbp|pounds?|quid)$/;
const EACH = new Set(['each', 'ea', 'apiece', 'per', 'a piece', 'pc']);

/** A price: "for 12 euro", "€12", "at 2.50 each", "@ 3 each"; a sum at an hour's place in a sale is one, too. */
export function priceAt(words: readonly Word[], i: number, isSale: boolean): { said: Said; next: number } | null {
  let at = i;
  const word = words[at] as Word;
  const led = ['for', 'at', '@'].includes(word.low);
  if (led) at++;
  const sign = CURRENCY.test(words[at]?.low ?? '');
  if (sign) at++;
  const glued =
    /^([€$£])(\d+(?:[.,]\d{1,2})?)$/.exec(words[at]?.low ?? '') ??
    /^(\d+(?:[.,]\d{1,2})?)(€|\$|£|eur|euros?)$/.exec(words[at]?.low ?? '');
  const number = glued
    ? Number((/\d/.test(glued[1] ?? '') ? glued[1] : glued[2])?.replace(',', '.'))
    : numberOf(words[at])?.rest === ''
      ? numberOf(words[at])?.value
      : undefined;
  if (number === undefined) return null;
  let next = at + 1;
  const behind = !glued && !words[at]?.breaks && CURRENCY.test(words[next]?.low ?? '');
  if (behind) next++;
  const each = !words[next - 1]?.breaks && EACH.has(words[next]?.low ?? '');
  if (each) next++;
  const priced = /^\d+[.,]\d{2}$/.test(words[at]?.low ?? '');
  const isMoney =
    sign || behind || glued !== null || (each && led) || (each && isSale) || (isSale && led && (priced || word.low === 'for'));
  if (!isMoney) return null;
  const said: Said = {
    is: 'money',
    cents: Math.round(number * 100),
    each: each || (isSale && led && word.low !== 'for' && priced),
  };
  return { said, next };
}
