import Papa from 'papaparse';
import { v7 as newId } from 'uuid';
import { NO_DETAILS } from '@freshet/contract/stock';
import type { GroupRecord } from '@freshet/core/stock';
import { unescapeFormula, type NewLot, type ReadRow, type RowProblem } from './lotCsv';

/** One row: an animal and who its parents are or may be, by name. */
export interface PedigreeRow {
  id: string;
  sires: { id: string; probability: number }[];
  dams: { id: string; probability: number }[];
}

const written = (side: PedigreeRow['sires']): string =>
  side.length === 1 && side[0]?.probability === 1
    ? side[0].id
    : side.map(({ id, probability }) => `${id}:${probability}`).join('|');

/** A pedigree as id,sire,dam; parents that are not certain are written with their chances, "Torn fin:0.6|Lantern:0.4". */
export function toPedigreeCsv(rows: readonly PedigreeRow[]): string {
  return Papa.unparse(
    rows.map(({ id, sires, dams }) => ({ id, sire: written(sires), dam: written(dams) })),
    { columns: ['id', 'sire', 'dam'], escapeFormulae: true },
  );
}

/** The pedigree of a species by what its animals are called; a name that two share keeps the id. */
export function namedPedigree(pedigree: readonly GroupRecord[], labels: Readonly<Record<string, string>>): PedigreeRow[] {
  const times = new Map<string, number>();
  for (const label of Object.values(labels)) times.set(label, (times.get(label) ?? 0) + 1);
  const name = (id: string) =>
    labels[id] !== undefined && times.get(labels[id]) === 1 && !/[:|]/.test(labels[id]) ? labels[id] : id;
  const side = (candidates: GroupRecord['sires']) =>
    (candidates ?? []).map(({ id, probability }) => ({ id: name(id), probability }));
  return pedigree.map(({ id, sires, dams }) => ({ id: name(id), sires: side(sires), dams: side(dams) }));
}

function readSide(text: string, column: string, problems: RowProblem[]): PedigreeRow['sires'] {
  if (!text.trim()) return [];
  const parents = text.split('|').map((part) => {
    const found = /^(.*?)(?::([0-9.eE+-]+))?$/.exec(part.trim());
    return { id: found?.[1]?.trim() ?? '', probability: found?.[2] === undefined ? 1 : Number(found[2]) };
  });
  if (parents.some(({ id }) => !id)) problems.push({ column, message: 'A parent has no name.' });
  else if (parents.some(({ probability }) => !(probability > 0 && probability <= 1)))
    problems.push({ column, message: 'A chance lies above 0 and up to 1.' });
  else if (parents.reduce((sum, { probability }) => sum + probability, 0) > 1 + 1e-9)
    problems.push({ column, message: 'The chances add up to more than 1.' });
  else if (new Set(parents.map(({ id }) => id)).size < parents.length)
    problems.push({ column, message: 'A parent is named twice.' });
  return parents;
}

/** Reads id,sire,dam. Rows stand in any order. @throws {Error} when it is no such file at all */
export function parsePedigreeCsv(file: string): ReadRow<PedigreeRow>[] {
  const { data, meta } = Papa.parse<Record<string, string | undefined>>(file.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transform: unescapeFormula,
  });
  if (!['id', 'sire', 'dam'].every((column) => meta.fields?.includes(column)))
    throw new Error('The first line names the columns: id, sire, dam.');
  const seen = new Set<string>();
  return data.map((cells, i) => {
    const problems: RowProblem[] = [];
    const id = cells.id?.trim() ?? '';
    if (!id) problems.push({ column: 'id', message: 'An animal needs a name.' });
    else if (id.length > 80) problems.push({ column: 'id', message: 'At most 80 characters.' });
    else if (seen.has(id)) problems.push({ column: 'id', message: `"${id}" is in the file twice.` });
    seen.add(id);
    const sires = readSide(cells.sire ?? '', 'sire', problems);
    const dams = readSide(cells.dam ?? '', 'dam', problems);
    if (sires.some((parent) => parent.id === id)) problems.push({ column: 'sire', message: 'It cannot be its own parent.' });
    if (dams.some((parent) => parent.id === id)) problems.push({ column: 'dam', message: 'It cannot be its own parent.' });
    return { line: i + 2, label: id, value: problems.length === 0 ? { id, sires, dams } : null, problems };
  });
}

/** Animals of a pedigree that are not here yet, as lots without animals in a tank; parents only named become founders. */
export function toAncestors(
  rows: readonly PedigreeRow[],
  known: { speciesKey: string; now: string; lotIdByName: ReadonlyMap<string, string> },
): NewLot[] {
  const idOf = new Map(known.lotIdByName);
  const names = [
    ...new Set(rows.flatMap(({ id, sires, dams }) => [id, ...sires.map((one) => one.id), ...dams.map((one) => one.id)])),
  ];
  const fresh = names.filter((name) => !idOf.has(name));
  for (const name of fresh) idOf.set(name, newId());
  const byName = new Map(rows.map((row) => [row.id, row]));
  const parents = (side: PedigreeRow['sires'] | undefined) =>
    (side ?? []).map(({ id, probability }) => ({ lotId: idOf.get(id) ?? '', probability }));
  return fresh.map((name) => ({
    lotId: idOf.get(name) ?? '',
    speciesKey: known.speciesKey,
    origin: 'local',
    acquiredFrom: null,
    tankId: null,
    heads: { males: 0, females: 0, unsexed: 0 },
    since: known.now,
    details: { ...NO_DETAILS, name },
    sires: parents(byName.get(name)?.sires),
    dams: parents(byName.get(name)?.dams),
  }));
}
