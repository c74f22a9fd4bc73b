import { median } from './image';

/** From here on one is white where there is but one kind; and the bounds within which two kinds are parted, log odds. */
const [USUAL_CUT, LOWEST_CUT, HIGHEST_CUT] = [0, -7, 1];
/** Two kinds lie so far apart, so many times their own scatter, and the whiter of them is at least so white. */
const [KINDS_APART, TIMES_SCATTER, LEAST_WHITE] = [5, 3.2, -4];
/** Of one kind, only what is so many standard deviations off is of the other. */
const [FAR_OFF, SD_OF_MAD] = [3, 1.4826];

/** Where one kind of eggs ends: a few of the other may be among them. */
function cutBesideOne(whitenesses: readonly number[]): number {
  const usual = median(whitenesses);
  const far = FAR_OFF * SD_OF_MAD * median(whitenesses.map((value) => Math.abs(value - usual)));
  return usual < USUAL_CUT ? Math.max(USUAL_CUT, usual + far) : Math.min(USUAL_CUT, usual - far);
}

/**
 * From which whiteness on the eggs of one picture are white. The light of a picture makes all of them whiter or less: where they are of two
 * kinds these are parted between their means, at the cut that leaves the least scatter on both sides (Otsu 1979).
 * @param whitenesses - log odds
 */
export function whiteFrom(whitenesses: readonly number[]): number {
  const sorted = [...whitenesses].sort((a, b) => a - b);
  const many = sorted.length;
  const all = sorted.reduce((sum, value) => sum + value, 0);
  const squares = sorted.reduce((sum, value) => sum + (value - all / many) ** 2, 0);
  let [below, most] = [0, 0];
  let parted: { low: number; high: number } | null = null;
  for (let at = 1; at < many; at++) {
    below += sorted[at - 1]!;
    const [low, high] = [below / at, (all - below) / (many - at)];
    const between = ((at * (many - at)) / many) * (high - low) ** 2;
    if (between > most) [most, parted] = [between, { low, high }];
  }
  if (!parted) return cutBesideOne(sorted);
  const { low, high } = parted;
  const scatter = Math.sqrt(Math.max(0, squares - most) / many);
  const areTwo = high - low >= Math.max(KINDS_APART, TIMES_SCATTER * scatter) && high >= LEAST_WHITE;
  return areTwo ? Math.max(LOWEST_CUT, Math.min(HIGHEST_CUT, (low + high) / 2)) : cutBesideOne(sorted);
}
