/** Animals of about one length within a group: most likely of one age. */
export interface SizeCohort {
  count: number;
  meanMm: number;
  fromMm: number;
  toMm: number;
}

/** What a sample of lengths says of a group. */
export interface LengthSummary {
  count: number;
  meanMm: number;
  /** The smallest tenth are no longer than this. */
  smallestTenthMm: number;
  /** Standard deviation over mean; 0 for one. */
  spread: number;
  /** Shortest first; one where nothing parts them. */
  cohorts: readonly SizeCohort[];
}

const MOST_COHORTS = 5;
/** A cohort of one is one odd animal. */
const LEAST_MEMBERS = 2;
/** Means of neighbouring cohorts stand so many standard deviations apart at least; halves of one brood stand about 2.7 apart. */
const APART = 4;
/** What a ruler tells: spreads below it are not believed. Share of the length. */
const LEAST_SPREAD = 0.05;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** The cuts into `parts` runs of sorted values that leave the least scatter within them (dynamic programming, Fisher 1958). */
function bestCuts(sorted: readonly number[], parts: number): number[][] | null {
  const sums = [0];
  const squares = [0];
  for (const value of sorted) {
    sums.push((sums.at(-1) ?? 0) + value);
    squares.push((squares.at(-1) ?? 0) + value * value);
  }
  const scatter = (from: number, to: number) => {
    const sum = (sums[to] ?? 0) - (sums[from] ?? 0);
    return Math.max(0, (squares[to] ?? 0) - (squares[from] ?? 0) - (sum * sum) / (to - from));
  };
  const n = sorted.length;
  let costs = Array.from({ length: n + 1 }, (_, to) => (to < LEAST_MEMBERS ? Infinity : scatter(0, to)));
  const cutsBefore: number[][] = [];
  for (let part = 2; part <= parts; part++) {
    const next = Array.from({ length: n + 1 }, () => Infinity);
    const cut = Array.from({ length: n + 1 }, () => 0);
    for (let to = part * LEAST_MEMBERS; to <= n; to++)
      for (let from = (part - 1) * LEAST_MEMBERS; from <= to - LEAST_MEMBERS; from++) {
        const cost = (costs[from] ?? Infinity) + scatter(from, to);
        if (cost < (next[to] ?? Infinity)) [next[to], cut[to]] = [cost, from];
      }
    costs = next;
    cutsBefore.push(cut);
  }
  if (!Number.isFinite(costs[n] ?? Infinity)) return null;
  const runs: number[][] = [];
  let to = n;
  for (const cut of cutsBefore.reverse()) {
    const from = cut[to] ?? 0;
    runs.unshift(sorted.slice(from, to));
    to = from;
  }
  return [sorted.slice(0, to), ...runs];
}

/** Whether runs of logarithms of lengths stand clearly apart: neighbours by four of the common standard deviations within them. */
function standApart(runs: readonly number[][]): boolean {
  const count = runs.reduce((sum, run) => sum + run.length, 0);
  const scatter = runs.reduce((sum, run) => {
    const middle = mean(run);
    return sum + run.reduce((within, value) => within + (value - middle) ** 2, 0);
  }, 0);
  const spread = Math.max(LEAST_SPREAD, Math.sqrt(scatter / Math.max(1, count - runs.length)));
  return runs.every((run, i) => {
    const before = runs[i - 1];
    return !before || mean(run) - mean(before) >= APART * spread;
  });
}

/**
 * Mean, smallest tenth, spread and cohorts of a sample of lengths: as many cohorts as stand clearly apart on a scale of ratios, since
 * growth spreads a brood in proportion. Source: docs/sources.md#size-cohorts
 * @param lengthsMm - at least one, each above 0, in any order
 */
export function summariseLengths(lengthsMm: readonly number[]): LengthSummary {
  const sorted = [...lengthsMm].sort((a, b) => a - b);
  const count = sorted.length;
  const meanMm = mean(sorted);
  const spread = count < 2 ? 0 : Math.sqrt(sorted.reduce((sum, value) => sum + (value - meanMm) ** 2, 0) / (count - 1)) / meanMm;
  // The usual quantile, straight between the neighbours.
  const place = 0.1 * (count - 1);
  const low = sorted[Math.floor(place)] ?? meanMm;
  const smallestTenthMm = low + (place - Math.floor(place)) * ((sorted[Math.ceil(place)] ?? low) - low);
  const logs = sorted.map((value) => Math.log(value));
  let runs = [logs];
  for (let parts = Math.min(MOST_COHORTS, Math.floor(count / LEAST_MEMBERS)); parts > 1; parts--) {
    const cut = bestCuts(logs, parts);
    if (cut && standApart(cut)) {
      runs = cut;
      break;
    }
  }
  let from = 0;
  const cohorts = runs.map((run) => {
    const members = sorted.slice(from, (from += run.length));
    return { count: run.length, meanMm: mean(members), fromMm: members[0] ?? meanMm, toMm: members.at(-1) ?? meanMm };
  });
  return { count, meanMm, smallestTenthMm, spread, cohorts };
}
