import { formatMoney, NEVER_RELEASE, type OpenOrder } from '@freshet/core/sales';
import { formatDay, type Day } from '@freshet/core/time';
import type { Reply } from '../data';
import { createDocument, fitText } from '../print';
import type { Packed } from './packed';

const PAGE = { width: 595.28, height: 841.89 };
const MARGIN = 48;
const ROW = 20;
const TOP = PAGE.height - 90;
const BOTTOM = 90;

/** The list that goes with the bags: what is in them, what each brings, the codes, and what the buyer should know. */
export async function buyersList({
  house,
  open,
  order,
  packed,
  currency,
  today,
}: {
  house: string;
  open: OpenOrder;
  order: Reply<'orders'>[number] | null;
  packed: readonly Packed[];
  currency: string;
  today: Day;
}): Promise<Uint8Array> {
  const { pdf, text, bold, mono, rgb } = await createDocument(`Order ${open.number}`);
  const ink = rgb(0.09, 0.15, 0.12);
  let page = pdf.addPage([PAGE.width, PAGE.height]);
  let y = TOP;
  const put = (words: string, x: number, size = 11, font = text, width = PAGE.width - MARGIN - x) =>
    page.drawText(fitText(words, font, size, width), { x, y, size, font, color: ink });
  const next = (by = ROW) => {
    y -= by;
    if (y > BOTTOM) return;
    page = pdf.addPage([PAGE.width, PAGE.height]);
    y = TOP;
  };
  put(`Order ${open.number}`, MARGIN, 20, bold);
  next(26);
  put(`${house}${order ? ` to ${order.buyerName}` : ''}, ${formatDay(open.dueOn, today)}`, MARGIN);
  next(32);
  let total = 0;
  for (const one of packed) {
    const cents = order?.lines.find(({ lineId }) => lineId === one.lineId)?.cents ?? 0;
    total += cents * one.heads;
    put(String(one.heads), MARGIN, 11, bold, 36);
    put(`${one.speciesName}, ${one.scientificName}`, MARGIN + 40, 11, text, 270);
    put(one.code, MARGIN + 320, 11, mono, 70);
    if (cents > 0) put(`${formatMoney(cents, currency)} each`, MARGIN + 400, 11, text, 100);
    next(one.papers ? 14 : ROW);
    if (one.papers) {
      put(one.papers, MARGIN + 40, 10);
      next();
    }
  }
  if (total > 0) {
    put(`In all ${formatMoney(total, currency)}`, MARGIN + 320, 11, bold);
    next(30);
  }
  for (const words of [
    'Float or drip: new water slowly, temperature first. No food today.',
    'The code on a bag leads back to its brood: tell it if anything is wrong with them.',
    NEVER_RELEASE,
  ]) {
    put(words, MARGIN, 10);
    next(16);
  }
  return pdf.save();
}
