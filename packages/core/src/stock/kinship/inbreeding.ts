import { orderPedigree, type OrderedPedigree, type PedigreeRecord } from './pedigree';

/**
 * Inbreeding of every animal, numbered parents first: the diagonal of A = L D L', worked out row by row over each animal's
 * ancestors only, so that fifty thousand animals are a matter of a second. Source: docs/sources.md#kinship (Meuwissen & Luo 1992).
 */
export function inbreedingOf({ sire, dam }: Pick<OrderedPedigree, 'sire' | 'dam'>): Float64Array {
  const n = sire.length;
  const inbreeding = new Float64Array(n);
  const mendelian = new Float64Array(n);
  const share = new Float64Array(n);
  const waiting = new Uint8Array(n);
  const seen = new Map<number, number>();
  const fOf = (parent: number) => (parent < 0 ? -1 : (inbreeding[parent] ?? 0));
  // Ancestors wait in a heap, largest number (youngest) first.
  const heap: number[] = [];
  const push = (value: number) => {
    let at = heap.length;
    heap.push(value);
    while (at > 0) {
      const above = (at - 1) >> 1;
      if ((heap[above] ?? 0) >= value) break;
      heap[at] = heap[above] ?? 0;
      at = above;
    }
    heap[at] = value;
  };
  const pop = (): number => {
    const top = heap[0] ?? -1;
    const last = heap.pop() ?? -1;
    if (heap.length === 0) return top;
    let at = 0;
    for (;;) {
      let below = 2 * at + 1;
      if (below >= heap.length) break;
      if (below + 1 < heap.length && (heap[below + 1] ?? 0) > (heap[below] ?? 0)) below++;
      if ((heap[below] ?? 0) <= last) break;
      heap[at] = heap[below] ?? 0;
      at = below;
    }
    heap[at] = last;
    return top;
  };
  for (let i = 0; i < n; i++) {
    const [s, d] = [sire[i] ?? -1, dam[i] ?? -1];
    mendelian[i] = 0.5 - 0.25 * (fOf(s) + fOf(d));
    if (s < 0 || d < 0) continue;
    // Full sibs share their parents' kinship.
    const pair = s * n + d;
    const known = seen.get(pair);
    if (known !== undefined) {
      inbreeding[i] = known;
      continue;
    }
    let sum = 0;
    share[i] = 1;
    push(i);
    while (heap.length > 0) {
      const j = pop();
      const part = share[j] ?? 0;
      share[j] = 0;
      waiting[j] = 0;
      sum += part * part * (mendelian[j] ?? 0);
      for (const parent of [sire[j] ?? -1, dam[j] ?? -1]) {
        if (parent < 0) continue;
        share[parent] = (share[parent] ?? 0) + part / 2;
        if (waiting[parent]) continue;
        waiting[parent] = 1;
        push(parent);
      }
    }
    inbreeding[i] = sum - 1;
    seen.set(pair, sum - 1);
  }
  return inbreeding;
}

/**
 * Coefficient of inbreeding of every listed animal: the chance that both copies of a gene come from one copy of an ancestor.
 * Founders are unrelated and not inbred; unknown parents add nothing. Source: docs/sources.md#kinship
 * @throws CalculationError `duplicateId`, `selfParent`, `bothSexes`, `pedigreeCycle`, in this order
 */
export function inbreeding({ pedigree }: { pedigree: readonly PedigreeRecord[] }): { inbreeding: Record<string, number> } {
  const ordered = orderPedigree(pedigree);
  const values = inbreedingOf(ordered);
  return { inbreeding: Object.fromEntries(pedigree.map(({ id }) => [id, values[ordered.indexOf.get(id) ?? 0] ?? 0])) };
}
