import { inbreedingOf } from './inbreeding';
import { findAsked, orderPedigree, type OrderedPedigree, type PedigreeRecord } from './pedigree';

/** Above this many animals the whole table would not fit into memory; asked rows are then worked out one by one. */
const WHOLE_TABLE = 6000;

/** Kinship of the asked animals, in the asked order. */
export interface KinshipMatrix {
  ids: string[];
  matrix: number[][];
}

/** The asked animals and all their ancestors, still parents first; `asked` are their numbers there. */
function onlyAncestors({ sire, dam }: OrderedPedigree, asked: readonly number[]) {
  const wanted = new Uint8Array(sire.length);
  for (const i of asked) wanted[i] = 1;
  for (let i = sire.length - 1; i >= 0; i--) {
    if (!wanted[i]) continue;
    for (const parent of [sire[i] ?? -1, dam[i] ?? -1]) if (parent >= 0) wanted[parent] = 1;
  }
  const number = new Int32Array(sire.length).fill(-1);
  let n = 0;
  for (let i = 0; i < sire.length; i++) if (wanted[i]) number[i] = n++;
  const keep = (parents: Int32Array): Int32Array => {
    const kept = new Int32Array(n).fill(-1);
    for (let i = 0; i < parents.length; i++) {
      const parent = parents[i] ?? -1;
      if (wanted[i] && parent >= 0) kept[number[i] ?? 0] = number[parent] ?? -1;
    }
    return kept;
  };
  return { sire: keep(sire), dam: keep(dam), asked: asked.map((i) => number[i] ?? 0) };
}

/**
 * The whole table of kinship, row after row in one array of n × n, for animals numbered parents first: an animal's row is the
 * mean of its parents' rows (the tabular method). Source: docs/sources.md#kinship (Emik & Terrill 1949).
 */
export function kinshipTable({ sire, dam }: Pick<OrderedPedigree, 'sire' | 'dam'>): Float64Array {
  const n = sire.length;
  const table = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    const [s, d, row] = [sire[i] ?? -1, dam[i] ?? -1, i * n];
    if (s >= 0 || d >= 0) {
      // A missing parent adds nothing: its part is the other's row taken by half.
      const [first, second, part] = s >= 0 && d >= 0 ? [s * n, d * n, 0.5] : [Math.max(s, d) * n, Math.max(s, d) * n, 0.25];
      for (let j = 0; j < i; j++) {
        const value = part * ((table[first + j] ?? 0) + (table[second + j] ?? 0));
        table[row + j] = value;
        table[j * n + i] = value;
      }
    }
    const inbreeding = s >= 0 && d >= 0 ? (table[s * n + d] ?? 0) : 0;
    table[row + i] = (1 + inbreeding) / 2;
  }
  return table;
}

/** One animal's kinship with all others in a time that grows with n only: A x = L D L' x. Source: docs/sources.md#kinship (Colleau 2002). */
function kinshipRow({ sire, dam }: Pick<OrderedPedigree, 'sire' | 'dam'>, inbreeding: Float64Array, i: number): Float64Array {
  const n = sire.length;
  const row = new Float64Array(n);
  row[i] = 1;
  for (let j = i; j >= 0; j--) {
    const part = (row[j] ?? 0) / 2;
    if (part === 0) continue;
    for (const parent of [sire[j] ?? -1, dam[j] ?? -1]) if (parent >= 0) row[parent] = (row[parent] ?? 0) + part;
  }
  const fOf = (parent: number) => (parent < 0 ? -1 : (inbreeding[parent] ?? 0));
  for (let j = 0; j < n; j++) {
    const [s, d] = [sire[j] ?? -1, dam[j] ?? -1];
    const own = (row[j] ?? 0) * (0.5 - 0.25 * (fOf(s) + fOf(d)));
    row[j] = own + ((s < 0 ? 0 : (row[s] ?? 0)) + (d < 0 ? 0 : (row[d] ?? 0))) / 2;
  }
  for (let j = 0; j < n; j++) row[j] = (row[j] ?? 0) / 2;
  return row;
}

/**
 * Kinship of the asked animals: the chance that a gene drawn from one and a gene drawn from the other come from one copy of an
 * ancestor; on the diagonal (1 + F) / 2. The kinship of two animals is the inbreeding of their young. Source: docs/sources.md#kinship
 * @throws CalculationError `duplicateId`, `selfParent`, `bothSexes`, `pedigreeCycle`, `unknownId`
 */
export function kinship({ pedigree, ids }: { pedigree: readonly PedigreeRecord[]; ids: readonly string[] }): KinshipMatrix {
  const ordered = orderPedigree(pedigree);
  const small = onlyAncestors(ordered, findAsked(ids, ordered.indexOf));
  const n = small.sire.length;
  if (n <= WHOLE_TABLE) {
    const table = kinshipTable(small);
    return { ids: [...ids], matrix: small.asked.map((i) => small.asked.map((j) => table[i * n + j] ?? 0)) };
  }
  const values = inbreedingOf(small);
  return {
    ids: [...ids],
    matrix: small.asked.map((i) => {
      const row = kinshipRow(small, values, i);
      return small.asked.map((j) => row[j] ?? 0);
    }),
  };
}
