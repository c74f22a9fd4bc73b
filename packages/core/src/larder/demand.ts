import { survivalLeft } from '../broods';
import { bodyG, expectedLengthMm, FOOD_NAMES, foodsOn, middle, type Food, type ResolvedSpecies } from '../species';
import { totalHeads } from '../stock';
import { addDays, daysBetween, startOfDay, type Day } from '../time';
import { comingFeeds, feedAfterLaying, type ComingFeed } from './comingFeeds';
import { doseAmount, type Calibration } from './doses';
import type { LarderView } from './facts';
import { asLead, foodClassOf } from './foodClasses';
import { knowledgeAt } from './knowledge';
import { fryRation, NOTHING_KNOWN, type FoodKnowledge, type Ration } from './rations';
import { FOOD_CLASS_KEYS, type CultureFood, type FoodClassKey } from './keys';

/** What one brood, spawning or conditioning programme needs of a class of food, by day from today. */
export interface DemandRow {
  key: string;
  label: string;
  broodId: string | null;
  attemptId: string | null;
  lotId: string | null;
  tankId: string | null;
  classKey: FoodClassKey;
  /** The food of the class that its ladder names. */
  food: CultureFood;
  /** Not yet laid, or not yet feeding. */
  isExpected: boolean;
  /** ml a day of the leading food of the class: as expected, and with the survival band. */
  mid: number[];
  low: number[];
  high: number[];
}

/** A spawning that is only thought of. */
export interface WhatIfSpawning {
  speciesKey: string;
  day: Day;
  /** Eggs; the species' usual clutch when null. */
  eggs: number | null;
}

/** A ration's amount of one meal in ml; null where it is not poured. */
export function mealMl(
  { perMeal, unit, food }: Pick<Ration, 'perMeal' | 'unit' | 'food'>,
  doses: readonly Calibration[],
): number | null {
  if (unit === 'ml') return perMeal;
  if (unit === 'smear' || unit === 'drop') return perMeal * doseAmount(unit, food, doses).amount;
  return null;
}

/** Eggs of a clutch that do not hatch or swim fall out before they feed. */
const liveFood = (food: Food): CultureFood | null => (foodClassOf(food) === null ? null : (food as CultureFood));
/** Wet weight of live food a day for animals that are conditioned, share of their weight: a third of it live. */
const CONDITIONING_WET = 0.02;

/** The share of the heads of now that live on a day, low and high. @param past - instants of laying, first feed and sale, ms */
function aliveOn(
  figures: ResolvedSpecies['figures'],
  at: number,
  now: number,
  past: readonly [number, number, number],
): [number, number] {
  const share = survivalLeft(now, ...past) - survivalLeft(at, ...past);
  const [low, high] = figures.survivalToSale;
  return [low ** share, high ** share];
}

/** What one brood or spawning needs, by class. */
function rowsOf(feed: ComingFeed, view: LarderView, days: number, known: FoodKnowledge): DemandRow[] {
  const { species, read } = feed;
  const { figures } = species;
  const { today, timeZone } = view;
  const [now, fedFrom, fedTo] = [today, feed.from, feed.to].map((day) => Date.parse(startOfDay(day, timeZone))) as [
    number,
    number,
    number,
  ];
  const feedAt = (fedFrom + fedTo) / 2;
  const laidAt = read ? Date.parse(read.brood.laid.from) : now;
  const saleAt = feedAt + middle(figures.saleDays) * 86_400_000;
  const rows = new Map<FoodClassKey, DemandRow>();
  const feedsNow = read?.state.feedingDays ?? null;
  const ahead = read?.state.aheadDays ?? 0;
  const grows = feed.tankId ? view.tanks.get(feed.tankId)?.growsAlgae : false;
  for (let offset = 0; offset < days; offset++) {
    const day = addDays(today, offset);
    // Food has to be there on the first day they may swim; those that swim on the last need the first food then.
    const age = feedsNow === null ? daysBetween(feed.from, day) : Math.floor(feedsNow) + offset + ahead;
    const youngest = feedsNow === null ? daysBetween(feed.to, day) : age;
    if (feedsNow === null && (age < 0 || (!feed.isSeen && daysBetween(feed.to, today) > 7))) continue;
    const [low, high] = aliveOn(figures, Date.parse(startOfDay(day, timeZone)), now, [laidAt, feedAt, saleAt]);
    const heads: [number, number] = [feed.heads[0] * low, feed.heads[1] * high];
    const mean = Math.sqrt(Math.max(1, heads[0]) * Math.max(1, heads[1]));
    const measured = read?.lots.find((lot) => lot.lengthMm != null)?.lengthMm;
    const lengthMm = measured && offset === 0 ? measured : expectedLengthMm(figures, Math.max(0, age));
    const { main, beside } = foodsOn(figures, Math.max(0, Math.floor(youngest)));
    for (const food of [main, ...beside.map((span) => span.food)]) {
      const live = liveFood(food);
      if (!live) continue;
      const classKey = foodClassOf(live) as FoodClassKey;
      const ration = fryRation(figures, food, mean, lengthMm, grows, known);
      if (ration.food !== food) continue;
      const each = mealMl(ration, known.doses);
      if (each === null) continue;
      const perDay = asLead(live, each * (food === main ? ration.mealsPerDay : 1));
      const row = rows.get(classKey) ?? emptyRow(feed, classKey, live, days);
      rows.set(classKey, row);
      row.mid[offset] = (row.mid[offset] ?? 0) + perDay;
      row.low[offset] = (row.low[offset] ?? 0) + (perDay * heads[0]) / mean;
      row.high[offset] = (row.high[offset] ?? 0) + (perDay * heads[1]) / mean;
    }
  }
  return [...rows.values()];
}

