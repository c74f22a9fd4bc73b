import fc from 'fast-check';
import type { Reply } from '../../data';
import { parseLotCsv, toLotCsv, type Known } from './lotCsv';
import { namedPedigree, parsePedigreeCsv, toAncestors, toPedigreeCsv, type PedigreeRow } from './pedigreeCsv';

type Lot = Reply<'lots'>[number];
const ZONE = 'Europe/Dublin';
const known: Known = {
  timeZone: ZONE,
  species: new Map([
    ['angelfish', 'angelfish'],
    ['lemon tetra', 'lemon-tetra'],
    ['lemon-tetra', 'lemon-tetra'],
  ]),
  tanks: new Map([
    ['A1.1', '0198d3a0-0000-7000-8000-000000000001'],
    ['B2', '0198d3a0-0000-7000-8000-000000000002'],
  ]),
  lotIds: new Set(),
};

/** Words with everything that CSV could stumble over. */
const words = fc
  .array(fc.constantFrom('Torn', 'fin', ',', '"', '\n', 'é', ';', '  x', "'", '=SUM(A1)', '-3', '@cmd'), {
    minLength: 1,
    maxLength: 4,
  })
  .map((parts) => parts.join(' ').trim())
  .filter((text) => text.length > 0);
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: null });
const lots = fc.array(
  fc.record({
    id: fc.uuid({ version: 7 }),
    name: maybe(words),
    speciesKey: fc.constantFrom('angelfish', 'lemon-tetra'),
    line: maybe(words),
    generation: maybe(fc.constantFrom('F1', 'F12')),
    grade: maybe(fc.constantFrom('A', 'B+')),
    origin: fc.constantFrom('wild', 'imported', 'local', 'ownBrood'),
    acquiredFrom: maybe(words),
    day: fc.constantFrom('2026-03-29', '2025-10-26', '2026-01-01'),
    bornOn: maybe(fc.constantFrom('2025-02-28')),
    tankCode: fc.constantFrom('A1.1', 'B2'),
    males: fc.nat(9),
    females: fc.nat(9),
    unsexed: fc.nat(500),
    marks: maybe(words),
    permit: maybe(words),
    isProven: fc.boolean(),
    isRetired: fc.boolean(),
  }),
  { maxLength: 8 },
);

