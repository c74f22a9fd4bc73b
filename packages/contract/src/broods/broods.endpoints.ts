import * as v from 'valibot';
import { LIFE_STAGES } from '@freshet/core/broods';
import { CAUSES, FOODS } from '@freshet/core/stock';
import { endpoint } from '../endpoints';
import { EVERYTHING, Written } from '../log';
import { StageWindowSchema } from '../spawning';
import { Id, Instant, Override, TimeRange, WholeCount } from '../values';

/** Eggs seen (or carried, or young born): makes the brood and its first lot. */
export const NewClutch = v.pipe(
  v.object({
    id: Id,
    broodId: Id,
    lotId: Id,
    attemptId: Id,
    laid: TimeRange,
    count: v.pipe(WholeCount, v.minValue(1, 'At least one.')),
    white: WholeCount,
    override: Override,
  }),
  v.forward(
    v.partialCheck([['count'], ['white']], ({ count, white }) => white <= count, 'No more white eggs than eggs.'),
    ['white'],
  ),
);

export const NewObservation = v.object({
  id: Id,
  broodId: Id,
  kind: v.picklist(['eggsSeen', 'hatched', 'freeSwimming']),
  at: TimeRange,
  counted: v.nullable(WholeCount),
  override: Override,
});

export const NewWhite = v.object({
  id: Id,
  broodId: Id,
  count: v.pipe(WholeCount, v.minValue(1, 'At least one.')),
  at: Instant,
  override: Override,
});

const span = v.object({ from: v.string(), to: v.string() });

/** A brood in the list: how many, how old, what next. */
export const BroodCard = v.object({
  id: v.string(),
  name: v.string(),
  speciesKey: v.string(),
  speciesName: v.string(),
  attemptId: v.nullable(v.string()),
  laid: span,
  stage: v.picklist(LIFE_STAGES),
  /** Carried young are released rather than hatched. */
  carried: v.boolean(),
  alive: v.number(),
  began: v.number(),
  ageDays: v.number(),
  feedingDays: v.nullable(v.number()),
  lengthMm: v.nullable(v.number()),
  food: v.nullable(v.picklist(FOODS)),
  next: v.nullable(StageWindowSchema),
  ready: v.nullable(span),
  lots: v.array(
    v.object({ id: v.string(), tankId: v.nullable(v.string()), tankCode: v.nullable(v.string()), count: v.number() }),
  ),
  stream: v.object({
    bands: v.array(
      v.object({
        lotId: v.string(),
        parentLotId: v.nullable(v.string()),
        points: v.array(v.object({ at: v.string(), count: v.number(), cause: v.picklist(CAUSES), change: v.number() })),
        forecast: v.array(v.object({ at: v.string(), low: v.number(), mid: v.number(), high: v.number() })),
      }),
    ),
    alive: v.number(),
  }),
  /** Where the stage of the young changed, for the stream's fill. */
  stages: v.array(v.object({ stage: v.picklist(LIFE_STAGES), from: v.string(), predicted: v.boolean() })),
});

export const BroodPage = v.object({
  ...BroodCard.entries,
  born: v.boolean(),
  parents: v.array(v.object({ lotId: v.string(), role: v.picklist(['sire', 'dam']), label: v.string() })),
  windows: v.array(StageWindowSchema),
  ledger: v.array(v.object({ label: v.string(), count: v.number() })),
  foods: v.array(v.object({ food: v.picklist(FOODS), fromMm: v.number(), from: v.nullable(v.string()) })),
  ration: v.nullable(
    v.object({
      food: v.picklist(FOODS),
      mealsPerDay: v.number(),
      perMeal: v.number(),
      unit: v.string(),
      why: v.array(v.string()),
    }),
  ),
  lots: v.array(
    v.object({ id: v.string(), tankId: v.nullable(v.string()), tankCode: v.nullable(v.string()), count: v.number() }),
  ),
});

export const broodsEndpoints = {
  broods: endpoint({ method: 'GET', path: '/api/broods', summary: 'Living broods', role: 'viewer', reply: v.array(BroodCard) }),
  brood: endpoint({
    method: 'GET',
    path: '/api/broods/:broodId',
    summary: 'One brood: windows, account, stream, food',
    role: 'viewer',
    reply: BroodPage,
  }),
  addClutch: endpoint({
    method: 'POST',
    path: '/api/clutches',
    summary: 'Log eggs seen, or young born',
    role: 'sitter',
    body: NewClutch,
    reply: Written,
    touches: EVERYTHING,
  }),
  observe: endpoint({
    method: 'POST',
    path: '/api/observations',
    summary: 'Log a hatch, free-swimming young, or eggs still eggs',
    role: 'sitter',
    body: NewObservation,
    reply: Written,
    touches: EVERYTHING,
  }),
  pickWhite: endpoint({
    method: 'POST',
    path: '/api/whites',
    summary: 'Log white eggs picked out',
    role: 'sitter',
    body: NewWhite,
    reply: Written,
    touches: EVERYTHING,
  }),
};
