/**
 * The smallest set that is best to be in: minimises the sum of `gain` over the set plus, for every edge, its weight when `from` is in
 * the set and `to` is not. By the maximum flow of whole numbers without bound.
 * @param gain - of each of the n, may be below 0 @param edges - weights 0 or more
 * @returns which are in, and what it comes to
 */
export function minCut(
  gain: readonly bigint[],
  edges: readonly { from: number; to: number; weight: bigint }[],
): { inSet: boolean[]; value: bigint } {
  const n = gain.length;
  const [source, sink] = [n, n + 1];
  const to: number[] = [];
  const left: bigint[] = [];
  const out: number[][] = Array.from({ length: n + 2 }, () => []);
  const add = (a: number, b: number, weight: bigint) => {
    out[a]?.push(to.length);
    to.push(b);
    left.push(weight);
    out[b]?.push(to.length);
    to.push(a);
    left.push(0n);
  };
  let least = 0n;
  gain.forEach((value, i) => {
    if (value < 0n) {
      least += value;
      add(source, i, -value);
    } else if (value > 0n) add(i, sink, value);
  });
  for (const { from, to: end, weight } of edges) if (weight > 0n) add(from, end, weight);
  let flow = 0n;
  for (;;) {
    const level = new Array<number>(n + 2).fill(-1);
    level[source] = 0;
    const queue = [source];
    for (let at = 0; at < queue.length; at++) {
      const node = queue[at] ?? 0;
      for (const edge of out[node] ?? []) {
        const next = to[edge] ?? 0;
        if ((left[edge] ?? 0n) > 0n && level[next] === -1) {
          level[next] = (level[node] ?? 0) + 1;
          queue.push(next);
        }
      }
    }
    if (level[sink] === -1) return { inSet: gain.map((_, i) => level[i] !== -1), value: least + flow };
    const next = new Array<number>(n + 2).fill(0);
    const push = (node: number, most: bigint): bigint => {
      if (node === sink) return most;
      const edges_ = out[node] ?? [];
      for (; (next[node] ?? 0) < edges_.length; next[node] = (next[node] ?? 0) + 1) {
        const edge = edges_[next[node] ?? 0] ?? 0;
        const end = to[edge] ?? 0;
        const open = left[edge] ?? 0n;
        if (open <= 0n || level[end] !== (level[node] ?? 0) + 1) continue;
        const sent = push(end, most < open ? most : open);
        if (sent > 0n) {
          left[edge] = open - sent;
          left[edge ^ 1] = (left[edge ^ 1] ?? 0n) + sent;
          return sent;
        }
      }
      return 0n;
    };
    for (let sent = push(source, 1n << 300n); sent > 0n; sent = push(source, 1n << 300n)) flow += sent;
  }
}
