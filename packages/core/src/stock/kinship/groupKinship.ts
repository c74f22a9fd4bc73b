import { findAsked, orderGroups, type GroupRecord, type NumberedCandidates, type OrderedGroups } from './pedigree';
import type { KinshipMatrix } from './kinship';

const sum = (side: readonly NumberedCandidates[]) => side.reduce((all, one) => all + one.probability, 0);

/**
 * The table of expected kinship, row after row in one array of n × n, and the inbreeding, for candidates numbered first.
 * @param founderShare - share of each animal's genes that come from one founder: kinship through him alone is then worked out
 */
export function groupKinshipTable(
  { sires, dams, brood }: OrderedGroups,
  founderShare: Float64Array | null = null,
): { table: Float64Array; inbreeding: Float64Array } {
  const n = sires.length;
  const table = new Float64Array(n * n);
  const inbreeding = new Float64Array(n);
  const at = (i: number, j: number) => table[i * n + j] ?? 0;
  const sibsOf = new Map<number, number[]>();
  for (let i = 0; i < n; i++) {
    const [mine, hers] = [sires[i] ?? [], dams[i] ?? []];
    const row = i * n;
    const candidates = [...mine, ...hers];
    // Two candidates at a time, the commonest case in one pass; the last pass fills the mirrored half too.
    for (let k = 0; k < candidates.length; k += 2) {
      const [one, other] = [candidates[k], candidates[k + 1]];
      const [first, part] = [(one?.index ?? 0) * n, (one?.probability ?? 0) / 2];
      const [second, rest] = other ? [other.index * n, other.probability / 2] : [first, 0];
      const isLast = k + 2 >= candidates.length;
      if (k === 0 && isLast)
        for (let j = 0; j < i; j++) {
          const value = part * (table[first + j] ?? 0) + rest * (table[second + j] ?? 0);
          table[row + j] = value;
          table[j * n + i] = value;
        }
      else
        for (let j = 0; j < i; j++) {
          const value = (table[row + j] ?? 0) + part * (table[first + j] ?? 0) + rest * (table[second + j] ?? 0);
          table[row + j] = value;
          if (isLast) table[j * n + i] = value;
        }
    }
    let f = 0;
    for (const s of mine) for (const d of hers) f += s.probability * d.probability * at(s.index, d.index);
    inbreeding[i] = f;
    const number = brood[i] ?? -1;
    if (number >= 0) {
      const own = (side: readonly NumberedCandidates[]) =>
        side.reduce(
          (all, { index, probability }) => all + probability * at(index, index),
          founderShare ? 0 : (1 - sum(side)) / 2,
        );
      const sibs = sibsOf.get(number) ?? [];
      if (sibs.length > 0) {
        const kin = 0.25 * (own(mine) + own(hers) + 2 * f);
        for (const j of sibs) {
          table[row + j] = kin;
          table[j * n + i] = kin;
        }
      }
      sibs.push(i);
      sibsOf.set(number, sibs);
    }
    table[row + i] = ((founderShare ? (founderShare[i] ?? 0) : 1) + f) / 2;
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
