import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CALCULATIONS, runCalculation } from './catalogue';

interface Case {
  input: unknown;
  output?: unknown;
  error?: string;
  tolerance?: { rel?: number; abs?: number; seconds?: number };
  note?: string;
}

const FOLDER = join(__dirname, '../../../core/vectors');
const files = readdirSync(FOLDER).map(
  (file) => JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as { calculation: string; cases: Case[] },
);
const TIME = /^\d{4}-\d{2}-\d{2}T/;

/** Where an output differs from the wanted one beyond the tolerance; null when it does not. */
function difference(got: unknown, want: unknown, tolerance: NonNullable<Case['tolerance']>, path = ''): string | null {
  if (typeof want === 'number') {
    const slack = Math.max(tolerance.abs ?? 0, (tolerance.rel ?? 0) * Math.abs(want));
    return typeof got === 'number' && Math.abs(got - want) <= slack ? null : `${path}: ${String(got)} is not ${want}`;
  }
  if (typeof want === 'string' && TIME.test(want))
    return typeof got === 'string' && Math.abs(Date.parse(got) - Date.parse(want)) <= (tolerance.seconds ?? 0) * 1000
      ? null
      : `${path}: ${String(got)} is not ${want}`;
  if (want === null || typeof want !== 'object') return got === want ? null : `${path}: ${String(got)} is not ${String(want)}`;
  if (typeof got !== 'object' || got === null) return `${path}: nothing there`;
  for (const [key, value] of Object.entries(want)) {
    const found = difference((got as Record<string, unknown>)[key], value, tolerance, `${path}.${key}`);
    if (found) return found;
  }
  return null;
}

describe.each(files.map((file) => [file.calculation, file.cases] as const))('%s', (name, cases) => {
  it.each(cases.map((one, i) => [one.note ?? `case ${i + 1}`, one] as const))('agrees with its reference: %s', (_note, one) => {
    const answer = runCalculation(name, one.input);
    if (one.error) expect(answer).toMatchObject({ error: one.error });
    else expect('output' in answer ? difference(answer.output, one.output, one.tolerance ?? {}) : answer).toBeNull();
  });
});

/** Proven by tables of their own: lines as they are typed, and the life of every species. */
const IN_TABLES = ['rounds.jot', 'species.life'];

describe('the catalogue', () => {
  it('has a reference file for each of its calculations, and the reverse', () => {
    expect(
      CALCULATIONS.map(({ name }) => name)
        .filter((name) => !IN_TABLES.includes(name))
        .sort(),
    ).toEqual(files.map(({ calculation }) => calculation).sort());
  });

  it('names the field at fault, the shape before the range', () => {
    expect(runCalculation('water.dose', { tankLitres: '54', targetMgPerL: -1, stock: { percentWv: 1 } })).toMatchObject({
      error: 'invalidInput',
      field: 'tankLitres',
    });
    expect(runCalculation('water.dose', { tankLitres: 54, targetMgPerL: -1, stock: { percentWv: 1 } })).toMatchObject({
      error: 'outOfRange',
      field: 'targetMgPerL',
    });
    expect(runCalculation('water.dose', { tankLitres: 54, targetMgPerL: 1, stock: {} })).toMatchObject({
      error: 'invalidStock',
      field: 'stock',
    });
    expect(runCalculation('water.dose', null)).toMatchObject({ error: 'invalidInput' });
    expect(runCalculation('water.wine', {})).toMatchObject({ error: 'unknownCalculation' });
  });

  it('takes null for what is left out, and further fields without complaint', () => {
    expect(
      runCalculation('room.tankLoad', {
        lengthCm: 60,
        widthCm: 30,
        heightCm: 30,
        waterHeightCm: 27,
        glassMm: null,
        colour: 'green',
      }),
    ).toHaveProperty('output.glassMm', 6);
  });

  it('refuses a day that does not exist instead of rolling it over', () => {
    const input = {
      model: { kind: 'degreeDays', baseC: 10, degreeDays: [30, 45] },
      startedAt: '2026-02-31T08:00:00Z',
      tempC: 25,
    };
    expect(runCalculation('spawning.stageTimes', input)).toMatchObject({ error: 'invalidTime' });
  });

  it('refuses money spent on nothing that has a name', () => {
    const spent = (kind: string) =>
      runCalculation('economics.costPerFish', { costs: [{ kind, amount: 5 }], tankDays: 0, tankDayRate: 0, fishReady: 1 });
    expect(spent('food')).toHaveProperty('output.total', 5);
    for (const kind of ['', '  ']) expect(spent(kind)).not.toHaveProperty('output');
  });

  it('explains every calculation in words, with a source that exists', () => {
    const sources = readFileSync(join(__dirname, '../../../../docs/sources.md'), 'utf8');
    for (const { words, source } of CALCULATIONS) {
      expect(words.length).toBeGreaterThan(20);
      expect(sources).toContain(`## ${source.replace('docs/sources.md#', '')}\n`);
    }
  });
});
