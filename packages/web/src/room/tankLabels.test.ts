import { PDFDocument } from 'pdf-lib';
import { tankLabels } from './tankLabels';

describe('tank labels', () => {
  it('are a PDF of ten on a page that opens again, whatever the names hold', async () => {
    const labels = Array.from({ length: 11 }, (_, i) => ({
      code: `A${i}`,
      address: `http://127.0.0.1/tanks/${i}`,
      lines: ['魚', 'x'.repeat(200)],
    }));
    expect((await PDFDocument.load(await tankLabels(labels))).getPageCount()).toBe(2);
    expect((await PDFDocument.load(await tankLabels([]))).getPageCount()).toBeLessThanOrEqual(1);
  });
});
