import { residentsOf, survivalLeft, type Resident } from '../broods';
import type { LarderView } from '../larder';
import { oxygenSaturation, VESSEL_RULES, type RoomTank } from '../room';
import { expectedAgeDays, expectedLengthMm, middle, type Figures } from '../species';
import { breederLimits } from '../stock';
import { addDays, middleOf, type Day } from '../time';
import { growthOf } from './broodGrowth';
import { lengthAt } from './growth';

/** Which end of a figure: the lower is a warning, the upper what a tank carries at most. */
export type Side = 'tight' | 'full';
const end = ([low, high]: readonly [number, number], side: Side) => (side === 'tight' ? low : high);
type Space = Pick<RoomTank, 'litres' | 'floorM2'>;
const DAY_MS = 86_400_000;

/**
 * Young of a length that a tank carries: the species' figure at sale size, by litres or by floor, scaled by the square of the length.
 * Source: docs/sources.md#crowding
 */
export function youngCarried(figures: Figures, lengthMm: number, tank: Space, side: Side): number {
  const scale = (middle(figures.saleMm) / lengthMm) ** 2;
  return figures.limitedBy === 'floor' && figures.juvenilesPerM2
    ? end(figures.juvenilesPerM2, side) * tank.floorM2 * scale
    : end(figures.juvenilesPerLitre, side) * tank.litres * scale;
}

/** Grown animals of a kind that a tank carries. */
function grownCarried({ figures, method, breeders }: Resident['species']): (tank: Space) => number {
  const { perHundredL, perM2 } = breederLimits(method, figures, breeders);
  return (tank) => (figures.limitedBy === 'floor' ? perM2 * tank.floorM2 : (perHundredL * tank.litres) / 100);
}

/** Whether animals count as young for the room they take: those that grow, and those of a brood until they have left, however long they are. */
export const isGrower = ({ isYoung, brood }: Pick<Resident, 'isYoung' | 'brood'>): boolean => isYoung || brood !== null;

/** Animals of one lot as they will be: they grow, and some are lost. */
export interface Ahead {
  resident: Resident;
  /** Mean length in so many days, mm; null while they are eggs or live on their yolk. */
  mmIn: (days: number) => number | null;
  /** The most of them that may live then. */
  headsIn: (days: number) => number;
  /** Share of a tank they take up then, 1 is full. */
  shareIn: (days: number, side: Side, tank: Space) => number;
}

/** How many of a brood's heads of now may live at an instant: the upper of what its species keeps, so that room is not short. */
function keptShare({ brood, species }: Resident, now: number, at: number): number {
  if (!brood) return 1;
  const { windows, ready } = brood.state;
  const feed = windows.find(({ stage }) => stage === 'firstFeed')?.earliest;
  if (!feed || !ready) return 1;
  const past = [Date.parse(middleOf(brood.brood.laid)), Date.parse(feed), Date.parse(middleOf(ready))] as const;
  return species.figures.survivalToSale[1] ** (survivalLeft(now, ...past) - survivalLeft(at, ...past));
}

/** Days until a brood that does not feed yet does; null when nothing says. */
function daysToFeed({ brood }: Resident, now: number): number | null {
  const feed = brood?.state.windows.find(({ stage }) => stage === 'firstFeed')?.earliest;
  return feed ? Math.max(0, (Date.parse(feed) - now) / DAY_MS) : null;
}

/** A lot as it will be, by its brood's own growth where that is known. */
export function aheadOf(view: LarderView, resident: Resident): Ahead {
  const { species, heads, lengthMm, brood } = resident;
  const grows = isGrower(resident);
  const { figures } = species;
  const now = Date.parse(view.now);
  const growth = brood ? growthOf(brood) : null;
  const age = lengthMm === null ? null : expectedAgeDays(figures, lengthMm);
  // Larvae go into salt water before they grow: nothing is said of their room here.
  const feedIn = lengthMm === null && !species.larvae ? daysToFeed(resident, now) : null;
  const carried = grows ? null : grownCarried(species);
  const mmIn = (days: number): number | null => {
    if (lengthMm === null) return feedIn === null || days < feedIn ? null : expectedLengthMm(figures, days - feedIn);
    if (!grows) return lengthMm;
    if (growth) return (lengthMm * lengthAt(growth.middle, growth.ageDays + days)) / lengthAt(growth.middle, growth.ageDays);
    return age === null ? lengthMm : Math.max(lengthMm, expectedLengthMm(figures, age + days));
  };
  const headsIn = (days: number) => heads * keptShare(resident, now, now + days * DAY_MS);
  const shareIn = (days: number, side: Side, tank: Space) => {
    if (carried) return heads / Math.max(1e-9, carried(tank));
    const mm = mmIn(days);
    return mm === null ? 0 : headsIn(days) / Math.max(1e-9, youngCarried(figures, mm, tank, side));
  };
  return { resident, mmIn, headsIn, shareIn };
}

/** Everybody in a tank as they will be. */
export const tankAhead = (view: LarderView, tankId: string): Ahead[] =>
  residentsOf(view, tankId).map((resident) => aheadOf(view, resident));