describe('a file of lots', () => {
  it('is no program: what a spreadsheet would run is written as words', () => {
    const lot = { id: 'x', speciesKey: 'angelfish', origin: 'local', since: '2026-01-01T15:20:00.000Z' };
    const file = toLotCsv([{ ...lot, name: '=HYPERLINK(1)', line: '+1', marks: '@SUM' } as unknown as Lot], ZONE);
    expect(file).toContain("'=HYPERLINK(1)");
    expect(file.split(/[,\r\n]/).filter((cell) => /^"?[=+@]/.test(cell))).toEqual([]);
  });

  it('reads back what was written, whatever the words hold', () => {
    fc.assert(
      fc.property(lots, (rows) => {
        const file = toLotCsv(rows.map((row) => ({ ...row, since: `${row.day}T15:20:00.000Z` })) as unknown as Lot[], ZONE);
        const read = parseLotCsv(file, known);
        if (rows.length === 0) return;
        expect(read.map(({ problems }) => problems)).toEqual(rows.map(() => []));
        expect(
          read.map(({ value }) => ({
            ...value?.heads,
            ...value?.details,
            id: value?.lotId,
            species: value?.speciesKey,
            origin: value?.origin,
            from: value?.acquiredFrom,
            day: value?.since.slice(0, 10),
            tank: value?.tankId,
          })),
        ).toEqual(
          rows.map((row) => ({
            males: row.males,
            females: row.females,
            unsexed: row.unsexed,
            name: row.name,
            line: row.line,
            generation: row.generation,
            grade: row.grade,
            marks: row.marks,
            permit: row.permit,
            bornOn: row.bornOn,
            isProven: row.isProven,
            isRetired: row.isRetired,
            id: row.id,
            species: row.speciesKey,
            origin: row.origin,
            from: row.acquiredFrom,
            day: row.day,
            tank: known.tanks.get(row.tankCode),
          })),
        );
      }),
    );
  });

  it('says by row and column what is wrong, and takes nothing of that row', () => {
    const file =
      'species,tank,males,since,proven\nLemon tetra,A1.1,2,2026-03-01,\npike,A9,two,March,perhaps\nangelfish,,3,2026-03-01,yes\n';
    const [good, bad, homeless] = parseLotCsv(file, known);
    expect(good).toMatchObject({
      line: 2,
      problems: [],
      value: { speciesKey: 'lemon-tetra', heads: { males: 2, females: 0, unsexed: 0 } },
    });
    expect(bad).toMatchObject({ line: 3, value: null });
    expect(bad?.problems.map(({ column, message }) => `${column}: ${message}`).sort()).toEqual([
      'males: two isn’t a number of animals.',
      'proven: Say yes, or leave it empty.',
      'since: Give a day, 2026-03-09.',
      'species: There is no species "pike".',
      'tank: There is no tank "A9".',
    ]);
    expect(homeless?.problems).toEqual([{ column: 'tank', message: 'Animals need a tank.' }]);
    expect(() => parseLotCsv('a,b\n1,2', known)).toThrow('"species" is missing');
  });

  it('gives an animal that is here already a new id, so that a copy harms nobody', () => {
    const id = '0198d3a0-0000-7000-8000-0000000000aa';
    const file = `id,species,tank,males,since\n${id},angelfish,B2,1,2026-03-01`;
    expect(parseLotCsv(file, known)[0]?.value?.lotId).toBe(id);
    expect(parseLotCsv(file, { ...known, lotIds: new Set([id]) })[0]?.value?.lotId).not.toBe(id);
  });
});

describe('a file of a pedigree', () => {
  const names = ['Torn fin', 'Blue, bar', 'Grey "heron"', 'Copper'];
  const side = fc
    .uniqueArray(fc.constantFrom(...names), { maxLength: 3 })
    .map((ids) => ids.map((id) => ({ id, probability: 1 / Math.max(1, ids.length) })));

  it('reads back what was written, uncertain parents with their chances', () => {
    fc.assert(
      fc.property(fc.array(fc.record({ sires: side, dams: side }), { minLength: 1, maxLength: 6 }), (rows) => {
        const pedigree: PedigreeRow[] = rows.map((row, i) => ({ id: `animal ${i}`, ...row }));
        const read = parsePedigreeCsv(toPedigreeCsv(pedigree));
        expect(read.map(({ value }) => value)).toEqual(pedigree);
      }),
    );
  });

  it('says by row and column what is wrong', () => {
    const read = parsePedigreeCsv('id,sire,dam\na,b,c\na,a:0.7|x:0.6,\n,b,c\ne,e,y:2');
    expect(read.flatMap(({ line, problems }) => problems.map(({ column, message }) => `${line} ${column}: ${message}`))).toEqual([
      '3 id: "a" is in the file twice.',
      '3 sire: The chances add up to more than 1.',
      '3 sire: It cannot be its own parent.',
      '4 id: An animal needs a name.',
      '5 dam: A chance lies above 0 and up to 1.',
      '5 sire: It cannot be its own parent.',
    ]);
    expect(() => parsePedigreeCsv('id,father\n1,2')).toThrow('id, sire, dam');
  });

  it('becomes ancestors once each, and knows those that are here', () => {
    const rows: PedigreeRow[] = [
      { id: 'son', sires: [{ id: 'old', probability: 1 }], dams: [{ id: 'here', probability: 1 }] },
      { id: 'daughter', sires: [{ id: 'old', probability: 1 }], dams: [] },
    ];
    const lots = toAncestors(rows, {
      speciesKey: 'angelfish',
      now: '2026-03-01T10:00:00Z',
      lotIdByName: new Map([['here', 'lot-here']]),
    });
    expect(lots.map(({ details }) => details.name)).toEqual(['son', 'old', 'daughter']);
    const old = lots.find(({ details }) => details.name === 'old');
    expect(lots[0]).toMatchObject({
      sires: [{ lotId: old?.lotId, probability: 1 }],
      dams: [{ lotId: 'lot-here', probability: 1 }],
    });
  });

  it('names an animal by its id where its name would be read otherwise', () => {
    const pedigree = [
      { id: '1' },
      { id: '2' },
      { id: '3', sires: [{ id: '1', probability: 1 }], dams: [{ id: '2', probability: 1 }] },
    ];
    expect(namedPedigree(pedigree, { '1': 'Copper', '2': 'Same', '3': 'Same' })).toEqual([
      { id: 'Copper', sires: [], dams: [] },
      { id: '2', sires: [], dams: [] },
      { id: '3', sires: [{ id: 'Copper', probability: 1 }], dams: [{ id: '2', probability: 1 }] },
    ]);
  });
});
