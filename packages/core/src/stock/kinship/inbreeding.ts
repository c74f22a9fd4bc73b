import { orderPedigree, type OrderedPedigree, type PedigreeRecord } from './pedigree';

/** The diagonal of A = L D L', row by row over each animal's ancestors only (Meuwissen & Luo 1992): for pedigrees that are wide but not deep. */
export function byAncestors({ sire, dam }: Pick<OrderedPedigree, 'sire' | 'dam'>): Float64Array {
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

/** Above this many parents in use at once their table would not fit; ancestors are then followed one animal at a time. */
const MOST_IN_USE = 5000;

type Parents = Pick<OrderedPedigree, 'sire' | 'dam'>;

/** For an order of animals: until which place each is in use as a parent, and how many are in use at once at most. */
function useOf({ sire, dam }: Parents, order: Int32Array): { lastUse: Int32Array; most: number } {
  const lastUse = new Int32Array(sire.length).fill(-1);
  for (let at = 0; at < order.length; at++) {
    const i = order[at] ?? 0;
    for (const parent of [sire[i] ?? -1, dam[i] ?? -1]) if (parent >= 0) lastUse[parent] = at;
  }
  let [inUse, most] = [0, 0];
  for (let at = 0; at < order.length; at++) {
    const i = order[at] ?? 0;
    if ((lastUse[i] ?? -1) > at) inUse++;
    most = Math.max(most, inUse);
    const [s, d] = [sire[i] ?? -1, dam[i] ?? -1];
    if (s >= 0 && lastUse[s] === at) inUse--;
    if (d >= 0 && d !== s && lastUse[d] === at) inUse--;
  }
  return { lastUse, most };
}

/** Animals as numbered, and by generation: one of the two keeps few parents in use. */
function orders({ sire, dam }: Parents): Int32Array[] {
  const n = sire.length;
  const generation = new Int32Array(n);
  const at = (parent: number) => (parent < 0 ? -1 : (generation[parent] ?? 0));
  for (let i = 0; i < n; i++) generation[i] = 1 + Math.max(at(sire[i] ?? -1), at(dam[i] ?? -1));
  const numbered = Int32Array.from({ length: n }, (_, i) => i);
  return [numbered, Int32Array.from(numbered).sort((a, b) => (generation[a] ?? 0) - (generation[b] ?? 0) || a - b)];
}

/** Kinship of the parents in use only, in a table that each new parent enters and leaves after its last young. */
function byTable({ sire, dam }: Parents, order: Int32Array, lastUse: Int32Array, most: number): Float64Array {
  const inbreeding = new Float64Array(sire.length);
  const table = new Float64Array(most * most);
  const place = new Int32Array(sire.length).fill(-1);
  const free = Array.from({ length: most }, (_, slot) => most - 1 - slot);
  for (let at = 0; at < order.length; at++) {
    const i = order[at] ?? 0;
    const [s, d] = [sire[i] ?? -1, dam[i] ?? -1];
    const [first, second] = [s < 0 ? -1 : (place[s] ?? 0) * most, d < 0 ? -1 : (place[d] ?? 0) * most];
    const f = s >= 0 && d >= 0 ? (table[first + (place[d] ?? 0)] ?? 0) : 0;
    inbreeding[i] = f;
    if ((lastUse[i] ?? -1) > at) {
      const slot = free.pop() ?? 0;
      const row = slot * most;
      place[i] = slot;
      for (let j = 0; j < most; j++) {
        const value = ((first < 0 ? 0 : (table[first + j] ?? 0)) + (second < 0 ? 0 : (table[second + j] ?? 0))) / 2;
        table[row + j] = value;
        table[j * most + slot] = value;
      }
      table[row + slot] = (1 + f) / 2;
    }
    if (s >= 0 && lastUse[s] === at) free.push(place[s] ?? 0);
    if (d >= 0 && d !== s && lastUse[d] === at) free.push(place[d] ?? 0);
  }
  return inbreeding;
}

/**
 * Inbreeding of every animal, numbered parents first. Only parents that still have young to come are kept in the table of kinship,
 * so that fifty thousand animals over a hundred generations are a matter of a second; where too many are in use at once, each
 * animal's ancestors are followed instead. Source: docs/sources.md#kinship
 */
export function inbreedingOf(pedigree: Parents): Float64Array {
  const [best] = orders(pedigree)
    .map((order) => ({ order, ...useOf(pedigree, order) }))
    .sort((a, b) => a.most - b.most);
  return best && best.most <= MOST_IN_USE ? byTable(pedigree, best.order, best.lastUse, best.most) : byAncestors(pedigree);
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
