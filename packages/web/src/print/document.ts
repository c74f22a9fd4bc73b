import type { PDFFont } from 'pdf-lib';

/** The characters of Latin-1 and the few others a standard font of PDF has. */
const OTHERS = new Set([...'€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ']);

/** Words that a standard font can show: what it has no sign for becomes a question mark; a minus becomes a dash. */
export function printable(words: string): string {
  return [...words.normalize('NFC').replaceAll('−', '-')]
    .map((sign) => {
      const code = sign.codePointAt(0) ?? 0;
      return (code >= 32 && code < 127) || (code >= 160 && code < 256) || OTHERS.has(sign) ? sign : '?';
    })
    .join('');
}

/** Words cut with an ellipsis so that they fit a width, in points. */
export function fitText(words: string, font: PDFFont, size: number, width: number): string {
  const clean = printable(words);
  if (font.widthOfTextAtSize(clean, size) <= width) return clean;
  let length = clean.length;
  while (length > 1 && font.widthOfTextAtSize(`${clean.slice(0, length)}…`, size) > width) length--;
  return `${clean.slice(0, length).trimEnd()}…`;
}

/** A new PDF with its fonts; the library is fetched when it is needed. */
export async function createDocument(title: string) {
  const { PDFDocument, StandardFonts, rgb } = await import('pdf-lib');
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  pdf.setCreator('Freshet');
  const [text, bold, mono] = await Promise.all([
    pdf.embedFont(StandardFonts.Helvetica),
    pdf.embedFont(StandardFonts.HelveticaBold),
    pdf.embedFont(StandardFonts.CourierBold),
  ]);
  return { pdf, text, bold, mono, rgb };
}
