import { totalHeads } from '../stock';
import type { BroodMovement } from './describeBrood';

/** Of whom a lot is made up by expectation: heads by where they came from. */
export type Mixture = ReadonlyMap<string, number>;

/**
 * What lots are made up of after they were merged and split: who joins brings its own, whoever leaves or dies takes a share of each, since
 * nobody can tell them apart. Expected heads, not whole ones. Source: docs/sources.md#group-kinship
 * @param movements - of these lots, oldest first
 * @param sourceOf - where animals of a lot began: their brood; asked of lots from outside and of the first of each
 * @returns for each lot, expected heads by source; they add up to its headcount
 */
export function mixtures(movements: readonly BroodMovement[], sourceOf: (lotId: string) => string): ReadonlyMap<string, Mixture> {
  const made = new Map<string, Map<string, number>>();
  const of = (lotId: string) => {
    const known = made.get(lotId) ?? new Map<string, number>();
    made.set(lotId, known);
    return known;
  };
  const add = (lotId: string, source: string, heads: number) => {
    const lot = of(lotId);
    lot.set(source, (lot.get(source) ?? 0) + heads);
  };
  for (const movement of movements) {
    const heads = totalHeads(movement);
    const { fromLotId, toLotId } = movement;
    const from = fromLotId === null ? null : made.get(fromLotId);
    const total = from ? [...from.values()].reduce((sum, one) => sum + one, 0) : 0;
    if (from && total > 0 && fromLotId !== null) {
      const gone = Math.min(1, heads / total);
      for (const [source, count] of [...from]) {
        from.set(source, count * (1 - gone));
        if (toLotId !== null) add(toLotId, source, count * gone);
      }
    } else if (toLotId !== null) add(toLotId, sourceOf(fromLotId ?? toLotId), heads);
  }
  return made;
}
