import Papa from 'papaparse';
import * as v from 'valibot';
import { v7 as newId } from 'uuid';
import { ImportedLot } from '@freshet/contract/stock';
import { houseDay, instantOf } from '@freshet/core/time';
import type { Body, Reply } from '../../data';

type Lot = Reply<'lots'>[number];
export type NewLot = Body<'importLots'>['lots'][number];

/** Columns of a file of lots, in their order. */
export const LOT_COLUMNS = [
  'id',
  'name',
  'species',
  'line',
  'generation',
  'grade',
  'origin',
  'acquired_from',
  'since',
  'born',
  'tank',
  'males',
  'females',
  'unsexed',
  'marks',
  'permit',
  'proven',
  'retired',
] as const;
type Column = (typeof LOT_COLUMNS)[number];

/** What is wrong with one row, and in which column. */
export interface RowProblem {
  column: string;
  message: string;
}
/** One row of a file as it was read: a lot, or what is wrong with it. */
export interface ReadRow<T> {
  /** Line of the file, the heads being line 1. */
  line: number;
  label: string;
  value: T | null;
  problems: RowProblem[];
}

/** What names in a file can mean here. */
export interface Known {
  timeZone: string;
  /** Species keys, by key and by common name in lower case. */
  species: ReadonlyMap<string, string>;
  /** Tank ids by code. */
  tanks: ReadonlyMap<string, string>;
  /** Ids of lots that are here already. */
  lotIds: ReadonlySet<string>;
}

/** What a spreadsheet would take for a formula is written behind an apostrophe; read back it is as it was. */
export const unescapeFormula = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');

const yes = (flag: boolean) => (flag ? 'yes' : '');

/** Lots as a file that reads back without loss. */
export function toLotCsv(lots: readonly Lot[], timeZone: string): string {
  const rows = lots.map((lot): Record<Column, string | number> => ({
    id: lot.id,
    name: lot.name ?? '',
    species: lot.speciesKey,
    line: lot.line ?? '',
    generation: lot.generation ?? '',
    grade: lot.grade ?? '',
    origin: lot.origin,
    acquired_from: lot.acquiredFrom ?? '',
    since: houseDay(lot.since, timeZone),
    born: lot.bornOn ?? '',
    tank: lot.tankCode ?? '',
    males: lot.males,
    females: lot.females,
    unsexed: lot.unsexed,
    marks: lot.marks ?? '',
    permit: lot.permit ?? '',
    proven: yes(lot.isProven),
    retired: yes(lot.isRetired),
  }));
  return Papa.unparse(rows, { columns: [...LOT_COLUMNS], escapeFormulae: true });
}

/** Which column a field of the schema was read from. */
const COLUMN_OF: Readonly<Record<string, Column>> = {
  lotId: 'id',
  speciesKey: 'species',
  origin: 'origin',
  acquiredFrom: 'acquired_from',
  tankId: 'tank',
  'heads.males': 'males',
  'heads.females': 'females',
  'heads.unsexed': 'unsexed',
  since: 'since',
  'details.name': 'name',
  'details.line': 'line',
  'details.generation': 'generation',
  'details.grade': 'grade',
  'details.marks': 'marks',
  'details.permit': 'permit',
  'details.bornOn': 'born',
};

function readRow(
  cells: Readonly<Record<string, string | undefined>>,
  known: Known,
): { value: NewLot | null; problems: RowProblem[] } {
  const problems: RowProblem[] = [];
  const cell = (column: Column) => cells[column]?.trim() ?? '';
  const text = (column: Column) => cell(column) || null;
  const fail = (column: Column, message: string) => problems.push({ column, message });
  const count = (column: 'males' | 'females' | 'unsexed') => (cell(column) === '' ? 0 : Number(cell(column)));
  const flag = (column: 'proven' | 'retired') => {
    if (['', 'no', '0', 'false'].includes(cell(column).toLowerCase())) return false;
    if (['yes', '1', 'true'].includes(cell(column).toLowerCase())) return true;
    fail(column, 'Say yes, or leave it empty.');
    return false;
  };
  const speciesKey = known.species.get(cell('species').toLowerCase());
  if (!speciesKey) fail('species', cell('species') ? `There is no species "${cell('species')}".` : 'Say which species.');
  const tankId = cell('tank') ? known.tanks.get(cell('tank')) : null;
  if (tankId === undefined) fail('tank', `There is no tank "${cell('tank')}".`);
  const since = cell('since');
  const isDay = /^\d{4}-\d{2}-\d{2}$/.test(since) && !Number.isNaN(Date.parse(`${since}T00:00:00Z`));
  if (!isDay) fail('since', 'Give a day, 2026-03-09.');
  const given = cell('id');
  const parsed = v.safeParse(ImportedLot, {
    lotId: /^[0-9a-f-]{36}$/.test(given) && !known.lotIds.has(given) ? given : newId(),
    speciesKey: speciesKey ?? '?',
    origin: cell('origin') || 'local',
    acquiredFrom: text('acquired_from'),
    tankId: tankId ?? null,
    heads: { males: count('males'), females: count('females'), unsexed: count('unsexed') },
    since: isDay ? instantOf(since, '12:00', known.timeZone) : '2000-01-01T00:00:00Z',
    details: {
      name: text('name'),
      line: text('line'),
      generation: text('generation'),
      grade: text('grade'),
      marks: text('marks'),
      permit: text('permit'),
      bornOn: text('born'),
      isProven: flag('proven'),
      isRetired: flag('retired'),
    },
    sires: [],
    dams: [],
  });
  if (!parsed.success)
    for (const issue of parsed.issues) {
      const path = v.getDotPath(issue) ?? '';
      problems.push({
        column: COLUMN_OF[path] ?? path,
        message: path.startsWith('heads') ? `${cell(COLUMN_OF[path] ?? 'males')} isn’t a number of animals.` : issue.message,
      });
    }
  else if (tankId === null && parsed.output.heads.males + parsed.output.heads.females + parsed.output.heads.unsexed > 0)
    fail('tank', 'Animals need a tank.');
  return { value: problems.length === 0 && parsed.success ? parsed.output : null, problems };
}

/** Reads a file of lots: every row becomes a lot or says what is wrong with it. @throws {Error} when it is no such file at all */
export function parseLotCsv(file: string, known: Known): ReadRow<NewLot>[] {
  const { data, meta } = Papa.parse<Record<string, string | undefined>>(file.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transform: unescapeFormula,
  });
  if (!meta.fields?.includes('species'))
    throw new Error(`The first line names the columns; "species" is missing. ${LOT_COLUMNS.join(', ')}`);
  const seen = new Set<string>();
  return data.map((cells, i) => {
    const { value, problems } = readRow(cells, known);
    const id = cells.id?.trim() ?? '';
    if (id && seen.has(id)) problems.push({ column: 'id', message: 'This id is in the file twice.' });
    seen.add(id);
    return {
      line: i + 2,
      label: cells.name?.trim() || (cells.species?.trim() ?? ''),
      value: problems.length === 0 ? value : null,
      problems,
    };
  });
}
