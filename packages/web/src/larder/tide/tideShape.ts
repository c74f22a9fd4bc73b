import type { TideDay, TideVessel } from '@freshet/core/larder';

/** Space of the picture, px. */
export const CHART_PX = 150;
export const TOP_PX = 14;
export const LEFT_PX = 46;
export const VESSEL_PX = 26;

/** One step of the body of supply or of a gap, px. */
export interface TideStep {
  x: number;
  width: number;
  y: number;
  height: number;
}

/** What is drawn of a class. */
export interface TideShape {
  x: (day: number) => number;
  /** ml a day at the top. */
  top: number;
  y: (ml: number) => number;
  /** Supply that is needed, what is over it, and what is missing. */
  used: TideStep[];
  surplus: TideStep[];
  short: TideStep[];
  /** The line of demand, as a path. */
  demand: string;
  /** The survival band around it. */
  band: string;
}

/** Surplus is cut off here, as a multiple of the highest need: more than that is said, not drawn. */
const MOST_OVER = 1.25;

/** Lays supply and demand out over a width. */
export function shapeTide(days: readonly TideDay[], width: number): TideShape {
  const needed = Math.max(0, ...days.map(({ high }) => high));
  const given = Math.max(0, ...days.map(({ supply }) => supply));
  const top = needed > 0 ? Math.min(Math.max(needed, given) * 1.08, needed * MOST_OVER) : Math.max(given * 1.2, 1);
  const x = (day: number) => LEFT_PX + (day / days.length) * (width - LEFT_PX - 2);
  const y = (ml: number) => TOP_PX + CHART_PX * (1 - Math.min(ml, top) / top);
  const step = (day: number, from: number, to: number): TideStep => ({
    x: x(day),
    width: x(day + 1) - x(day),
    y: y(to),
    height: Math.max(0, y(from) - y(to)),
  });
  const used: TideStep[] = [];
  const surplus: TideStep[] = [];
  const short: TideStep[] = [];
  days.forEach(({ demand, supply, short: missing }, day) => {
    if (Math.min(demand, supply) > 0) used.push(step(day, 0, Math.min(demand, supply)));
    if (supply > demand) surplus.push(step(day, demand, supply));
    if (missing > 0) short.push(step(day, supply, demand));
  });
  const line = (pick: (day: TideDay) => number) =>
    days
      .map((one, day) => `${day === 0 ? 'M' : 'L'}${x(day).toFixed(1)} ${y(pick(one)).toFixed(1)}H${x(day + 1).toFixed(1)}`)
      .join('');
  const back = [...days]
    .map((one, day) => ({ one, day }))
    .reverse()
    .map(({ one, day }) => `L${x(day + 1).toFixed(1)} ${y(one.low).toFixed(1)}H${x(day).toFixed(1)}`)
    .join('');
  return { x, y, top, used, surplus, short, demand: line(({ demand }) => demand), band: `${line(({ high }) => high)}${back}Z` };
}

/** A vessel's bar: open while it ripens, filled while it gives; days outside of the picture are cut off. */
export function vesselBar(vessel: TideVessel, days: number) {
  const within = (day: number) => Math.min(days, Math.max(0, day));
  return {
    start: within(vessel.startDay),
    ripe: within(vessel.ripeDay),
    mayRipe: within(vessel.mayRipeDay),
    end: within(vessel.lastDay + 1),
    isGone: vessel.lastDay < 0,
  };
}

/** The day under a pointer. */
export const dayAt = (px: number, width: number, days: number): number =>
  Math.min(days - 1, Math.max(0, Math.floor(((px - LEFT_PX) / Math.max(1, width - LEFT_PX - 2)) * days)));

/** A round number of ml for the axis. */
export function tickOf(top: number): number {
  const rough = top / 3;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((step) => step * power >= rough) ?? 10) * power;
}
