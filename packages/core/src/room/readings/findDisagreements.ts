import type { Quantity } from './errorBand';

/** A reading with its error band, half width. */
export interface BandedReading {
  id: string;
  quantity: Quantity;
  value: number;
  at: string;
  band: number;
}
export interface Disagreement {
  quantity: Quantity;
  earlier: BandedReading;
  later: BandedReading;
  /** How far the bands are apart, in the quantity's unit. */
  gap: number;
}

const HOUR_MS = 3_600_000;
/** Within this, the water itself has hardly changed. */
const SAME_WATER_HOURS: Record<Quantity, number> = {
  tempC: 1,
  ph: 6,
  ghDeg: 24,
  khDeg: 24,
  tdsPpm: 24,
  ammoniaPpm: 6,
  nitritePpm: 12,
  nitratePpm: 24,
  oxygenPpm: 1,
};

/**
 * Pairs of neighbouring readings of one quantity that were taken of the same water and lie further apart than both bands allow:
 * one of them is wrong. A water change between them makes it other water.
 * @param readings - of one tank, oldest first
 * @param changes - instants of water changes, any order
 */
export function findDisagreements(readings: readonly BandedReading[], changes: readonly string[]): Disagreement[] {
  const last = new Map<Quantity, BandedReading>();
  const found: Disagreement[] = [];
  for (const later of readings) {
    const earlier = last.get(later.quantity);
    last.set(later.quantity, later);
    if (!earlier) continue;
    const apartMs = Date.parse(later.at) - Date.parse(earlier.at);
    if (apartMs > SAME_WATER_HOURS[later.quantity] * HOUR_MS) continue;
    if (changes.some((at) => at > earlier.at && at <= later.at)) continue;
    const gap = Math.abs(later.value - earlier.value) - earlier.band - later.band;
    if (gap > 1e-9) found.push({ quantity: later.quantity, earlier, later, gap });
  }
  return found;
}
