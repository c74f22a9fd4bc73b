import type { Reply } from '../data';

type Brood = Reply<'broods'>[number];
type Band = Brood['stream']['bands'][number];

/** A point of a band's edge pair, px. */
export interface EdgePoint {
  x: number;
  top: number;
  bottom: number;
}

/** A band as drawn: what was, and what is expected with its fan. */
export interface BandShape {
  lotId: string;
  past: EdgePoint[];
  ahead: EdgePoint[];
  fan: EdgePoint[];
  /** Since an unsure count: the upper edge of how many there may be; empty where all were counted. */
  haze: EdgePoint[];
  /** Centre of the lane it runs in. */
  laneY: number;
  /** Living now. */
  count: number;
}

export interface StreamFrame {
  /** Instant (ms) to px. */
  x: (ms: number) => number;
  nowMs: number;
  /** px per animal. */
  perHead: number;
  top: number;
  gap: number;
  /** Width of a fork, px. */
  forkPx: number;
}

/**
 * How many lived when a stage was seen: with what was counted at that sighting, and without those that died after it.
 * @param span - hatched (on its yolk), or swimming (let go, born); its beginning stands where no window says what was seen
 */
export function headsWhenSeen(
  { stream, windows }: Pick<Reply<'brood'>, 'stream' | 'windows'>,
  { stage, from }: { stage: 'yolk' | 'fry'; from: string },
): number {
  const seen = windows.find((window) => window.stage === (stage === 'yolk' ? 'hatch' : 'freeSwimming'));
  const until = (seen?.status === 'observed' ? seen.latest : null) ?? from;
  return stream.bands.reduce((sum, band) => sum + (band.points.findLast((point) => ms(point.at) <= ms(until))?.count ?? 0), 0);
}

const ms = (at: string) => Date.parse(at);
const most = (band: Band) => Math.max(0, ...band.points.map((point) => point.count));

/** Lanes from top to bottom: a child runs below the band it forks from. */
function order(bands: readonly Band[], parent: string | null = null): Band[] {
  return bands
    .filter((band) =>
      parent === null
        ? band.parentLotId === null || !bands.some((other) => other.lotId === band.parentLotId)
        : band.parentLotId === parent,
    )
    .flatMap((band) => [band, ...order(bands, band.lotId)]);
}

/** Headcount of a band just before an instant. */
function countBefore(band: Band, at: number): number {
  return band.points.findLast((point) => ms(point.at) < at)?.count ?? 0;
}

/** Thickness a lane needs: the most the band held once it runs alone. */
function laneHead(band: Band, bands: readonly Band[]): number {
  const forks = bands.filter((other) => other.parentLotId === band.lotId).map((other) => ms(other.points[0]?.at ?? ''));
  const after = forks.length > 0 ? Math.min(...forks) : -Infinity;
  return Math.max(1, ...band.points.filter((point) => ms(point.at) >= after).map((point) => point.count));
}

/**
 * Edges of every band of a brood: thickness is the living headcount, a split forks, the forecast runs on from now with a fan.
 * Before its first fork the first band runs in the middle of the lanes.
 */
