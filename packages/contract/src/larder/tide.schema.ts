import * as v from 'valibot';
import { CULTURE_FOODS, FOOD_CLASS_KEYS, type Tide } from '@freshet/core/larder';
import { FOODS } from '@freshet/core/species';
import { Day } from '../values';

const DemandRow = v.object({
  key: v.string(),
  label: v.string(),
  broodId: v.nullable(v.string()),
  attemptId: v.nullable(v.string()),
  lotId: v.nullable(v.string()),
  tankId: v.nullable(v.string()),
  classKey: v.picklist(FOOD_CLASS_KEYS),
  food: v.picklist(CULTURE_FOODS),
  isExpected: v.boolean(),
  mid: v.array(v.number()),
  low: v.array(v.number()),
  high: v.array(v.number()),
});

/** Supply and demand of live food by class and day, in ml of the class's leading food. */
export const TideReply = v.object({
  today: Day,
  days: v.number(),
  classes: v.array(
    v.object({
      key: v.picklist(FOOD_CLASS_KEYS),
      rows: v.array(DemandRow),
      vessels: v.array(
        v.object({
          id: v.string(),
          name: v.string(),
          food: v.picklist(CULTURE_FOODS),
          classKey: v.picklist(FOOD_CLASS_KEYS),
          state: v.picklist(['running', 'planned']),
          startDay: v.number(),
          mayRipeDay: v.number(),
          ripeDay: v.number(),
          lastDay: v.number(),
          perDay: v.number(),
          basis: v.picklist(['learned', 'book']),
          movedDays: v.number(),
        }),
      ),
      starts: v.array(
        v.object({
          food: v.picklist(CULTURE_FOODS),
          ripeFrom: v.number(),
          ripeDays: v.number(),
          lastsDays: v.number(),
          perDay: v.number(),
        }),
      ),
      tin: v.nullable(v.object({ name: v.string(), grams: v.number(), perDay: v.array(v.number()) })),
    }),
  ),
}) satisfies v.GenericSchema<unknown, Tide>;

/** The morning's pouring. */
export const PourReply = v.object({
  day: Day,
  vessels: v.array(
    v.object({
      cultureId: v.string(),
      name: v.string(),
      food: v.picklist(CULTURE_FOODS),
      place: v.nullable(v.string()),
      mayTakeMl: v.number(),
      takeMl: v.number(),
      pours: v.array(
        v.object({
          tankId: v.string(),
          code: v.string(),
          choreKey: v.nullable(v.string()),
          ml: v.number(),
          meals: v.number(),
          insteadOf: v.nullable(v.picklist(CULTURE_FOODS)),
        }),
      ),
      over: v.string(),
    }),
  ),
  unfed: v.array(
    v.object({
      tankId: v.string(),
      code: v.string(),
      choreKey: v.nullable(v.string()),
      food: v.picklist(CULTURE_FOODS),
      ml: v.number(),
      bridge: v.string(),
      next: v.nullable(v.object({ name: v.string(), from: v.string() })),
    }),
  ),
});

/** Every brood's foods by size, with their days. */
export const LadderReply = v.array(
  v.object({
    broodId: v.string(),
    name: v.string(),
    codes: v.string(),
    smallestMm: v.number(),
    meanMm: v.number(),
    isMeasured: v.boolean(),
    isFeeding: v.boolean(),
    rungs: v.array(
      v.object({
        food: v.picklist(FOODS),
        fromMm: v.number(),
        sizeUm: v.nullable(v.pipe(v.tuple([v.number(), v.number()]), v.readonly())),
        from: Day,
        to: Day,
        state: v.picklist(['over', 'now', 'coming']),
        overlapDays: v.number(),
      }),
    ),
  }),
);
