import { PDFDocument } from 'pdf-lib';
import { printable } from '../print';
import { runParts, runSheet, type RunSheetInput } from './runSheet';

const tank = (code: string, litres: number) => ({ code, litres }) as RunSheetInput['source'];
const input = (litres: number): RunSheetInput => ({
  lot: { speciesName: 'Ranchu goldfish', males: 3, females: 4, unsexed: 0 } as RunSheetInput['lot'],
  source: tank('A3.1', 101),
  target: tank('Y2', litres),
  transfer: {
    rows: [{ quantity: 'tempC', source: 24, target: 14, differs: true }],
    floatMinutes: 57,
    drip: { hours: 2.1, finalLitres: 5, limitedBy: 'tdsPpm', why: '' },
    warnings: [{ kind: 'crowded', text: 'there would be 90.' }],
  },
  house: {
    name: 'Saltings Shed',
    now: () => '2026-03-10T08:00:00Z',
    timeZone: 'Europe/Dublin',
    today: '2026-03-10',
    units: { temperature: 'degC', volume: 'L' },
  },
});

describe('a run sheet', () => {
  it('says what to prepare, in which order, what to mind and what to count, for a pond as for a tank', () => {
    const lines = (litres: number) =>
      runParts(input(litres))
        .flatMap((part) => part.lines)
        .join('\n');
    expect(runParts(input(555)).map(({ heading }) => heading)).toEqual(['Prepare', 'In this order', 'Mind', 'Counted']);
    expect(lines(555)).toContain('cover over the pond');
    expect(lines(40)).not.toContain('pond');
    expect(lines(555)).toContain('about 55 minutes');
    expect(lines(555)).toContain('Drip for about 2 hours, until there are 5 L');
    expect(lines(555)).toContain('There would be 90.');
    expect(lines(555)).toContain('booked 3 males, 4 females');
    expect(lines(555)).toContain('local law decides');
  });

  it('is a PDF that opens again, whatever the names hold', async () => {
    const sheet = await PDFDocument.load(await runSheet({ ...input(555), house: { ...input(1).house, name: 'Шед 🐟 − 5 °C' } }));
    expect(sheet.getPageCount()).toBe(1);
    expect(printable('Шед − 5 °C …')).toBe('??? - 5 °C …');
  });
});
