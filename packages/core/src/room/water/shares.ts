import { CalculationError } from '../../errors';

const FIELDS = ['ghDeg', 'khDeg', 'tdsPpm'] as const;
type Field = (typeof FIELDS)[number];
/** So that a target near zero does not decide everything. */
const FLOOR: Record<Field, number> = { ghDeg: 1, khDeg: 1, tdsPpm: 10 };
const SAME = 1e-12;
const SAME_SHARE = 1e-9;

/** A water that can be taken. */
export interface SourceWater {
  name: string;
  ghDeg: number;
  khDeg: number;
  tdsPpm: number;
  tempC?: number | null | undefined;
}
type Wishes = Partial<Record<Field, number | null | undefined>>;

/** Solves a small symmetric system; null when it has no unique answer. */
function solve(matrix: number[][], right: number[]): number[] | null {
  const size = right.length;
  const rows = matrix.map((row, i) => [...row, right[i] ?? 0]);
  for (let column = 0; column < size; column++) {
    const pivot = rows
      .slice(column)
      .reduce((best, row, i) => (Math.abs(row[column] ?? 0) > Math.abs(rows[best]?.[column] ?? 0) ? column + i : best), column);
    const [top, chosen] = [rows[column], rows[pivot]];
    if (!top || !chosen || Math.abs(chosen[column] ?? 0) < 1e-13) return null;
    [rows[column], rows[pivot]] = [chosen, top];
    for (const [i, row] of rows.entries()) {
      if (i === column) continue;
      const factor = (row[column] ?? 0) / (chosen[column] ?? 1);
      for (let j = column; j <= size; j++) row[j] = (row[j] ?? 0) - factor * (chosen[j] ?? 0);
    }
  }
  return rows.map((row, i) => (row[size] ?? 0) / (row[i] ?? 1));
}

function* subsets(count: number, most: number, from = 0, taken: number[] = []): Generator<number[]> {
  if (taken.length > 0) yield taken;
  if (taken.length === most) return;
  for (let i = from; i < count; i++) yield* subsets(count, most, i + 1, [...taken, i]);
}

/** Least squares over one subset with shares adding up to 1; null when the subset is degenerate or a share is negative. */
function sharesOf(columns: readonly number[][], target: readonly number[], subset: readonly number[]): number[] | null {
  const base = columns[subset.at(-1) ?? 0] ?? [];
  const free = subset.slice(0, -1).map((index) => (columns[index] ?? []).map((value, k) => value - (base[k] ?? 0)));
  const rest = target.map((value, k) => value - (base[k] ?? 0));
  const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, k) => sum + value * (b[k] ?? 0), 0);
  const found = solve(
    free.map((a) => free.map((b) => dot(a, b))),
    free.map((a) => dot(a, rest)),
  );
  if (!found) return null;
  const all = [...found, 1 - found.reduce((sum, share) => sum + share, 0)];
  if (all.some((share) => share < -SAME)) return null;
  const shares = columns.map(() => 0);
  subset.forEach((index, i) => (shares[index] = Math.max(0, all[i] ?? 0)));
  return shares;
}

const comesFirst = (a: readonly number[], b: readonly number[]) => {
  const i = a.findIndex((share, k) => Math.abs(share - (b[k] ?? 0)) > SAME_SHARE);
  return i >= 0 && (a[i] ?? 0) > (b[i] ?? 0);
};

/**
 * How much of each source water comes nearest to the wished hardness, alkalinity and dissolved solids; as much as possible of the
 * first source where several mixtures do. Exact, by trying every small set of sources. Source: docs/sources.md#shares
 * @param input.sources - at most 12
 * @throws {CalculationError} noSources, duplicateName, noTarget
 */
export function shares(input: {
  sources: readonly SourceWater[];
  target: Wishes & { litres: number };
  weights?: Wishes | null | undefined;
}): {
  litres: { name: string; litres: number }[];
  achieved: { ghDeg: number; khDeg: number; tdsPpm: number; tempC: number | null };
  exact: boolean;
} {
  const { sources, target, weights } = input;
  if (sources.length === 0) throw new CalculationError('noSources', 'sources', 'Give at least one source water.');
  if (new Set(sources.map(({ name }) => name)).size < sources.length)
    throw new CalculationError('duplicateName', 'sources', 'Two sources have the same name.');
  const wanted = FIELDS.filter((field) => target[field] != null);
  if (wanted.length === 0) throw new CalculationError('noTarget', 'target', 'Wish for at least one of GH, KH and TDS.');
  const scale = (field: Field) => Math.sqrt(weights?.[field] ?? 1) / Math.max(target[field] ?? 0, FLOOR[field]);
  const columns = sources.map((source) => wanted.map((field) => source[field] * scale(field)));
  const goal = wanted.map((field) => (target[field] ?? 0) * scale(field));
  let best: { shares: number[]; miss: number } | null = null;
  for (const subset of subsets(sources.length, wanted.length + 1)) {
    const found = sharesOf(columns, goal, subset);
    if (!found) continue;
    const miss = goal.reduce(
      (sum, value, k) => sum + (found.reduce((mix, share, i) => mix + share * (columns[i]?.[k] ?? 0), 0) - value) ** 2,
      0,
    );
    if (!best || miss < best.miss - SAME || (miss <= best.miss + SAME && comesFirst(found, best.shares)))
      best = { shares: found, miss };
  }
  const chosen = best?.shares ?? [];
  const mix = (valueOf: (source: SourceWater) => number) =>
    sources.reduce((sum, source, i) => sum + valueOf(source) * (chosen[i] ?? 0), 0);
  const achieved = {
    ghDeg: mix((source) => source.ghDeg),
    khDeg: mix((source) => source.khDeg),
    tdsPpm: mix((source) => source.tdsPpm),
  };
  return {
    litres: sources.map(({ name }, i) => ({ name, litres: (chosen[i] ?? 0) * target.litres })),
    achieved: { ...achieved, tempC: sources.every((source) => source.tempC != null) ? mix((source) => source.tempC ?? 0) : null },
    exact: wanted.every(
      (field) => Math.abs(achieved[field] - (target[field] ?? 0)) <= 1e-6 * Math.max(target[field] ?? 0, FLOOR[field]),
    ),
  };
}
