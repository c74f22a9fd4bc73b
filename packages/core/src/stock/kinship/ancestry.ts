import { orderGroups, type GroupRecord } from './pedigree';

/** A way from one animal up to a common ancestor and down to the other. */
export interface KinPath {
  ancestor: string;
  /** From the first animal to the ancestor, both included. */
  up: string[];
  /** From below the ancestor to the second animal; empty when that is the ancestor itself. */
  down: string[];
  /** What the path adds to the kinship: ½ for each link and one more, times 1 + F of the ancestor, times the parents' chances. */
  contribution: number;
}

/** Paths looked at end here. */
const MOST_PATHS = 4000;

interface Line {
  path: number[];
  chance: number;
}

/** All ways upwards from an animal, itself first, with the chance that each step is right. */
function linesUp(start: number, parents: readonly { index: number; probability: number }[][]): Map<number, Line[]> {
  const lines = new Map<number, Line[]>();
  const queue: Line[] = [{ path: [start], chance: 1 }];
  for (let i = 0; i < queue.length && i < MOST_PATHS; i++) {
    const line = queue[i];
    const top = line?.path.at(-1);
    if (!line || top === undefined) continue;
    lines.set(top, [...(lines.get(top) ?? []), line]);
    for (const { index, probability } of parents[top] ?? [])
      queue.push({ path: [...line.path, index], chance: line.chance * probability });
  }
  return lines;
}

/**
 * Through whom are two animals related? Wright's paths: up from one to a common ancestor and down to the other, meeting nowhere
 * else; where all parents are certain they add up to the kinship. Source: docs/sources.md#kinship
 * @param inbreeding - F by id, of the whole pedigree
 * @returns the paths that add most first; animals of one brood whose parents are uncertain share more than the paths show
 */
export function findKinPaths(
  pedigree: readonly GroupRecord[],
  first: string,
  second: string,
  inbreeding: Readonly<Record<string, number>>,
): KinPath[] {
  const { ids, indexOf, sires, dams } = orderGroups(pedigree);
  const [a, b] = [indexOf.get(first), indexOf.get(second)];
  if (a === undefined || b === undefined) return [];
  const parents = ids.map((_, i) => [...(sires[i] ?? []), ...(dams[i] ?? [])]);
  const fromFirst = linesUp(a, parents);
  const fromSecond = linesUp(b, parents);
  const paths: KinPath[] = [];
  for (const [top, ups] of fromFirst)
    for (const up of ups)
      for (const down of fromSecond.get(top) ?? []) {
        if (up.path.some((node) => node !== top && down.path.includes(node))) continue;
        const links = up.path.length + down.path.length - 1;
        const ancestor = ids[top] ?? '';
        paths.push({
          ancestor,
          up: up.path.map((node) => ids[node] ?? ''),
          down: down.path
            .slice(0, -1)
            .reverse()
            .map((node) => ids[node] ?? ''),
          contribution: 0.5 ** links * (1 + (inbreeding[ancestor] ?? 0)) * up.chance * down.chance,
        });
      }
  return paths.sort((x, y) => y.contribution - x.contribution);
}
