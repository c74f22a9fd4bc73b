import type { GroupRecord } from '@freshet/core/stock';

/** One place in a drawn pedigree. */
export interface TreeNode {
  /** Way from the animal: "", then s and d for sire and dam. */
  way: string;
  id: string | null;
  /** How likely it is this one; below 1 where others may be it. */
  probability: number;
  /** How many others may stand here. */
  others: number;
  depth: number;
  /** Row of its middle, in units of one leaf. */
  row: number;
  /** Has parents that are not shown. */
  isFolded: boolean;
  hasParents: boolean;
}

const MOST_DEPTH = 8;

/**
 * Lays out ancestors from the animal to the right: sire above, dam below, leaves one row each, everybody else in the middle of
 * what he stands before. Of several possible parents the likeliest is drawn.
 * @param isOpen - whether the parents at a way are shown
 */
export function layoutPedigree(
  records: readonly GroupRecord[],
  root: string,
  isOpen: (way: string, depth: number) => boolean,
): { nodes: TreeNode[]; rows: number; depth: number } {
  const byId = new Map(records.map((record) => [record.id, record]));
  const nodes: TreeNode[] = [];
  let rows = 0;
  let deepest = 0;
  const likeliest = (side: GroupRecord['sires']) => {
    const [first] = [...(side ?? [])].sort((a, b) => b.probability - a.probability);
    return first ? { ...first, others: (side?.length ?? 1) - 1 } : null;
  };
  const place = (way: string, found: { id: string; probability: number; others: number } | null, depth: number): number => {
    const record = found ? byId.get(found.id) : undefined;
    const sire = likeliest(record?.sires);
    const dam = likeliest(record?.dams);
    const hasParents = sire !== null || dam !== null;
    const open = hasParents && depth < MOST_DEPTH && isOpen(way, depth);
    deepest = Math.max(deepest, depth);
    let row: number;
    if (open) row = (place(`${way}s`, sire, depth + 1) + place(`${way}d`, dam, depth + 1)) / 2;
    else {
      row = rows;
      rows += 1;
    }
    nodes.push({
      way,
      id: found?.id ?? null,
      probability: found?.probability ?? 0,
      others: found?.others ?? 0,
      depth,
      row,
      isFolded: hasParents && !open,
      hasParents,
    });
    return row;
  };
  place('', { id: root, probability: 1, others: 0 }, 0);
  return { nodes, rows, depth: deepest };
}

/** Animals that stand in more than one place for certain: through them it is inbred. */
export function repeated(nodes: readonly TreeNode[]): Set<string> {
  const times = new Map<string, number>();
  for (const { id, others } of nodes) if (id && others === 0) times.set(id, (times.get(id) ?? 0) + 1);
  return new Set([...times].filter(([, count]) => count > 1).map(([id]) => id));
}
