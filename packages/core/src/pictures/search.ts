import { bestLook, type SeenBest } from './bestLook';
import type { Plane } from './image';
import type { Kept } from './net';

/** A picture that a net looks through. */
export interface Search {
  planes: readonly [Plane, Plane, Plane];
  net: Kept;
  /** Told 0..1 how far it is. */
  onStep?: ((share: number) => void) | undefined;
}

/** So many looks are had at most. */
const MOST_LOOKS = 3;

/** What is found at the size at which it is seen best; tells how far it is. */
export function spotAt<T extends { sure: number; size: number }>(
  search: Search,
  look: (search: Search, scale: number) => T[],
  seenBest: SeenBest,
): T[] {
  const { planes, onStep } = search;
  let looks = 0;
  const atScale = (scale: number) => {
    onStep?.(looks++ / MOST_LOOKS);
    return look(search, scale);
  };
  return bestLook(Math.max(planes[0].width, planes[0].height), atScale, seenBest);
}
