import Papa from 'papaparse';
import { NEVER_RELEASE, type ReadyList } from '@freshet/core/sales';
import type { Reply } from '../data';
import { priceAt, showMoney } from './money';

/** What may stand in a list to send. */
export const LIST_COLUMNS = [
  { key: 'species', words: 'Species' },
  { key: 'scientific', words: 'Scientific name' },
  { key: 'brood', words: 'Brood' },
  { key: 'count', words: 'Number' },
  { key: 'sexes', words: 'Sexes' },
  { key: 'length', words: 'Length' },
  { key: 'price', words: 'Price each' },
] as const;
export type ListColumn = (typeof LIST_COLUMNS)[number]['key'];
export type ListRow = Record<ListColumn, string> & { broodId: string };

export interface StockList {
  title: string;
  words: string;
  /** The day it was made, in words. */
  day: string;
  columns: readonly ListColumn[];
  rows: readonly ListRow[];
}

/** For sale now, as it is told to others: likeliest numbers, the highest price anybody paid last. */
export function listRows(
  ready: ReadyList,
  scientific: ReadonlyMap<string, string>,
  buyers: Reply<'buyers'>,
  currency: string,
): ListRow[] {
  return ready.rows
    .filter(({ now }) => now.mid > 0)
    .map((row) => {
      const prices = buyers.flatMap((buyer) => priceAt(buyer, row.speciesKey) ?? []);
      const sexes = [row.males && `${row.males} m`, row.females && `${row.females} f`, row.unsexed && `${row.unsexed} unsexed`];
      return {
        broodId: row.broodId,
        species: row.speciesName,
        scientific: scientific.get(row.speciesKey) ?? '',
        brood: row.name,
        count: String(row.now.mid),
        sexes: sexes.filter(Boolean).join(', '),
        length: `${row.isMeasured ? '' : 'about '}${Math.round(row.lengthMm.mid)} mm`,
        price: prices.length > 0 ? showMoney(Math.max(...prices), currency) : 'ask',
      };
    });
}

const titleOf = (key: ListColumn) => LIST_COLUMNS.find((one) => one.key === key)?.words ?? key;

/** The list as comma-separated values. */
export const stockListCsv = ({ columns, rows }: StockList): string =>
  Papa.unparse(
    rows.map((row) => Object.fromEntries(columns.map((key) => [titleOf(key), row[key]]))),
    { escapeFormulae: true },
  );

const escaped = (text: string) =>
  text.replace(/[&<>"']/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[sign] ?? sign);

/** The list as one page that needs nothing else: to save, print or send. */
export function stockListHtml({ title, words, day, columns, rows }: StockList): string {
  const cells = (tag: 'th' | 'td', texts: readonly string[]) => texts.map((text) => `<${tag}>${escaped(text)}</${tag}>`).join('');
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<title>${escaped(title)}, ${escaped(day)}</title>
<style>
body { font: 16px/1.5 system-ui, sans-serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem; color: #17261f; background: #fff; }
table { border-collapse: collapse; width: 100%; margin: 1rem 0; }
th, td { text-align: left; padding: .35rem .75rem .35rem 0; border-bottom: 1px solid #c9d3cd; }
p.words { white-space: pre-line; }
</style>
<h1>${escaped(title)}</h1>
<p>${escaped(day)}</p>
${words ? `<p class="words">${escaped(words)}</p>\n` : ''}<table>
<thead><tr>${cells('th', columns.map(titleOf))}</tr></thead>
<tbody>
${rows
  .map(
    (row) =>
      `<tr>${cells(
        'td',
        columns.map((key) => row[key]),
      )}</tr>`,
  )
  .join('\n')}
</tbody>
</table>
<p>${escaped(NEVER_RELEASE)}</p>
</html>
`;
}
