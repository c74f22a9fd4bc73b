import * as v from 'valibot';
import { CULTURE_FOODS, DOSES, FOOD_CLASS_KEYS, MEAL_SIGHTS, PESTS, SHELF_KINDS } from '@freshet/core/larder';
import { FOODS } from '@freshet/core/species';
import { Day, Id, Instant, Name, Override } from '../values';

const amount = (most: number, words: string) =>
  v.pipe(v.number('How much?'), v.gtValue(0, 'More than nothing.'), v.maxValue(most, words));

/** A measure, weighed or counted by this keeper: so much for so many of them. */
export const NewCalibration = v.object({
  id: Id,
  dose: v.picklist(DOSES),
  food: v.nullable(v.picklist(FOODS)),
  /** All of them together, g or ml as the measure is. */
  total: amount(1000, 'That is more than a kilogram.'),
  of: v.pipe(
    v.number('How many?'),
    v.integer('Whole measures.'),
    v.minValue(1, 'One at least.'),
    v.maxValue(500, 'At most 500.'),
  ),
  at: Instant,
});

/** What was seen after a meal. */
export const NewMealLook = v.object({ id: Id, tankId: Id, sight: v.picklist(MEAL_SIGHTS), at: Instant });

export const NewShelfItem = v.pipe(
  v.object({
    id: Id,
    itemId: Id,
    kind: v.picklist(SHELF_KINDS),
    name: Name,
    food: v.nullable(v.picklist(FOODS)),
    openedOn: v.nullable(Day),
    goodUntil: v.nullable(Day),
    amount: amount(100_000, 'That is more than 100 kg.'),
    /** Paid for it, cents. */
    priceCents: v.nullable(
      v.pipe(
        v.number('Give a price.'),
        v.integer('Whole cents.'),
        v.minValue(0, 'A price is not negative.'),
        v.maxValue(1e8, 'That is more than a million.'),
      ),
    ),
    at: Instant,
  }),
  v.forward(
    v.partialCheck(
      [['openedOn'], ['goodUntil']],
      ({ openedOn, goodUntil }) => !openedOn || !goodUntil || openedOn <= goodUntil,
      'It was past its date when it was opened: look at the year.',
    ),
    ['goodUntil'],
  ),
);

export const SHELF_EVENTS = ['weighed', 'used', 'opened', 'finished'] as const;
export const NewShelfEvent = v.pipe(
  v.object({
    id: Id,
    itemId: Id,
    kind: v.picklist(SHELF_EVENTS),
    /** Left when weighed, taken when used. */
    amount: v.nullable(
      v.pipe(v.number('How much?'), v.minValue(0, 'Not below nothing.'), v.maxValue(100_000, 'That is more than 100 kg.')),
    ),
    at: Instant,
  }),
  v.forward(
    v.partialCheck(
      [['kind'], ['amount']],
      ({ kind, amount: given }) => (kind !== 'weighed' && kind !== 'used') || given !== null,
      'How much?',
    ),
    ['amount'],
  ),
);

/** A plan that is taken: its starts stand in place of those of the class before. */
export const TakePlan = v.object({
  id: Id,
  classKey: v.picklist(FOOD_CLASS_KEYS),
  starts: v.pipe(
    v.array(
      v.object({
        startId: Id,
        food: v.picklist(CULTURE_FOODS),
        day: Day,
        needKey: v.nullable(v.string()),
        needFrom: v.nullable(Day),
      }),
    ),
    v.maxLength(60, 'At most 60 starts.'),
  ),
  at: Instant,
});

export const NewPest = v.pipe(
  v.object({
    id: Id,
    sightingId: Id,
    pest: v.picklist(PESTS),
    tankId: v.nullable(Id),
    cultureId: v.nullable(Id),
    /** What it came with, as far as the keeper knows. */
    cameBy: v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(120, 'At most 120 characters.'))),
    at: Instant,
  }),
  v.forward(
    v.partialCheck(
      [['tankId'], ['cultureId']],
      ({ tankId, cultureId }) => tankId !== null || cultureId !== null,
      'Where was it seen?',
    ),
    ['tankId'],
  ),
);

export const NewPestEvent = v.pipe(
  v.object({
    id: Id,
    sightingId: Id,
    kind: v.picklist(['treated', 'gone']),
    treatment: v.nullable(v.pipe(v.string(), v.maxLength(20))),
    half: v.boolean(),
    at: Instant,
    override: Override,
  }),
  v.forward(
    v.partialCheck([['kind'], ['treatment']], ({ kind, treatment }) => kind !== 'treated' || treatment !== null, 'With what?'),
    ['treatment'],
  ),
);

export const ShelfReply = v.object({
  items: v.array(
    v.object({
      id: v.string(),
      kind: v.picklist(SHELF_KINDS),
      name: v.string(),
      food: v.nullable(v.picklist(FOODS)),
      openedOn: v.nullable(Day),
      unit: v.picklist(['g', 'ml']),
      amount: v.number(),
      priceCents: v.nullable(v.number()),
      left: v.number(),
      goodUntil: v.nullable(Day),
      isUsual: v.boolean(),
      isExpired: v.boolean(),
      runsOutOn: v.nullable(Day),
      perDay: v.number(),
      buy: v.nullable(v.string()),
      isInUse: v.boolean(),
      hatchShare: v.nullable(v.object({ share: v.number(), low90: v.number(), high90: v.number(), hatches: v.number() })),
    }),
  ),
  doses: v.array(
    v.object({
      dose: v.picklist(DOSES),
      food: v.nullable(v.picklist(FOODS)),
      amount: v.number(),
      of: v.number(),
    }),
  ),
});

export const PestReply = v.object({
  id: v.string(),
  pest: v.picklist(PESTS),
  tankId: v.nullable(v.string()),
  cultureId: v.nullable(v.string()),
  where: v.string(),
  cameBy: v.nullable(v.string()),
  at: v.string(),
  invertebrates: v.boolean(),
  events: v.array(
    v.object({ kind: v.picklist(['treated', 'gone']), treatment: v.nullable(v.string()), half: v.boolean(), at: v.string() }),
  ),
  changesOn: v.array(Day),
});
