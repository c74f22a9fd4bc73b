/** How a temperature stands to a range. */
export type RangeVerdict = 'below' | 'within' | 'above';

/** Whether a temperature lies in a species' range, with `slackC` allowed on both sides (meters differ by about half a degree). */
export function checkTemperature(tempC: number, range: readonly [number, number], slackC = 0.5): RangeVerdict {
  if (tempC < range[0] - slackC) return 'below';
  return tempC > range[1] + slackC ? 'above' : 'within';
}
