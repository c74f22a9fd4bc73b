/** The dark cells of a code that leads to an address; the library is fetched when it is needed. @returns its side in cells, and each by row and column */
export async function codeCells(address: string): Promise<{ side: number; cells: { row: number; column: number }[] }> {
  const { default: QRCode } = await import('qrcode');
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
  const all = Array.from({ length: modules.size }, (_, i) => i);
  return {
    side: modules.size,
    cells: all.flatMap((row) => all.flatMap((column) => (modules.get(row, column) ? [{ row, column }] : []))),
  };
}
