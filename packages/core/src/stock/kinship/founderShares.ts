import type { OrderedGroups } from './pedigree';

/** Genes of each animal by founder, rows in pedigree order. A candidate passes on as much as it is likely. */
export function founderShares({ ids, sires, dams }: OrderedGroups): { founders: number[]; shares: Float64Array[] } {
  const founders: number[] = [];
  const shares: Float64Array[] = [];
  for (let i = 0; i < ids.length; i++) if ((sires[i] ?? []).length + (dams[i] ?? []).length === 0) founders.push(i);
  const column = new Map(founders.map((index, at) => [index, at]));
  for (let i = 0; i < ids.length; i++) {
    const row = new Float64Array(founders.length);
    const own = column.get(i);
    if (own !== undefined) row[own] = 1;
    for (const { index, probability } of [...(sires[i] ?? []), ...(dams[i] ?? [])])
      for (let k = 0; k < row.length; k++) row[k] = (row[k] ?? 0) + (probability / 2) * (shares[index]?.[k] ?? 0);
    shares.push(row);
  }
  return { founders, shares };
}
