import { daysBetween, type Day } from '../time';

/** A lot in a tank, both days included; `to` is the last day it was there. */
export interface Stay {
  lotId: string;
  tankId: string;
  from: Day;
  to: Day;
}

/** What a tank costs besides food. */
export interface UpkeepTank {
  id: string;
  litres: number;
  /** Heat it loses for each degree it is warmer than the room, W; 0 where nothing is heated. */
  lossWPerK: number;
  targetC: number;
}

/** What things cost in a house, in cents. */
export interface Rates {
  kwhCents: number;
  tankDayCents: number;
  waterCentsPerM3: number;
  /** Mean air of the room. */
  roomC: number;
}

/** What one lot took over a time. */
export interface LotUpkeep {
  tankDays: number;
  litreDays: number;
  heatingKwh: number;
  waterL: number;
  meals: number;
  /** Time at its tanks, s. */
  seconds: number;
}
const NOTHING: LotUpkeep = { tankDays: 0, litreDays: 0, heatingKwh: 0, waterL: 0, meals: 0, seconds: 0 };

/** Something that a tank was given on a day: water, a meal, time. */
export interface TankDose {
  tankId: string;
  on: Day;
  waterL?: number;
  meals?: number;
  seconds?: number;
}

/**
 * What each lot took of room, heat, water, meals and time: each day of a tank is shared equally by the lots that stood in it; what was given
 * to a tank in which nobody stood is nobody's. The mean loss alone: lights and pumps that warm the water lower it.
 * Source: docs/sources.md#upkeep
 * @param stays - any number a lot, in no order; two of one lot in one tank must not overlap
 * @param from - first day counted
 * @param to - last day counted
 */
export function upkeep({
  stays,
  tanks,
  doses,
  roomC,
  from,
  to,
}: {
  stays: readonly Stay[];
  tanks: readonly UpkeepTank[];
  doses: readonly TankDose[];
  roomC: number;
  from: Day;
  to: Day;
}): Map<string, LotUpkeep> {
  const days = daysBetween(from, to) + 1;
  const found = new Map<string, LotUpkeep>();
  if (days <= 0) return found;
  const of = (lotId: string): LotUpkeep => {
    const own = found.get(lotId) ?? { ...NOTHING };
    found.set(lotId, own);
    return own;
  };
  const at = (day: Day) => Math.min(days, Math.max(0, daysBetween(from, day)));
  const byTank = new Map<string, { lotId: string; first: number; end: number }[]>();
  for (const stay of stays) {
    const [first, end] = [at(stay.from), at(stay.to) + (stay.to < from ? 0 : 1)];
    if (stay.to < from || stay.from > to || end <= first) continue;
    const list = byTank.get(stay.tankId) ?? [];
    list.push({ lotId: stay.lotId, first, end: Math.min(days, end) });
    byTank.set(stay.tankId, list);
  }
  const dosesBy = new Map<string, TankDose[]>();
  for (const dose of doses)
    if (dose.on >= from && dose.on <= to) dosesBy.set(dose.tankId, [...(dosesBy.get(dose.tankId) ?? []), dose]);
  for (const tank of tanks) {
    const here = byTank.get(tank.id);
    if (!here) continue;
    const kwhADay = (tank.lossWPerK * Math.max(0, tank.targetC - roomC) * 24) / 1000;
    // Between two changes of who is there nothing changes: spans, not days.
    const edges = [...new Set(here.flatMap(({ first, end }) => [first, end]))].sort((a, b) => a - b);
    for (const [i, begin] of edges.slice(0, -1).entries()) {
      const span = (edges[i + 1] ?? begin) - begin;
      const present = here.filter(({ first, end }) => first <= begin && end > begin);
      for (const { lotId } of present) {
        const own = of(lotId);
        own.tankDays += span / present.length;
        own.litreDays += (span * tank.litres) / present.length;
        own.heatingKwh += (span * kwhADay) / present.length;
      }
    }
    for (const dose of dosesBy.get(tank.id) ?? []) {
      const on = daysBetween(from, dose.on);
      const present = here.filter(({ first, end }) => first <= on && end > on);
      for (const { lotId } of present) {
        const own = of(lotId);
        own.waterL += (dose.waterL ?? 0) / present.length;
        own.meals += (dose.meals ?? 0) / present.length;
        own.seconds += (dose.seconds ?? 0) / present.length;
      }
    }
  }
  return found;
}
