/** Ways in which illness goes from tank to tank; `tools` were carried at a time, `sameTools` serve both all the time. */
export const CONTACT_KINDS = ['sump', 'splash', 'lot', 'water', 'tools', 'sameTools'] as const;
export type ContactKind = (typeof CONTACT_KINDS)[number];

/** Something that can carry illness from one tank to another; without `at` it is there all the time. */
export interface Contact {
  from: string;
  to: string;
  kind: ContactKind;
  /** When it happened, ms since 1970; null for a lasting contact such as a shared sump. */
  atMs: number | null;
}

/** Begins the name of what joins many tanks at once, such as a sump; it is a stop on the way, never a tank. */
export const HUB = '#';

/** One tank that may be reached, when at the earliest, and the last step of the path there. */
export interface Exposed {
  tankId: string;
  /** Earliest time it may have been reached; for sources: latest time it may have been passed on. ms since 1970. */
  sinceMs: number;
  via: Contact | null;
}

interface Queued {
  id: number;
  ms: number;
  steps: number;
}
const before = (a: Queued, b: Queued) => a.ms < b.ms || (a.ms === b.ms && a.steps < b.steps);

/** A binary heap of tanks by time, then by steps. */
class Queue {
  private readonly items: Queued[] = [];
  push(item: Queued): void {
    const { items } = this;
    let at = items.push(item) - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      const [child, parent] = [items[at], items[up]];
      if (!child || !parent || !before(child, parent)) break;
      [items[at], items[up]] = [parent, child];
      at = up;
    }
  }
  pop(): Queued | undefined {
    const { items } = this;
    const top = items[0];
    const last = items.pop();
    if (!top || !last || items.length === 0) return top;
    items[0] = last;
    for (let at = 0; ;) {
      let least = at;
      for (const child of [2 * at + 1, 2 * at + 2]) {
        const [a, b] = [items[child], items[least]];
        if (a && b && before(a, b)) least = child;
      }
      if (least === at) return top;
      const [a, b] = [items[at], items[least]];
      if (a && b) [items[at], items[least]] = [b, a];
      at = least;
    }
  }
}

interface Edge {
  to: number;
  ms: number | null;
  contact: Contact;
}

/**
 * Earliest arrival over contacts that respect time: a step at a time can only be taken by what was there before it; lasting
 * contacts pass on at once. Every tank is settled once, so it costs (tanks + contacts) x log.
 */
function reach(edges: Edge[][], ids: readonly string[], start: number, startMs: number): Exposed[] {
  const best = new Float64Array(ids.length).fill(Infinity);
  const steps = new Uint32Array(ids.length);
  const via: (Contact | null)[] = ids.map(() => null);
  const settled = new Uint8Array(ids.length);
  const queue = new Queue();
  const out: Exposed[] = [];
  best[start] = startMs;
  queue.push({ id: start, ms: startMs, steps: 0 });
  for (let next = queue.pop(); next; next = queue.pop()) {
    const { id, ms } = next;
    if (settled[id]) continue;
    settled[id] = 1;
    out.push({ tankId: ids[id] ?? '', sinceMs: ms, via: via[id] ?? null });
    for (const { to, ms: atMs, contact } of edges[id] ?? []) {
      if (settled[to] || (atMs !== null && atMs < ms)) continue;
      const arrival = atMs ?? ms;
      // Into a hub and out of it is one step.
      const far = next.steps + (ids[to]?.startsWith(HUB) ? 0 : 1);
      const known = best[to] ?? Infinity;
      if (arrival > known || (arrival === known && far >= (steps[to] ?? 0))) continue;
      best[to] = arrival;
      steps[to] = far;
      via[to] = contact;
      queue.push({ id: to, ms: arrival, steps: far });
    }
  }
  return out;
}

/**
 * Which tanks illness may have reached from one tank since a time, or (backwards) which tanks it may have come from until a
 * time; by time-respecting reachability. Source: docs/sources.md#exposure
 * @param contacts - any order; those of kinds not to be counted are left out by the caller
 * @param direction - `exposed`: where it may have gone from `tankId` since `atMs`; `sources`: where it may have come from by `atMs`
 * @returns the tank itself first, then others and hubs in the order they are reached, by the fewest steps of those; `sinceMs` of a source is the latest it could have left
 */
export function computeExposure(
  contacts: readonly Contact[],
  tankId: string,
  atMs: number,
  direction: 'exposed' | 'sources' = 'exposed',
): Exposed[] {
  const index = new Map<string, number>();
  const ids: string[] = [];
  const edges: Edge[][] = [];
  const number = (id: string): number => {
    const known = index.get(id);
    if (known !== undefined) return known;
    index.set(id, ids.length);
    ids.push(id);
    edges.push([]);
    return ids.length - 1;
  };
  const start = number(tankId);
  const sign = direction === 'exposed' ? 1 : -1;
  for (const contact of contacts) {
    const [from, to] =
      direction === 'exposed' ? [number(contact.from), number(contact.to)] : [number(contact.to), number(contact.from)];
    edges[from]?.push({ to, ms: contact.atMs === null ? null : sign * contact.atMs, contact });
  }
  return reach(edges, ids, start, sign * atMs).map((found) => ({ ...found, sinceMs: sign * found.sinceMs }));
}

/**
 * The steps that lead to a tank, from the first to the last; empty for the tank itself or one that was not exposed. Two halves
 * of a step through a hub are joined.
 */
export function exposurePath(
  exposed: ReadonlyMap<string, Exposed>,
  tankId: string,
  direction: 'exposed' | 'sources' = 'exposed',
): Contact[] {
  const steps: Contact[] = [];
  for (let step = exposed.get(tankId)?.via; step; step = exposed.get(direction === 'exposed' ? step.from : step.to)?.via)
    steps.push(step);
  if (direction === 'exposed') steps.reverse();
  const path: Contact[] = [];
  for (const step of steps) {
    const last = path.at(-1);
    if (last?.to.startsWith(HUB)) path[path.length - 1] = { ...last, to: step.to };
    else path.push(step);
  }
  return path;
}
