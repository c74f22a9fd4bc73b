import { Op } from 'sequelize';
import type {
  Calibration,
  CultureFood,
  CultureSign,
  Dose,
  FoodClassKey,
  HatchSet,
  MealSight,
  OwnKind,
  Pest,
  ShelfKind,
} from '@freshet/core/larder';
import type { Food } from '@freshet/core/species';
import {
  houseTable,
  type Database,
  declareTable,
  type RowOf,
  text,
  id,
  nullable,
  instant,
  day,
  flag,
  json,
  real,
  whole,
  type Reading,
  OLDEST_FIRST,
} from '../platform';

const CULTURE = declareTable('cultures', {
  food: text<CultureFood>(),
  name: text(),
  tankId: nullable(id()),
  startedAt: instant(),
  ended: flag(),
  kindId: nullable(id()),
  vesselL: nullable(real()),
  place: nullable(text()),
  tempC: nullable(real()),
  fromId: nullable(id()),
  hatch: nullable(json<HatchSet>()),
});
export type CultureRow = RowOf<typeof CULTURE>;

/** What an event says besides its kind; only what was said is kept. */
export interface EventDetails {
  density?: number;
  perMl?: number;
  signs?: CultureSign[];
  ml?: number;
  kept?: 'cold' | 'warm';
  nauplii?: number;
  ended?: 'emptied' | 'crashed' | 'usedUp' | 'thrown';
  byCatch?: string;
}
export type EventKind = 'fed' | 'ripe' | 'looked' | 'harvested' | 'counted' | 'renewed' | 'ended';
const CULTURE_EVENT = declareTable('culture_events', {
  cultureId: id(),
  kind: text<EventKind>(),
  at: instant(),
  details: nullable(json<EventDetails>()),
});
export type CultureEventRow = RowOf<typeof CULTURE_EVENT>;

const CULTURE_KIND = declareTable('culture_kinds', {
  name: text(),
  standsFor: text<CultureFood>(),
  figures: json<Omit<OwnKind, 'id' | 'name' | 'standsFor'>>(),
});
/** A start of a plan, as it was taken. */
export interface PlannedRow {
  startId: string;
  food: CultureFood;
  day: string;
  needKey: string | null;
  needFrom: string | null;
}
const CULTURE_PLAN = declareTable('culture_plans', {
  classKey: text<FoodClassKey>(),
  starts: json<PlannedRow[]>(),
  at: instant(),
});
const DOSE_MEASURE = declareTable('dose_measures', {
  dose: text<Dose>(),
  food: nullable(text<Food>()),
  amount: real(),
  ofMany: whole(),
  at: instant(),
});
const MEAL_LOOK = declareTable('meal_looks', { tankId: id(), sight: text<MealSight>(), at: instant() });
const SHELF_ITEM = declareTable('shelf_items', {
  kind: text<ShelfKind>(),
  name: text(),
  food: nullable(text<Food>()),
  openedOn: nullable(day()),
  goodUntil: nullable(day()),
  amount: real(),
  priceCents: nullable(whole()),
  at: instant(),
  finished: flag(),
});
const SHELF_EVENT = declareTable('shelf_events', {
  itemId: id(),
  kind: text<'weighed' | 'used' | 'opened' | 'finished'>(),
  amount: nullable(real()),
  at: instant(),
});
const PEST = declareTable('pests', {
  pest: text<Pest>(),
  tankId: nullable(id()),
  cultureId: nullable(id()),
  cameBy: nullable(text()),
  at: instant(),
});
const PEST_EVENT = declareTable('pest_events', {
  sightingId: id(),
  kind: text<'treated' | 'gone'>(),
  treatment: nullable(text()),
  half: flag(),
  at: instant(),
});

export function createLarderRepository(database: Database) {
  const cultures = houseTable(database, CULTURE);
  const events = houseTable(database, CULTURE_EVENT);
  const kinds = houseTable(database, CULTURE_KIND);
  const plans = houseTable(database, CULTURE_PLAN);
  const doses = houseTable(database, DOSE_MEASURE);
  const meals = houseTable(database, MEAL_LOOK);
  const pests = houseTable(database, PEST);
  return {
    cultures,
    events,
    kinds,
    plans,
    doses,
    meals,
    shelfItems: houseTable(database, SHELF_ITEM),
    shelfEvents: houseTable(database, SHELF_EVENT),
    pests,
    pestEvents: houseTable(database, PEST_EVENT),
    /** Hatches that were set from a tin, and from what. */
    hatchesSet: (at: Reading) => cultures.find(at, { hatch: { [Op.ne]: null } }),
    mealsSince: (at: Reading, since: Date) => meals.find(at, { at: { [Op.gte]: since } }, OLDEST_FIRST),
    pestsSince: (at: Reading, since: Date) => pests.find(at, { at: { [Op.gte]: since } }, { order: [['at', 'DESC']] }),
    running: (at: Reading) => cultures.find(at, { ended: false }, { order: [['startedAt', 'ASC']] }),
    eventsOf: (at: Reading, cultureIds: readonly string[]) =>
      events.find(at, { cultureId: { [Op.in]: [...cultureIds] } }, OLDEST_FIRST),
    /** Kinds of the keeper's own, by id. */
    ownKinds: async (at: Reading): Promise<Map<string, OwnKind>> =>
      new Map(
        (await kinds.find(at)).map(({ id: kindId, name, standsFor, figures }) => [
          kindId,
          { id: kindId, name, standsFor, ...figures },
        ]),
      ),
    /** What was measured, oldest first. */
    calibrations: async (at: Reading): Promise<Calibration[]> =>
      (await doses.find(at, {}, OLDEST_FIRST)).map(({ dose, food, amount, ofMany }) => ({ dose, food, amount, of: ofMany })),
  };
}
/** A read that knows the house's days. */
export type Housed = Reading & { timeZone: string };
export type LarderRepository = ReturnType<typeof createLarderRepository>;
