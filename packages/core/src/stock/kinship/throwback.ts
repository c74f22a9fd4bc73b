import { founderShares } from './founderShares';
import { groupKinshipTable } from './groupKinship';
import { orderGroups, type GroupRecord } from './pedigree';

/** A founder, or two, through whom a recessive most likely came down. */
export interface LikelyCarrier {
  founders: string[];
  probability: number;
}

/** One carrier among so many founders is assumed before anything is known. */
const CARRIER_SHARE = 0.05;

/**
 * Who probably carried the hidden gene? A recessive that shows in the young of `parents` came down on both sides: either one copy
 * of one founder on both, or copies of two founders. Source: docs/sources.md#throwback
 * @param parents - candidate sires and dams of the young
 * @returns likeliest first; empty when nothing is known of the parents
 */
export function traceThrowback(
  pedigree: readonly GroupRecord[],
  parents: { sires: readonly { id: string; probability: number }[]; dams: readonly { id: string; probability: number }[] },
): LikelyCarrier[] {
  const young = { id: ' young ', sires: [...parents.sires], dams: [...parents.dams] };
  const ordered = orderGroups([...pedigree, young]);
  const { ids, indexOf, sires, dams } = ordered;
  const child = indexOf.get(young.id) ?? 0;
  const { founders, shares } = founderShares(ordered);
  const seen = founders.map((founder, k) => {
    const share = Float64Array.from(shares, (row) => row[k] ?? 0);
    const side = (candidates: readonly { index: number; probability: number }[] = []) =>
      candidates.reduce((sum, { index, probability }) => sum + probability * (share[index] ?? 0), 0);
    return {
      id: ids[founder] ?? '',
      // Both copies from him, and both the same one of his two.
      both: (groupKinshipTable(ordered, share).inbreeding[child] ?? 0) / 2,
      sire: side(sires[child]) / 2,
      dam: side(dams[child]) / 2,
    };
  });
  const likely: LikelyCarrier[] = seen.map(({ id, both }) => ({ founders: [id], probability: CARRIER_SHARE * both }));
  for (const [i, a] of seen.entries())
    for (const b of seen.slice(i + 1))
      likely.push({ founders: [a.id, b.id], probability: CARRIER_SHARE ** 2 * (a.sire * b.dam + b.sire * a.dam) });
  const all = likely.reduce((sum, { probability }) => sum + probability, 0);
  return all === 0
    ? []
    : likely
        .filter(({ probability }) => probability > 0)
        .map((one) => ({ ...one, probability: one.probability / all }))
        .sort((a, b) => b.probability - a.probability);
}
