import { addDays, daysBetween, houseDay, type Day } from '../time';
import { cultureDays, CULTURES, kindOf, type CultureKind } from './cultureKinds';
import { isLost, type DescribedCulture } from './cultures';
import { deriveDemand, firstDay, type DemandRow, type WhatIfSpawning } from './demand';
import type { LarderView, PlannedStart } from './facts';
import { asLead, FOOD_CLASSES, foodClassOf } from './foodClasses';
import { learnCulture } from './learnCulture';
import { hatchMl, tinInUse } from './knowledge';
import { shelfState } from './shelf';
import { FOOD_CLASS_KEYS, type CultureFood, type FoodClassKey } from './keys';

/** A vessel on the tide's axis; days from today, negative for the past. */
export interface TideVessel {
  id: string;
  name: string;
  food: CultureFood;
  classKey: FoodClassKey;
  /** `running` stands in the house, `planned` was taken over from a plan. */
  state: 'running' | 'planned';
  startDay: number;
  /** From here it could be ripe, from `ripeDay` it surely is; it gives until `lastDay`, which is included. */
  mayRipeDay: number;
  ripeDay: number;
  lastDay: number;
  /** ml of the class's leading food a day. */
  perDay: number;
  /** What its yield rests on: its own looks, or the book. */
  basis: 'learned' | 'book';
  /** For a planned one: how many days it moved with its hatch. */
  movedDays: number;
}

/** What a new vessel of a food would be, as days from its start. */
export interface NewVessel {
  food: CultureFood;
  ripeFrom: number;
  ripeDays: number;
  lastsDays: number;
  perDay: number;
}

/** One class of food over the coming weeks. */
export interface TideClass {
  key: FoodClassKey;
  rows: DemandRow[];
  vessels: TideVessel[];
  /** What may be started, the best first: what is already running, what is asked for by name, then the rest. */
  starts: NewVessel[];
  /** For hatches: what the tin still gives by day, if a hatch is set each day. */
  tin: { name: string; grams: number; perDay: number[] } | null;
}

/** Supply and demand of live food. */
export interface Tide {
  today: Day;
  days: number;
  classes: TideClass[];
}

/** What a vessel gives a day for good by the book, ml as poured. */
export function usualYield(kind: CultureKind, vesselL: number, tempC: number | null): number {
  const { ripe } = cultureDays(kind, tempC);
  const slow = ripe[0] / kind.ripeDays[0];
  const doubling = Math.sqrt(kind.doublingDays[0] * kind.doublingDays[1]) * slow;
  const root = Math.exp((Math.LN2 / doubling) * kind.harvestEveryDays * 0.5);
  return ((root - 1) / (root + 1) / kind.harvestEveryDays) * vesselL * kind.fullMlPerL;
}

/** A vessel of a food begun anew in its usual size, at the house's usual temperature. */
export function newVessel(food: CultureFood): NewVessel {
  const kind: CultureKind = CULTURES[food];
  const days = cultureDays(food, null);
  return {
    food,
    ripeFrom: Math.floor(days.ripe[0]),
    ripeDays: Math.ceil(days.ripe[1]),
    lastsDays: Math.floor(days.lasts),
    perDay: asLead(food, usualYield(kind, kind.vesselL, null)),
  };
}

/** The starts of a plan that were not yet made: each culture begun since uses up the earliest of its food. Those that are for a hatch move with it. */
export function openStarts(view: LarderView, rows: readonly DemandRow[] | null = null): (PlannedStart & { movedDays: number })[] {
  const used = new Map<CultureFood, number>();
  const begun = (food: CultureFood, since: string) =>
    view.cultures.filter(({ culture }) => culture.food === food && culture.startedAt > since).length;
  return [...view.larder.planned]
    .sort((a, b) => (a.day < b.day ? -1 : 1))
    .filter(({ food, takenAt }) => {
      const done = used.get(food) ?? 0;
      if (done >= begun(food, takenAt)) return true;
      used.set(food, done + 1);
      return false;
    })
    .map((planned) => {
      const row = rows?.find(({ key, classKey }) => key === planned.needKey && classKey === foodClassOf(planned.food));
      if (!row || !planned.needFrom) return { ...planned, movedDays: 0 };
      const movedDays = daysBetween(planned.needFrom, addDays(view.today, firstDay(row)));
      const day = addDays(planned.day, movedDays);
      return { ...planned, movedDays, day: day < view.today ? view.today : day };
    });
}

