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
  const { ids, indexOf, sires, dams, brood } = orderGroups([...pedigree, young]);
  const n = ids.length;
  const child = indexOf.get(young.id) ?? 0;
  const founders = ids.flatMap((_, i) => ((sires[i] ?? []).length + (dams[i] ?? []).length === 0 ? [i] : []));
  const sideShare = (side: readonly { index: number; probability: number }[], share: Float64Array) =>
    side.reduce((sum, { index, probability }) => sum + probability * (share[index] ?? 0), 0);
  const seen: { id: string; both: number; sire: number; dam: number }[] = [];
  for (const founder of founders) {
    // Partial kinship: two genes that are both copies of this founder's, and of the same one of his two.
    const share = new Float64Array(n);
    const table = new Float64Array(n * n);
    let both = 0;
    for (let i = 0; i < n; i++) {
      if (i === founder) share[i] = 1;
      const [mine, hers] = [sires[i] ?? [], dams[i] ?? []];
      for (const { index, probability } of [...mine, ...hers]) {
        share[i] = (share[i] ?? 0) + (probability / 2) * (share[index] ?? 0);
        for (let j = 0; j < i; j++) table[i * n + j] = (table[i * n + j] ?? 0) + (probability / 2) * (table[index * n + j] ?? 0);
      }
      let partial = 0;
      for (const s of mine) for (const d of hers) partial += s.probability * d.probability * (table[s.index * n + d.index] ?? 0);
      const number = brood[i] ?? -1;
      if (number >= 0) {
        const own = (side: typeof mine) =>
          side.reduce((sum, { index, probability }) => sum + probability * (table[index * n + index] ?? 0), 0);
        const sibs = 0.25 * (own(mine) + own(hers) + 2 * partial);
        for (let j = 0; j < i; j++) if (brood[j] === number) table[i * n + j] = sibs;
      }
      for (let j = 0; j < i; j++) table[j * n + i] = table[i * n + j] ?? 0;
      table[i * n + i] = ((share[i] ?? 0) + partial) / 2;
      if (i === child) both = partial;
    }
    seen.push({
      id: ids[founder] ?? '',
      both: both / 2,
      sire: sideShare(sires[child] ?? [], share) / 2,
      dam: sideShare(dams[child] ?? [], share) / 2,
    });
  }
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
