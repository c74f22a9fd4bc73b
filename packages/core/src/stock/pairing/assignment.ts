/** A choice of edges between males and females, each female once, each male as often as his capacity, of least cost. */
export interface Assignment {
  /** By male, then female. */
  edges: { male: number; female: number }[];
  total: number;
}

const TIE = 1e-12;

/** Residual network: source, males, females, sink; arcs in pairs, the reverse of arc e being e ^ 1. */
class Network {
  readonly head: number[] = [];
  readonly room: number[] = [];
  readonly cost: number[] = [];
  readonly out: number[][];
  readonly potential: Float64Array;

  constructor(readonly nodes: number) {
    this.out = Array.from({ length: nodes }, () => []);
    this.potential = new Float64Array(nodes);
  }

  add(from: number, to: number, capacity: number, cost: number): number {
    const arc = this.head.length;
    this.head.push(to, from);
    this.room.push(capacity, 0);
    this.cost.push(cost, -cost);
    this.out[from]?.push(arc);
    this.out[to]?.push(arc + 1);
    return arc;
  }

  reduced(from: number, arc: number): number {
    return (this.cost[arc] ?? 0) + (this.potential[from] ?? 0) - (this.potential[this.head[arc] ?? 0] ?? 0);
  }

  push(arc: number): void {
    this.room[arc] = (this.room[arc] ?? 0) - 1;
    this.room[arc ^ 1] = (this.room[arc ^ 1] ?? 0) + 1;
  }

  /** Sends one unit along the cheapest way; false when there is none. Dijkstra on reduced costs. */
  augment(source: number, sink: number): boolean {
    const distance = new Float64Array(this.nodes).fill(Infinity);
    const by = new Int32Array(this.nodes).fill(-1);
    const done = new Uint8Array(this.nodes);
    distance[source] = 0;
    for (;;) {
      let at = -1;
      for (let node = 0; node < this.nodes; node++)
        if (!done[node] && (distance[node] ?? Infinity) < (at < 0 ? Infinity : (distance[at] ?? Infinity))) at = node;
      if (at < 0) break;
      done[at] = 1;
      for (const arc of this.out[at] ?? []) {
        if ((this.room[arc] ?? 0) <= 0) continue;
        const to = this.head[arc] ?? 0;
        const far = (distance[at] ?? 0) + Math.max(0, this.reduced(at, arc));
        if (far < (distance[to] ?? Infinity)) {
          distance[to] = far;
          by[to] = arc;
        }
      }
    }
    const reach = distance[sink] ?? Infinity;
    if (reach === Infinity) return false;
    for (let node = 0; node < this.nodes; node++)
      this.potential[node] = (this.potential[node] ?? 0) + Math.min(distance[node] ?? Infinity, reach);
    for (let node = sink; node !== source; node = this.head[(by[node] ?? 0) ^ 1] ?? source) this.push(by[node] ?? 0);
    return true;
  }

  /** Arcs of a way from one node to another over arcs that cost nothing more and are not frozen; null when there is none. */
  freeWay(from: number, to: number, frozen: Uint8Array): number[] | null {
    const by = new Int32Array(this.nodes).fill(-1);
    const queue = [from];
    const seen = new Uint8Array(this.nodes);
    seen[from] = 1;
    for (let i = 0; i < queue.length; i++) {
      const at = queue[i] ?? from;
      if (at === to) break;
      for (const arc of this.out[at] ?? []) {
        const next = this.head[arc] ?? 0;
        if (seen[next] || frozen[arc >> 1] || (this.room[arc] ?? 0) <= 0 || Math.abs(this.reduced(at, arc)) > TIE) continue;
        seen[next] = 1;
        by[next] = arc;
        queue.push(next);
      }
    }
    if (!seen[to]) return null;
    const way: number[] = [];
    for (let node = to; node !== from; node = this.head[(by[node] ?? 0) ^ 1] ?? from) way.push(by[node] ?? 0);
    return way;
  }
}

/**
 * The cheapest choice of exactly `wanted` pairs: minimum-cost flow by successive shortest ways, exact. Among choices that cost the
 * same the one whose list, sorted by male and female, comes first: edge after edge is taken in where an equally cheap choice has
 * it. Source: docs/sources.md#pairings
 * @param costs - rows males, columns females; null where a pair may not be
 * @param capacity - most matings of each male
 * @returns null when so many pairs cannot be had
 */
export function assign(
  costs: readonly (readonly (number | null)[])[],
  capacity: readonly number[],
  wanted: number,
): Assignment | null {
  const [males, females] = [costs.length, costs[0]?.length ?? 0];
  const [source, sink] = [males + females, males + females + 1];
  const network = new Network(males + females + 2);
  const arcs: { arc: number; male: number; female: number }[] = [];
  for (let male = 0; male < males; male++) network.add(source, male, capacity[male] ?? 0, 0);
  for (let female = 0; female < females; female++) network.add(males + female, sink, 1, 0);
  for (let male = 0; male < males; male++)
    for (let female = 0; female < females; female++) {
      const cost = costs[male]?.[female];
      if (cost != null) arcs.push({ arc: network.add(male, males + female, 1, cost), male, female });
    }
  for (let i = 0; i < wanted; i++) if (!network.augment(source, sink)) return null;

  const frozen = new Uint8Array(network.head.length / 2);
  for (const { arc, male, female } of arcs) {
    const taken = (network.room[arc] ?? 0) === 0;
    if (!taken && Math.abs(network.reduced(male, arc)) <= TIE) {
      frozen[arc >> 1] = 1;
      const way = network.freeWay(males + female, male, frozen);
      if (way) {
        network.push(arc);
        for (const step of way) network.push(step);
      }
    }
    frozen[arc >> 1] = 1;
  }
  const edges = arcs.filter(({ arc }) => (network.room[arc] ?? 0) === 0).map(({ male, female }) => ({ male, female }));
  return { edges, total: edges.reduce((sum, { male, female }) => sum + (costs[male]?.[female] ?? 0), 0) };
}