function runningVessel(described: DescribedCulture, view: LarderView): TideVessel | null {
  const { culture, state } = described;
  const kind = kindOf(culture);
  const classKey = foodClassOf(culture.food);
  if (!classKey) return null;
  const off = (day: Day) => daysBetween(view.today, day);
  const learned = learnCulture(culture, state, view.today, view.timeZone);
  const perDay = kind.batch
    ? hatchMl(view, culture.hatch?.cystsG ?? 0)
    : learned.looks > 0
      ? learned.sustainableMlPerDay.mean
      : usualYield(kind, culture.vesselL ?? kind.vesselL, state.tempC);
  return {
    id: culture.id,
    name: culture.name,
    food: culture.food,
    classKey,
    state: 'running',
    startDay: off(houseDay(culture.startedAt, view.timeZone)),
    mayRipeDay: off(state.ripeFrom),
    ripeDay: off(state.ripeBy),
    lastDay: isLost(culture) ? -1 : off(state.lastDay),
    perDay: asLead(culture.food, perDay),
    basis: !kind.batch && learned.looks > 0 ? 'learned' : 'book',
    movedDays: 0,
  };
}

/** What the tin gives: each day its demand until it is empty. */
function tinSupply(view: LarderView, rows: readonly DemandRow[], days: number): TideClass['tin'] {
  const tin = tinInUse(view);
  if (!tin) return null;
  const mlPerG = hatchMl(view, 1);
  const { left, goodUntil } = shelfState(tin, 0, view.today);
  let grams = left;
  const perDay = Array.from({ length: days }, (_, offset) => {
    const wanted = rows.reduce((sum, { mid }) => sum + (mid[offset] ?? 0), 0);
    const isGood = goodUntil === null || addDays(view.today, offset) <= goodUntil;
    const given = isGood ? Math.min(wanted, Math.max(0, grams) * mlPerG) : 0;
    grams -= given / mlPerG;
    return given;
  });
  return { name: tin.name, grams: left, perDay };
}

/** Supply and demand of each class of live food from today on. Source: docs/sources.md#tide */
export function deriveTide(view: LarderView, days = 56, whatIf: WhatIfSpawning | null = null): Tide {
  const rows = deriveDemand(view, days, whatIf);
  const planned = openStarts(view, rows);
  const running = view.cultures.flatMap((described) => runningVessel(described, view) ?? []);
  const classes = FOOD_CLASS_KEYS.flatMap((key): TideClass[] => {
    const own = rows.filter(({ classKey }) => classKey === key);
    const vessels = running.filter(({ classKey }) => classKey === key);
    const plans = planned.flatMap((plan): TideVessel[] => {
      if (foodClassOf(plan.food) !== key) return [];
      const made = newVessel(plan.food);
      const startDay = daysBetween(view.today, plan.day);
      return [
        {
          id: plan.id,
          name: `${plan.food}`,
          food: plan.food,
          classKey: key,
          state: 'planned',
          startDay,
          mayRipeDay: startDay + made.ripeFrom,
          ripeDay: startDay + made.ripeDays,
          lastDay: startDay + made.ripeDays + made.lastsDays - 1,
          perDay: made.perDay,
          basis: 'book',
          movedDays: plan.movedDays,
        },
      ];
    });
    if (own.length === 0 && vessels.length === 0 && plans.length === 0) return [];
    const asked = new Set(own.map(({ food }) => food));
    const rank = (food: CultureFood) => (vessels.some((vessel) => vessel.food === food) ? 0 : asked.has(food) ? 1 : 2);
    const foods = (Object.keys(FOOD_CLASSES[key].mlForOne) as CultureFood[]).filter(
      (food) => !(CULTURES[food] as CultureKind).batch,
    );
    return [
      {
        key,
        rows: own,
        vessels: [...vessels, ...plans].sort((a, b) => a.startDay - b.startDay),
        starts: foods.sort((a, b) => rank(a) - rank(b)).map(newVessel),
        tin: key === 'nauplii' ? tinSupply(view, own, days) : null,
      },
    ];
  });
  return { today: view.today, days, classes };
}
