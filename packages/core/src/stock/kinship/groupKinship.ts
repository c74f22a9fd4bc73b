import { findAsked, orderGroups, type GroupRecord, type NumberedCandidates, type OrderedGroups } from './pedigree';
import type { KinshipMatrix } from './kinship';

const sum = (side: readonly NumberedCandidates[]) => side.reduce((all, one) => all + one.probability, 0);

/** The table of expected kinship, row after row in one array of n × n, and the inbreeding, for candidates numbered first. */
export function groupKinshipTable({ sires, dams, brood }: OrderedGroups): { table: Float64Array; inbreeding: Float64Array } {
  const n = sires.length;
  const table = new Float64Array(n * n);
  const inbreeding = new Float64Array(n);
  const at = (i: number, j: number) => table[i * n + j] ?? 0;
  for (let i = 0; i < n; i++) {
    const [mine, hers] = [sires[i] ?? [], dams[i] ?? []];
    const row = i * n;
    for (const { index, probability } of [...mine, ...hers]) {
      const [from, part] = [index * n, probability / 2];
      for (let j = 0; j < i; j++) table[row + j] = (table[row + j] ?? 0) + part * (table[from + j] ?? 0);
    }
    let f = 0;
    for (const s of mine) for (const d of hers) f += s.probability * d.probability * at(s.index, d.index);
    inbreeding[i] = f;
    const number = brood[i] ?? -1;
    if (number >= 0) {
      const own = (side: readonly NumberedCandidates[]) =>
        side.reduce((all, { index, probability }) => all + probability * at(index, index), (1 - sum(side)) / 2);
      const sibs = 0.25 * (own(mine) + own(hers) + 2 * f);
      for (let j = 0; j < i; j++) if (brood[j] === number) table[row + j] = sibs;
    }
    for (let j = 0; j < i; j++) table[j * n + i] = table[row + j] ?? 0;
    table[row + i] = (1 + f) / 2;
  }
  return { table, inbreeding };
}

/**
 * Expected kinship where parents are known only as candidates: the exact mean over who the parents may be. Animals of one brood
 * share one draw of the sire and one of the dam; everybody else is drawn independently. What the candidates' chances leave open
 * is an unrelated outsider. Source: docs/sources.md#group-kinship
 * @throws CalculationError `duplicateCandidate`, `probabilitiesExceedOne`, `broodMismatch`, `duplicateId`, `selfParent`,
 *   `bothSexes`, `pedigreeCycle`, `unknownId`, in this order
 */
export function groupKinship({ pedigree, ids }: { pedigree: readonly GroupRecord[]; ids: readonly string[] }): KinshipMatrix & {
  inbreeding: Record<string, number>;
} {
  const ordered = orderGroups(pedigree);
  const asked = findAsked(ids, ordered.indexOf);
  const n = ordered.ids.length;
  const { table, inbreeding } = groupKinshipTable(ordered);
  return {
    ids: [...ids],
    matrix: asked.map((i) => asked.map((j) => table[i * n + j] ?? 0)),
    inbreeding: Object.fromEntries(pedigree.map(({ id }) => [id, inbreeding[ordered.indexOf.get(id) ?? 0] ?? 0])),
  };
}
