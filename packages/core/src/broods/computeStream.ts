import { totalHeads, type Cause } from '../stock';
import { type Range } from '../species';
import type { Instant } from '../time';
import type { BroodMovement } from './describeBrood';

/** The headcount from an instant on, and what changed it there. */
export interface StreamPoint {
  at: Instant;
  count: number;
  /** Cause and number of the largest change at this instant; negative when animals left. */
  cause: Cause;
  change: number;
}

/** One lot of a brood through time. */
export interface StreamBand {
  lotId: string;
  /** The lot it was split from, null for the first. */
  parentLotId: string | null;
  /** Headcount from each instant on, oldest first; the first point is where the band begins. */
  points: StreamPoint[];
  /** Expected headcount ahead of now with its fan; empty when nobody is left. */
  forecast: { at: Instant; low: number; mid: number; high: number }[];
  /** Since a count that has a range: the headcount lies between these shares of what is booked. */
  counted: { at: Instant; low: number; high: number } | null;
}

/** A count of one lot with its range. */
export interface CountedLot {
  at: Instant;
  count: number;
  low: number;
  high: number;
}

/** A brood's bands, first lot first. */
export interface Stream {
  bands: StreamBand[];
  alive: number;
}

/**
 * Share of the mortality between laying and sale (on the log scale) that still lies ahead: half of it falls before first feeding,
 * half after, evenly in time. 1 at laying, 0.5 at first feed, 0 at sale. Source: docs/sources.md#survival-forecast
 */
export function survivalLeft(atMs: number, laidMs: number, feedMs: number, saleMs: number): number {
  const share = (from: number, to: number) => Math.min(1, Math.max(0, (atMs - from) / Math.max(1, to - from)));
  return 1 - share(laidMs, feedMs) / 2 - share(feedMs, saleMs) / 2;
}

/**
 * The living headcount of every lot of a brood over time, split by split, and its expected course to sale.
 * @param survivalToSale - low and high share from laying to sale
 * @param counts95 - the newest count of each lot; how unsure it was goes on into what is expected
 * @param milestones - when it was laid, first feeds and is ready, each the middle of its window
 */
export function computeStream(
  movements: readonly BroodMovement[],
  lotIds: readonly string[],
  survivalToSale: Range,
  milestones: { laid: Instant; feed: Instant; ready: Instant },
  now: Instant,
  counts95: ReadonlyMap<string, CountedLot> = new Map(),
): Stream {
  const own = new Set(lotIds);
  const bands = new Map<string, StreamBand>();
  const counts = new Map<string, number>();
  const change = (lotId: string, at: Instant, by: number, parentLotId: string | null, cause: Cause) => {
    const count = (counts.get(lotId) ?? 0) + by;
    counts.set(lotId, count);
    const band = bands.get(lotId) ?? { lotId, parentLotId, points: [], forecast: [], counted: null };
    bands.set(lotId, band);
    const last = band.points.at(-1);
    if (last?.at !== at) band.points.push({ at, count, cause, change: by });
    else {
      last.count = count;
      if (Math.abs(by) > Math.abs(last.change)) Object.assign(last, { cause, change: by });
    }
  };
  for (const movement of [...movements].sort((a, b) => (a.at.from < b.at.from ? -1 : a.at.from > b.at.from ? 1 : 0))) {
    const count = totalHeads(movement);
    const { fromLotId, toLotId } = movement;
    if (fromLotId && own.has(fromLotId)) change(fromLotId, movement.at.from, -count, null, movement.cause);
    if (toLotId && own.has(toLotId))
      change(toLotId, movement.at.from, count, fromLotId && own.has(fromLotId) ? fromLotId : null, movement.cause);
  }
  const [laidMs, feedMs, saleMs, nowMs] = [milestones.laid, milestones.feed, milestones.ready, now].map((at) =>
    Date.parse(at),
  ) as [number, number, number, number];
  const leftNow = survivalLeft(nowMs, laidMs, feedMs, saleMs);
  const steps = 8;
  for (const band of bands.values()) {
    const count = counts.get(band.lotId) ?? 0;
    const told = counts95.get(band.lotId);
    const sure = told && told.count > 0 ? { low: told.low / told.count, high: told.high / told.count } : { low: 1, high: 1 };
    if (told && sure.low < sure.high) band.counted = { at: told.at, ...sure };
    if (count <= 0 || saleMs <= nowMs) continue;
    for (let i = 0; i <= steps; i++) {
      const atMs = nowMs + ((saleMs - nowMs) * i) / steps;
      const share = leftNow - survivalLeft(atMs, laidMs, feedMs, saleMs);
      const [low, high] = [count * sure.low * survivalToSale[0] ** share, count * sure.high * survivalToSale[1] ** share];
      band.forecast.push({ at: new Date(atMs).toISOString(), low, mid: Math.sqrt(low * high), high });
    }
  }
  return { bands: [...bands.values()], alive: [...counts.values()].reduce((sum, count) => sum + count, 0) };
}
