import { NEVER_RELEASE } from '@freshet/core/sales';
import { createDocument, fitText } from '../print';
import { LIST_COLUMNS, type ListColumn, type StockList } from './stockList';

const PAGE = { width: 595.28, height: 841.89 };
const MARGIN = 48;
const ROW = 18;
const BOTTOM = 70;
/** How wide a column is beside the others. */
const SHARE: Record<ListColumn, number> = { species: 3, scientific: 3, brood: 2, count: 1, sexes: 2.4, length: 1.6, price: 1.4 };

/** The list to send as PDF; as many pages as it needs. */
export async function stockListPdf({ title, words, day, columns, rows }: StockList): Promise<Uint8Array> {
  const { pdf, text, bold, rgb } = await createDocument(title);
  const ink = rgb(0.09, 0.15, 0.12);
  let page = pdf.addPage([PAGE.width, PAGE.height]);
  let y = PAGE.height - 70;
  const width = PAGE.width - 2 * MARGIN;
  const shares = columns.reduce((sum, key) => sum + SHARE[key], 0);
  const put = (line: string, x: number, size: number, font = text, room = width) =>
    page.drawText(fitText(line, font, size, room), { x, y, size, font, color: ink });
  const next = (by: number) => {
    y -= by;
    if (y >= BOTTOM) return;
    page = pdf.addPage([PAGE.width, PAGE.height]);
    y = PAGE.height - 70;
  };
  const across = (texts: readonly string[], font = text) => {
    let x = MARGIN;
    columns.forEach((key, i) => {
      const room = (width * SHARE[key]) / shares;
      put(texts[i] ?? '', x, 10.5, font, room - 8);
      x += room;
    });
    next(ROW);
  };
  put(title, MARGIN, 20, bold);
  next(24);
  put(day, MARGIN, 11);
  next(24);
  for (const line of words.split('\n').filter(Boolean)) {
    put(line, MARGIN, 11);
    next(16);
  }
  next(8);
  across(
    columns.map((key) => LIST_COLUMNS.find((one) => one.key === key)?.words ?? key),
    bold,
  );
  for (const row of rows) across(columns.map((key) => row[key]));
  next(14);
  put(NEVER_RELEASE, MARGIN, 10);
  return pdf.save();
}
