import { median } from './image';

/** At which sizes a net sees what it looks for best, pixels of the picture that it is shown. */
export interface SeenBest {
  /** Longest sides of the first two looks: at all of it small, and larger. */
  looks: readonly [number, number];
  /** Sizes of what is found between which it is not looked at again, and the size that it is brought to. */
  from: number;
  to: number;
  best: number;
  /** Shortest and longest sides of a picture that is looked at again. */
  least: number;
  most: number;
}

/** From here on what is found speaks for a look. */
const SPEAKS_FROM = 0.4;
/** Nearer than this to a look that was had, it is not looked at again. */
const ALIKE = 0.1;

/**
 * What is found at the size of the picture at which it is seen best: the whole is looked at small and larger, the look that finds more, and
 * more surely, tells how large they are; where that is not a size that the net sees well it is looked at once more.
 * @param longest - longest side of the picture
 * @param look - what is found in the picture made smaller to a scale, sizes in pixels of the picture as it is
 */
export function bestLook<T extends { sure: number; size: number }>(
  longest: number,
  look: (scale: number) => T[],
  { looks, from, to, best, least, most }: SeenBest,
): T[] {
  const scales = [...new Set(looks.map((side) => Math.min(1, side / longest)))];
  const told = scales.map((scale) => {
    const found = look(scale);
    return { scale, found, says: found.reduce((sum, { sure }) => sum + Math.max(0, sure - SPEAKS_FROM), 0) };
  });
  const first = told.sort((a, b) => b.says - a.says)[0]!;
  const size = median(first.found.flatMap((one) => (one.sure >= SPEAKS_FROM ? one.size : []))) * first.scale;
  if (size === 0 || (size >= from && size <= to)) return first.found;
  const scale = Math.min(1, Math.max(least / longest, Math.min(most / longest, (first.scale * best) / size)));
  const had = told.find((one) => Math.abs(scale / one.scale - 1) < ALIKE);
  return had ? had.found : look(scale);
}
