import type { Day } from '../time';

/** An attempt's hold on a tank, days included; `to` is null while it goes on. */
export interface Booking {
  id: string;
  name: string;
  tankId: string;
  from: Day;
  to: Day | null;
}

/** Whether a tank is free for an attempt, or which other attempt holds it on overlapping days. */
export function decideBooking(wanted: Booking, others: readonly Booking[]): { ok: true } | { ok: false; clash: Booking } {
  const clash = others.find(
    (other) =>
      other.id !== wanted.id &&
      other.tankId === wanted.tankId &&
      (other.to === null || other.to >= wanted.from) &&
      (wanted.to === null || wanted.to >= other.from),
  );
  return clash ? { ok: false, clash } : { ok: true };
}
