/** From here on one is white where there is but one kind, and the bounds within which two kinds are parted, log odds. */
const [USUAL_CUT, LOWEST_CUT, HIGHEST_CUT] = [0, -7, 1];
/** Two kinds lie so far apart, and the whiter of them is at least so white. */
const [KINDS_APART, LEAST_WHITE] = [7, -4];

/**
 * From which whiteness on the eggs of one picture are white. The light of a picture makes all of them whiter or less: where they are of two
 * kinds these are parted between their means, at the cut that leaves the least scatter on both sides (Otsu 1979).
 * @param whitenesses - log odds
 */
export function whiteFrom(whitenesses: readonly number[]): number {
  const sorted = [...whitenesses].sort((a, b) => a - b);
  const all = sorted.reduce((sum, value) => sum + value, 0);
  let [below, best, cut] = [0, 0, USUAL_CUT];
  for (let at = 1; at < sorted.length; at++) {
    below += sorted[at - 1]!;
    const [low, high] = [below / at, (all - below) / (sorted.length - at)];
    const between = at * (sorted.length - at) * (high - low) ** 2;
    if (between <= best) continue;
    best = between;
    cut = high - low >= KINDS_APART && high >= LEAST_WHITE ? (low + high) / 2 : USUAL_CUT;
  }
  return Math.max(LOWEST_CUT, Math.min(HIGHEST_CUT, cut));
}
