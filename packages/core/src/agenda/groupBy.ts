/** Groups items by a key, keeping their order; those without a key are left out. */
export function groupBy<T>(items: Iterable<T>, keyOf: (item: T) => string | null): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    if (key === null) continue;
    const found = groups.get(key);
    if (found) found.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
