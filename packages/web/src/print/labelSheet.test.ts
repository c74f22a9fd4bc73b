import { PDFDocument } from 'pdf-lib';
import { labelSheet } from './labelSheet';

describe('labels', () => {
  it('are a PDF of ten on a page that opens again, whatever the names hold', async () => {
    const labels = Array.from({ length: 11 }, (_, i) => ({
      code: `A${i}`,
      address: `http://127.0.0.1/tanks/${i}`,
      lines: ['魚', 'x'.repeat(200)],
    }));
    expect((await PDFDocument.load(await labelSheet('Tank labels', labels))).getPageCount()).toBe(2);
    expect((await PDFDocument.load(await labelSheet('Tank labels', []))).getPageCount()).toBeLessThanOrEqual(1);
  });
});
