import type { Sample } from './judgeProbe';

/** What a stretch of a series comes to: enough to draw it without losing a spike. */
export interface Bucket {
  /** Begin of the stretch. */
  at: string;
  mean: number;
  low: number;
  high: number;
  count: number;
}

/**
 * Thins a series to stretches of equal length with mean, lowest and highest value; stretches without a sample are left out.
 * The server does the same in SQL; this is what it is proven against.
 * @param samples - oldest first
 * @param stepMs - length of a stretch, > 0; stretches begin at multiples of it since 1970
 */
export function thinSeries(samples: readonly Sample[], stepMs: number): Bucket[] {
  const buckets: Bucket[] = [];
  let begin = Number.NaN;
  let sum = 0;
  for (const { at, value } of samples) {
    const from = Math.floor(Date.parse(at) / stepMs) * stepMs;
    const open = buckets.at(-1);
    if (open && from === begin) {
      sum += value;
      open.count++;
      open.mean = sum / open.count;
      open.low = Math.min(open.low, value);
      open.high = Math.max(open.high, value);
      continue;
    }
    begin = from;
    sum = value;
    buckets.push({ at: new Date(from).toISOString(), mean: value, low: value, high: value, count: 1 });
  }
  return buckets;
}