export function shapeStream(brood: Brood, frame: StreamFrame): { bands: BandShape[]; bottom: number } {
  const { x, nowMs, perHead, top, gap, forkPx } = frame;
  const lanes = order(brood.stream.bands);
  const [root] = lanes;
  const heights = lanes.map((band) => laneHead(band, lanes) * perHead);
  const total = heights.reduce((sum, height) => sum + height, 0) + gap * Math.max(0, lanes.length - 1);
  const rootHeight = root ? most(root) * perHead : 0;
  const bottom = top + Math.max(total, rootHeight);
  let y = top + Math.max(0, (rootHeight - total) / 2);
  const centre = new Map<string, number>();
  lanes.forEach((band, i) => {
    centre.set(band.lotId, y + (heights[i] ?? 0) / 2);
    y += (heights[i] ?? 0) + gap;
  });
  const middleY = top + Math.max(total, rootHeight) / 2;
  const edge = (px: number, centreY: number, count: number): EdgePoint => ({
    x: px,
    top: centreY - (count * perHead) / 2,
    bottom: centreY + (count * perHead) / 2,
  });

  const bands = lanes.map((band): BandShape => {
    const laneY = centre.get(band.lotId) ?? middleY;
    const children = lanes.filter((other) => other.parentLotId === band.lotId).map((other) => ms(other.points[0]?.at ?? ''));
    const firstFork = Math.min(Infinity, ...children);
    const startY = band === root && children.length > 0 ? middleY : laneY;
    const past: EdgePoint[] = [];
    const first = band.points[0];
    const parent = lanes.find((other) => other.lotId === band.parentLotId);
    if (parent && first) {
      const at = ms(first.at);
      const parentCount = countBefore(parent, at);
      const parentForks = lanes.filter(
        (other) => other.parentLotId === parent.lotId && ms(other.points[0]?.at ?? '') < at,
      ).length;
      const parentY = parent === root && parentForks === 0 ? middleY : (centre.get(parent.lotId) ?? middleY);
      const parentBottom = parentY + (parentCount * perHead) / 2;
      past.push(
        { x: x(at), top: parentBottom - first.count * perHead, bottom: parentBottom },
        edge(x(at) + forkPx, laneY, first.count),
      );
    }
    let last = first;
    for (const point of band.points) {
      const at = ms(point.at);
      const px = x(at);
      const forks = at >= firstFork;
      const lineY = forks ? laneY : startY;
      if (children.includes(at) && last) {
        const before = edge(px, at === firstFork ? startY : laneY, last.count);
        past.push(before, { ...before, bottom: before.top + point.count * perHead }, edge(px + forkPx, laneY, point.count));
      } else if (point !== first || !parent) {
        const sudden = last && last !== point && point.cause !== 'unknown' && point.cause !== 'countCorrection';
        if (sudden && last && px - 6 > (past.at(-1)?.x ?? -Infinity)) past.push(edge(px - 5, lineY, last.count));
        past.push(edge(Math.max(px, (past.at(-1)?.x ?? px) + 0.1), lineY, point.count));
      }
      last = point;
    }
    const count = last?.count ?? 0;
    const nowX = x(nowMs);
    if (last && nowX > (past.at(-1)?.x ?? 0))
      past.push(edge(nowX, ms(last.at) >= firstFork || band !== root || children.length === 0 ? laneY : startY, count));
    const edges = (pick: (point: Band['forecast'][number]) => number) =>
      band.forecast.map((point) => edge(x(ms(point.at)), laneY, pick(point)));
    const high = edges((point) => point.high);
    const haze = hazeOf(band, past, x);
    return { lotId: band.lotId, past, ahead: edges((point) => point.low), fan: high, haze, laneY, count };
  });
  return { bands, bottom };
}

/** What may be there besides what is booked, from an unsure count on: the band's edges moved out by its share. */
function hazeOf(band: Band, past: readonly EdgePoint[], x: (ms: number) => number): EdgePoint[] {
  if (!band.counted) return [];
  const { at, high } = band.counted;
  const from = x(ms(at));
  const points = past.filter((point) => point.x >= from);
  const before = past.findLast((point) => point.x < from);
  const all = before ? [{ ...before, x: from }, ...points] : points;
  return all.map((point) => {
    const more = ((point.bottom - point.top) * (high - 1)) / 2;
    return { x: point.x, top: point.top - more, bottom: point.bottom + more };
  });
}

/** The outline of edge points as an SVG path. */
export function outline(points: readonly EdgePoint[]): string {
  if (points.length < 2) return '';
  const out = points.map((point) => `${point.x.toFixed(1)} ${point.top.toFixed(1)}`);
  const back = [...points].reverse().map((point) => `${point.x.toFixed(1)} ${point.bottom.toFixed(1)}`);
  return `M${[...out, ...back].join('L')}Z`;
}

/**
 * The part of a band that is of another brood by expectation, along its lower edge from the time they joined it; nobody can say which they
 * are, and the band does not either.
 * @param share - of its heads now, 0..1 @param fromX - where they joined, px
 */
export function mixedPart({ past, ahead }: Pick<BandShape, 'past' | 'ahead'>, share: number, fromX: number): EdgePoint[] {
  const all = [...past, ...ahead];
  const before = all.findLast(({ x }) => x <= fromX);
  const first = all[0];
  if (share <= 0 || !first) return [];
  const part = ({ x, top, bottom }: EdgePoint) => ({ x, top: bottom - Math.min(1, share) * (bottom - top), bottom });
  const begin = before ? [{ ...before, x: fromX }] : [];
  return [...begin, ...all.filter(({ x }) => x > fromX)].map(part);
}
