/** Groups rows by a key, keeping their order. */
export function groupBy<T>(rows: Iterable<T>, keyOf: (row: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const found = groups.get(keyOf(row));
    if (found) found.push(row);
    else groups.set(keyOf(row), [row]);
  }
  return groups;
}