const zeros = (days: number) => new Array<number>(days).fill(0);
const emptyRow = (feed: ComingFeed, classKey: FoodClassKey, food: CultureFood, days: number): DemandRow => ({
  key: feed.key,
  label: feed.label,
  broodId: feed.broodId,
  attemptId: feed.attemptId,
  lotId: null,
  tankId: feed.tankId,
  classKey,
  food,
  isExpected: feed.read?.state.feedingDays == null,
  mid: zeros(days),
  low: zeros(days),
  high: zeros(days),
});

/** The live food that a programme names in words, such as "white worms twice a day". */
const namedFood = (words: string): CultureFood | null =>
  (Object.keys(FOOD_NAMES) as Food[])
    .map((food) => (words.toLowerCase().includes(FOOD_NAMES[food]) ? liveFood(food) : null))
    .find((food) => food !== null) ?? null;

/** What conditioning programmes need, by the food they name. */
function conditioningRows(view: LarderView, days: number): DemandRow[] {
  return view.stock.programmes.flatMap((programme): DemandRow[] => {
    const food = namedFood(programme.foods);
    const lot = view.stock.lots.find(({ id }) => id === programme.lotId);
    const species = lot && view.species.get(lot.speciesKey);
    const classKey = food && foodClassOf(food);
    if (!food || !classKey || !lot || !species) return [];
    const weight = totalHeads(lot) * bodyG(species.figures, lot.lengthMm ?? middle(species.figures.adultMm));
    const perDay = asLead(food, weight * CONDITIONING_WET);
    const given = zeros(days).map((_, offset) => {
      const day = addDays(view.today, offset);
      return programme.from <= day && day <= programme.to ? perDay : 0;
    });
    const code = lot.tankId ? (view.tanks.get(lot.tankId)?.code ?? '') : '';
    return [
      {
        key: `programme:${programme.id}`,
        label: `${species.commonName} conditioned${code ? ` in ${code}` : ''}`,
        broodId: null,
        attemptId: null,
        lotId: lot.id,
        tankId: lot.tankId,
        classKey,
        food,
        isExpected: false,
        mid: given,
        low: given,
        high: given,
      },
    ];
  });
}

/**
 * What everybody needs of live food by day and class: broods alive by their number, length and survival, spawnings that are planned (and
 * one that is only thought of), and conditioning programmes. Source: docs/sources.md#tide
 * @param days - from today on
 */
export function deriveDemand(view: LarderView, days: number, whatIf: WhatIfSpawning | null = null): DemandRow[] {
  const feeds = comingFeeds(view);
  const species = whatIf && view.species.get(whatIf.speciesKey);
  const window = species && whatIf ? feedAfterLaying(species, whatIf.day, view, view.now) : null;
  if (species && whatIf && window)
    feeds.push({
      key: 'whatIf',
      label: `${species.commonName}, thought of`,
      broodId: null,
      attemptId: null,
      tankId: null,
      species,
      read: null,
      ...window,
      isSeen: false,
      heads: whatIf.eggs === null ? species.figures.clutch : [whatIf.eggs, whatIf.eggs],
    });
  const rows = feeds.flatMap((feed) => {
    const recipe = feed.attemptId ? view.attempts.get(feed.attemptId)?.recipe : null;
    const known = feed.tankId
      ? knowledgeAt(view, feed.tankId, recipe?.feeding ?? null)
      : { ...NOTHING_KNOWN, doses: view.larder.doses };
    return rowsOf(feed, view, days, known);
  });
  return [...rows, ...conditioningRows(view, days)]
    .filter(({ high }) => high.some((amount) => amount > 0))
    .sort((a, b) => FOOD_CLASS_KEYS.indexOf(a.classKey) - FOOD_CLASS_KEYS.indexOf(b.classKey) || firstDay(a) - firstDay(b));
}

/** The first day on which a row needs anything, from today. */
export const firstDay = ({ high }: Pick<DemandRow, 'high'>): number => high.findIndex((amount) => amount > 0);
