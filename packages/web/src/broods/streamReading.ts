import type { Reply } from '../data';

type Brood = Reply<'broods'>[number];

type Point = Brood['stream']['bands'][number]['forecast'][number];

/** What a stream says at a moment, band by band. */
export interface StreamReading {
  lotId: string;
  /** Heads, and between which they lie where that is not sure. */
  count: number;
  low: number;
  high: number;
  isExpected: boolean;
  /** What changed it last, with when. */
  change: { by: number; cause: string; at: string } | null;
}

const ms = (at: string) => Date.parse(at);

/** Headcounts of every band of a stream at a moment; those that had not begun are left out. */
export function readStream(stream: Brood['stream'], atMs: number, nowMs: number): StreamReading[] {
  return stream.bands.flatMap((band): StreamReading[] => {
    const first = band.points[0];
    if (!first || ms(first.at) > atMs) return [];
    if (atMs > nowMs) {
      const next = band.forecast.findIndex((point) => ms(point.at) >= atMs);
      const after = band.forecast[next === -1 ? band.forecast.length - 1 : next];
      const before = band.forecast[Math.max(0, next - 1)] ?? after;
      if (!after || !before) return [];
      const wide = ms(after.at) - ms(before.at);
      const share = wide > 0 ? Math.min(1, (atMs - ms(before.at)) / wide) : 1;
      const between = (pick: (point: Point) => number) => pick(before) + share * (pick(after) - pick(before));
      return [
        {
          lotId: band.lotId,
          count: Math.round(between(({ mid }) => mid)),
          low: Math.floor(between(({ low }) => low)),
          high: Math.ceil(between(({ high }) => high)),
          isExpected: true,
          change: null,
        },
      ];
    }
    const last = band.points.findLast((point) => ms(point.at) <= atMs) ?? first;
    const sure = band.counted && atMs >= ms(band.counted.at) ? band.counted : { low: 1, high: 1 };
    return [
      {
        lotId: band.lotId,
        count: last.count,
        low: Math.round(last.count * sure.low),
        high: Math.round(last.count * sure.high),
        isExpected: false,
        change: { by: last.change, cause: last.cause, at: last.at },
      },
    ];
  });
}
