import { codeCells } from './codeCells';
import { createDocument, fitText, printable } from './document';

/** What stands on a label. */
export interface Label {
  code: string;
  /** Where the code leads. */
  address: string;
  lines: readonly string[];
}

/** Labels on A4: two across and five down, each 96 by 54 mm, with a line to cut along. */
const PAGE = { width: 595.28, height: 841.89 };
const ACROSS = 2;
const DOWN = 5;
const SIZE = { width: 272, height: 153 };
const QR = 104;

/** A sheet of labels as PDF, each with a QR code that opens its address; the library is fetched when it is needed. */
export async function labelSheet(title: string, labels: readonly Label[]): Promise<Uint8Array> {
  const { pdf, text, mono, rgb } = await createDocument(title);
  const ink = rgb(0.09, 0.15, 0.12);
  for (const [i, label] of labels.entries()) {
    const place = i % (ACROSS * DOWN);
    const page = place === 0 ? pdf.addPage([PAGE.width, PAGE.height]) : pdf.getPage(pdf.getPageCount() - 1);
    const left = (PAGE.width - ACROSS * SIZE.width) / 2 + (place % ACROSS) * SIZE.width;
    const bottom = PAGE.height - (PAGE.height - DOWN * SIZE.height) / 2 - (Math.floor(place / ACROSS) + 1) * SIZE.height;
    page.drawRectangle({
      x: left,
      y: bottom,
      width: SIZE.width,
      height: SIZE.height,
      borderColor: rgb(0.6, 0.66, 0.62),
      borderWidth: 0.5,
      borderDashArray: [3, 3],
    });
    const { side, cells } = await codeCells(label.address);
    const cell = QR / side;
    for (const { row, column } of cells)
      page.drawRectangle({
        x: left + SIZE.width - QR - 16 + column * cell,
        y: bottom + SIZE.height - 22 - (row + 1) * cell,
        width: cell + 0.06,
        height: cell + 0.06,
        color: ink,
      });
    const room = SIZE.width - QR - 46;
    const codeSize = Math.min(40, (room / mono.widthOfTextAtSize(printable(label.code), 10)) * 10);
    page.drawText(printable(label.code), {
      x: left + 16,
      y: bottom + SIZE.height - 22 - codeSize * 0.8,
      size: codeSize,
      font: mono,
      color: ink,
    });
    for (const [line, words] of label.lines.entries())
      page.drawText(fitText(words, text, 10, line < 4 ? room : SIZE.width - 32), {
        x: left + 16,
        y: bottom + SIZE.height - 86 - line * 14,
        size: 10,
        font: text,
        color: ink,
      });
  }
  return pdf.save();
}
