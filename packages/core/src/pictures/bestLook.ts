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

/** What was found, as far as a look is judged by it. */
export interface Sized {
  sure: number;
  size: number;
}

/** How much one that was found says of a look: what is half sure says nearly nothing, or crumbs by the score would outvote a few animals. */
const says = ({ sure }: Sized): number => Math.max(0, sure - 0.4) ** 3;
const allSay = (found: readonly Sized[]): number => found.reduce((sum, one) => sum + says(one), 0);

/** The size that half of what is said speaks for; 0 where nothing says anything. */
export function usualSize(found: readonly Sized[]): number {
  let left = allSay(found) / 2;
  const telling = found.filter((one) => says(one) > 0).sort((a, b) => a.size - b.size);
  return telling.find((one) => (left -= says(one)) <= 0)?.size ?? 0;
}

/** Nearer than this to a look that was had, it is not looked at again. */
const ALIKE = 0.1;
/** A last look that says less than this share of the first is passed over. */
const SAYS_ENOUGH = 0.8;

/**
 * What is found at the size of the picture at which it is seen best: the whole is looked at small and larger, the look that says more tells
 * how large they are; where that is not a size that the net sees well it is looked at once more.
 * @param longest - longest side of the picture
 * @param look - what is found in the picture made smaller to a scale, sizes in pixels of the picture as it is
 */
export function bestLook<T extends Sized>(
  longest: number,
  look: (scale: number) => T[],
  { looks, from, to, best, least, most }: SeenBest,
): T[] {
  const scales = [...new Set(looks.map((side) => Math.min(1, side / longest)))];
  const told = scales.map((scale) => ({ scale, found: look(scale) })).sort((a, b) => allSay(b.found) - allSay(a.found));
  const first = told[0]!;
  const size = usualSize(first.found) * first.scale;
  if (size === 0 || (size >= from && size <= to)) return first.found;
  const scale = Math.min(1, Math.max(least / longest, Math.min(most / longest, (first.scale * best) / size)));
  const had = told.find((one) => Math.abs(scale / one.scale - 1) < ALIKE);
  const last = had ? had.found : look(scale);
  return allSay(last) >= SAYS_ENOUGH * allSay(first.found) ? last : first.found;
}