/** Of a tank with young in it the grown ones take at most so much: their own limit is one of territory, and young grow up beside it. */
const GROWN_MOST = 0.5;
/** From this share of a tank on its young are what fills it. */
const YOUNG_COUNT = 0.1;

/** Share of a tank that its young take up in so many days, the grown ones beside them. @param shareOf - of one, where some of it leaves */
export function loadIn(
  here: readonly Ahead[],
  days: number,
  side: Side,
  tank: Space,
  shareOf: (one: Ahead) => number = (one) => one.shareIn(days, side, tank),
): number {
  const sum = (young: boolean) => here.reduce((all, one) => all + (isGrower(one.resident) === young ? shareOf(one) : 0), 0);
  const ofYoung = sum(true);
  // Grown animals that fill a tank by themselves are no reason to move young on before these take room.
  return ofYoung < YOUNG_COUNT ? ofYoung : ofYoung + Math.min(GROWN_MOST, sum(false));
}

/** Share of what a tank carries at most that everybody in it takes up, 1 is full; null when nobody with a length lives there. */
export function tankCrowding(view: LarderView, tankId: string): number | null {
  const tank = view.tanks.get(tankId);
  const here = tankAhead(view, tankId).filter(({ resident }) => resident.lengthMm !== null);
  if (!tank || tank.litres <= 0 || here.length === 0) return null;
  return here.reduce((sum, one) => sum + one.shareIn(0, 'full', tank), 0);
}

const WEEK = 7;

/** When a tank becomes tight and when it is full, with who grows in it. */
export interface CrowdingForecast {
  tightOn: Day | null;
  fullOn: Day | null;
  /** The young that grow most into it. */
  most: Resident;
  /** How long they are on the day it is tight, or now. */
  mostMm: number | null;
  /** How many others take their part. */
  others: number;
}

/** The first day within so many on which something holds: week by week, then by days within the week it came in. */
function firstDay(days: number, holds: (ahead: number) => boolean): number | null {
  for (let week = 0; week < days + WEEK; week += WEEK) {
    const ahead = Math.min(week, days);
    if (!holds(ahead)) continue;
    let day = Math.max(0, week - WEEK + 1);
    while (day < ahead && !holds(day)) day++;
    return day;
  }
  return null;
}

/** The first days within `days` on which a tank is tight and full, all residents summed; null when no young grow there. */
export function crowdingForecast(view: LarderView, tankId: string, days: number): CrowdingForecast | null {
  const tank = view.tanks.get(tankId);
  // Eggs at rest in damp peat need no room.
  if (tank?.vessel && !VESSEL_RULES[tank.vessel].wet) return null;
  const here = tankAhead(view, tankId);
  const young = here.filter((one) => isGrower(one.resident) && one.mmIn(days) !== null);
  if (!tank || tank.litres <= 0 || young.length === 0) return null;
  const load = (ahead: number, side: Side) => loadIn(here, ahead, side, tank);
  const [tight, full] = [firstDay(days, (ahead) => load(ahead, 'tight') > 1), firstDay(days, (ahead) => load(ahead, 'full') > 1)];
  const [most] = [...young].sort((a, b) => b.shareIn(days, 'full', tank) - a.shareIn(days, 'full', tank));
  if (!most) return null;
  const on = (ahead: number | null) => (ahead === null ? null : addDays(view.today, ahead));
  return {
    tightOn: on(tight),
    fullOn: on(full),
    most: most.resident,
    mostMm: most.mmIn(tight ?? 0),
    others: here.reduce((sum, { resident }) => sum + resident.heads, 0) - most.resident.heads,
  };
}

/** Share of a tank taken up every so many days ahead. */
export interface LoadPoint {
  day: Day;
  /** Over the lower and the upper figure: above 1 it is tight, then full. */
  tight: number;
  full: number;
}

/** How a tank fills, from today on. */
export function loadCourse(view: LarderView, tankId: string, days: number, step = 7): LoadPoint[] {
  const tank = view.tanks.get(tankId);
  const here = tankAhead(view, tankId);
  if (!tank || tank.litres <= 0) return [];
  return Array.from({ length: Math.floor(days / step) + 1 }, (_, i) => {
    const load = (side: Side) => loadIn(here, i * step, side, tank);
    return { day: addDays(view.today, i * step), tight: load('tight'), full: load('full') };
  });
}

/** Oxygen that a gram of fish takes in an hour at 25 °C, mg; twice as much for ten degrees more. A usual figure at rest. */
const MG_A_GRAM_HOUR = 0.3;
const LEAST_OXYGEN = 4;

/** Hours that the water alone lasts when the air fails: from saturation to 4 mg/L, nothing coming in. Source: docs/sources.md#airless */
export function airlessHours(massG: number, litres: number, tempC: number): number | null {
  if (massG <= 0 || litres <= 0) return null;
  const { mgPerL } = oxygenSaturation({ tempC });
  const taken = massG * MG_A_GRAM_HOUR * 2 ** ((tempC - 25) / 10);
  return Math.max(0, (mgPerL - LEAST_OXYGEN) * litres) / taken;
}
