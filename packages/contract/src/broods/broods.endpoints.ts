import * as v from 'valibot';
import { CARRIER_STEPS, LIFE_STAGES, LOSS_SPANS } from '@freshet/core/broods';
import { FUNGUS_SCHOOLS } from '@freshet/core/spawning';
import { CAUSES } from '@freshet/core/stock';
import { EGG_PLANS, FOODS } from '@freshet/core/species';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { StageWindowSchema } from '../spawning';
import { COUNT_WAYS } from '../stock';
import { BagPeat, Drop, EggsOnTheirWay, KeepEggs, PeatHatch, PickEggs, WetPeat } from './eggs.schema';
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

const Millimetres = v.pipe(v.number('Give a length in mm.'), v.gtValue(0, 'Above 0 mm.'), v.maxValue(500, 'At most 500 mm.'));

/** Eggs or young found where no attempt is open: the attempt is noted with them, its parents are whoever of the kind lives there. */
export const FoundBrood = v.pipe(
  v.object({
    id: Id,
    broodId: Id,
    lotId: Id,
    attemptId: Id,
    tankId: Id,
    speciesKey: v.pipe(v.string(), v.minLength(1, 'Choose a species.')),
    count: v.pipe(WholeCount, v.minValue(1, 'At least one.')),
    /** When eggs were laid or young born; null when young are dated by their length. */
    laid: v.nullable(TimeRange),
    /** Length of free-swimming young, from and to; null for eggs. */
    youngMm: v.nullable(v.tuple([Millimetres, Millimetres])),
    at: Instant,
    override: Override,
  }),
  v.forward(
    v.partialCheck(
      [['laid'], ['youngMm']],
      ({ laid, youngMm }) => (laid === null) !== (youngMm === null),
      'Say when, or how long they are.',
    ),
    ['youngMm'],
  ),
  v.forward(
    v.partialCheck([['youngMm']], ({ youngMm }) => youngMm === null || youngMm[0] <= youngMm[1], 'The shorter comes first.'),
    ['youngMm'],
  ),
);

export const NewObservation = v.object({
  id: Id,
  broodId: Id,
  /** `looked`: they hatched and do not swim yet. */
  kind: v.picklist(['eggsSeen', 'looked', 'stripped', 'hatched', 'freeSwimming']),
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

const some = v.optional(WholeCount, 0);
/** Eggs looked through on one day: what is taken out by why, what is doubtful and stays, and how many sound ones are left if counted. */
export const NewTriage = v.pipe(
  v.object({
    id: Id,
    broodId: Id,
    at: Instant,
    white: some,
    kickedOut: some,
    eaten: some,
    /** Doubtful ones: they stay in the count. */
    unsure: some,
    /** Sound ones, where all were counted. */
    fertile: v.optional(v.nullable(WholeCount)),
  }),
  v.forward(
    v.check(
      ({ white, kickedOut, eaten, unsure, fertile }) => white + kickedOut + eaten + unsure + (fertile ?? 0) > 0,
      'Count at least one egg.',
    ),
    ['white'],
  ),
);

/** A brood that turned out to be of another attempt, such as one that was found by accident. */
export const JoinBrood = v.object({ id: Id, broodId: Id, attemptId: Id });

const span = v.object({ from: v.string(), to: v.string() });

/** Part of a brood in one tank. */
const BroodLot = v.object({
  id: v.string(),
  tankId: v.nullable(v.string()),
  tankCode: v.nullable(v.string()),
  count: v.number(),
  males: v.number(),
  females: v.number(),
  unsexed: v.number(),
});

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
  smallestMm: v.nullable(v.number()),
  /** Days ahead of the species' curve by the measured lengths. */
  aheadDays: v.number(),
  /** The newest sample of lengths. */
  measured: v.nullable(v.object({ at: v.string(), meanMm: v.number(), smallestTenthMm: v.number(), count: v.number() })),
  /** The newest count, with its range where it was worked out. */
  counted: v.nullable(
    v.object({ at: v.string(), count: v.number(), low: v.number(), high: v.number(), how: v.picklist(COUNT_WAYS) }),
  ),
  food: v.nullable(v.picklist(FOODS)),
  next: v.nullable(StageWindowSchema),
  /** Where its holder stands; null where nobody carries it. */
  carrier: v.nullable(
    v.object({
      now: v.picklist(CARRIER_STEPS),
      mayStrip: v.boolean(),
      steps: v.array(
        v.object({
          step: v.picklist(CARRIER_STEPS),
          from: v.nullable(v.string()),
          to: v.nullable(v.string()),
          isSeen: v.boolean(),
        }),
      ),
      advice: v.array(v.string()),
    }),
  ),
  /** Why its dates cannot be worked out; null when they can. */
  trouble: v.nullable(v.string()),
  ready: v.nullable(span),
  lots: v.array(BroodLot),
  stream: v.object({
    bands: v.array(
      v.object({
        lotId: v.string(),
        parentLotId: v.nullable(v.string()),
        points: v.array(v.object({ at: v.string(), count: v.number(), cause: v.picklist(CAUSES), change: v.number() })),
        forecast: v.array(v.object({ at: v.string(), low: v.number(), mid: v.number(), high: v.number() })),
        counted: v.nullable(v.object({ at: v.string(), low: v.number(), high: v.number() })),
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
  ...EggsOnTheirWay.entries,
  /** Where others joined it: of how many heads by expectation, and of which brood; none while it is of one parentage. */
  mixed: v.array(
    v.object({ lotId: v.string(), broodId: v.nullable(v.string()), name: v.string(), heads: v.number(), since: v.string() }),
  ),
  /** Pictures kept with it, newest first. */
  photos: v.array(v.object({ id: v.string(), at: v.string() })),
  parents: v.array(v.object({ lotId: v.string(), role: v.picklist(['sire', 'dam']), label: v.string() })),
  windows: v.array(StageWindowSchema),
  ledger: v.array(v.object({ label: v.string(), count: v.number() })),
  foods: v.array(v.object({ food: v.picklist(FOODS), from: v.nullable(v.string()), to: v.nullable(v.string()) })),
  ration: v.nullable(
    v.object({
      food: v.picklist(FOODS),
      mealsPerDay: v.number(),
      perMeal: v.number(),
      unit: v.string(),
      why: v.array(v.string()),
    }),
  ),
  lots: v.array(BroodLot),
});

const counted = v.nullable(v.number());
/** A brood as it turned out. */
export const BroodOutcomeReply = v.object({
  broodId: v.string(),
  name: v.string(),
  laid: span,
  counts: v.object({ laid: counted, fertile: counted, hatched: counted, swimming: counted, day30: counted, sale: counted }),
  losses: v.array(v.object({ cause: v.picklist(CAUSES), span: v.picklist(LOSS_SPANS), count: v.number() })),
  events: v.array(v.object({ day: v.number(), deaths: v.number(), removedAlive: v.number() })),
  alive: v.number(),
  ageDays: v.number(),
  daysToSale: v.nullable(v.number()),
  males: v.number(),
  females: v.number(),
  eggPlan: v.nullable(v.picklist(EGG_PLANS)),
  container: v.nullable(v.string()),
  fungus: v.nullable(v.picklist(FUNGUS_SCHOOLS)),
  tankCode: v.nullable(v.string()),
  mothers: v.array(v.object({ lotId: v.string(), label: v.string(), bornOn: v.nullable(v.string()), females: v.number() })),
  tempC: v.nullable(v.number()),
  ph: v.nullable(v.number()),
});

/** What is logged here: who may, and which addresses show it. */
export const broodsEntries = entries({
  clutch: {
    role: 'sitter',
    words: 'eggs or young found',
    touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.spawns, ...TOUCHES.descent],
  },
  found: {
    role: 'sitter',
    words: 'eggs or young found',
    touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.spawns, ...TOUCHES.descent],
  },
  observation: { role: 'sitter', words: 'stage seen', touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.descent] },
  join: {
    role: 'keeper',
    words: 'brood joined to a spawning',
    touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.spawns, ...TOUCHES.descent],
  },
  triage: { role: 'sitter', words: 'eggs looked through', touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.descent] },
  eggKeeping: {
    role: 'sitter',
    words: 'way of keeping the eggs changed',
    touches: [...TOUCHES.broods, ...TOUCHES.lots],
  },
  eggPick: {
    role: 'sitter',
    words: 'eggs picked',
    touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.spawns, ...TOUCHES.descent],
  },
  peatBag: { role: 'sitter', words: 'peat bagged', touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.room] },
  peatHatch: { role: 'sitter', words: 'hatch from wetted peat', touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.room] },
  wetting: {
    role: 'sitter',
    words: 'peat wetted',
    touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.spawns, ...TOUCHES.descent, ...TOUCHES.room],
  },
  white: { role: 'sitter', words: 'white eggs picked', touches: [...TOUCHES.broods, ...TOUCHES.lots, ...TOUCHES.descent] },
});

export const broodsEndpoints = {
  broods: endpoint({ method: 'GET', path: '/api/broods', summary: 'Living broods', role: 'viewer', reply: v.array(BroodCard) }),
  drops: endpoint({
    method: 'GET',
    path: '/api/lots-due',
    summary: 'Livebearers: the last drop of each and the window of the next',
    role: 'viewer',
    reply: v.array(Drop),
  }),
  brood: endpoint({
    method: 'GET',
    path: '/api/broods/:broodId',
    summary: 'One brood: windows, account, stream, food',
    role: 'viewer',
    reply: BroodPage,
  }),
  broodRecord: endpoint({
    method: 'GET',
    path: '/api/broods/record/:speciesKey',
    summary: 'How every brood of a species turned out, newest first: counts by stage, losses, mothers, surroundings',
    role: 'viewer',
    reply: v.array(BroodOutcomeReply),
  }),
  addClutch: broodsEntries.clutch({
    path: '/api/clutches',
    summary: 'Log eggs seen, or young born',
    body: NewClutch,
  }),
  foundBrood: broodsEntries.found({
    path: '/api/found-broods',
    summary: 'Log eggs or young found where no attempt is open, dated by when or by their length',
    body: FoundBrood,
  }),
  observe: broodsEntries.observation({
    path: '/api/observations',
    summary: 'Log a hatch, free-swimming young, or eggs still eggs',
    body: NewObservation,
  }),
  joinBrood: broodsEntries.join({ path: '/api/brood-joins', summary: 'Say which attempt a brood is of', body: JoinBrood }),
  triage: broodsEntries.triage({ path: '/api/triages', summary: 'Look through the eggs of a clutch', body: NewTriage }),
  keepEggs: broodsEntries.eggKeeping({
    path: '/api/egg-keepings',
    summary: 'Keep the eggs of a clutch another way from now on',
    body: KeepEggs,
  }),
  pickEggs: broodsEntries.eggPick({ path: '/api/egg-picks', summary: 'Log eggs picked from a daily layer', body: PickEggs }),
  bagPeat: broodsEntries.peatBag({ path: '/api/peat-bags', summary: 'Bag peat with eggs', body: BagPeat }),
  wetPeat: broodsEntries.wetting({ path: '/api/wettings', summary: 'Log that a bag of peat was wetted', body: WetPeat }),
  hatchPeat: broodsEntries.peatHatch({
    path: '/api/peat-hatches',
    summary: 'Log who hatched from wetted peat, and where the rest went',
    body: PeatHatch,
  }),
  pickWhite: broodsEntries.white({
    path: '/api/whites',
    summary: 'Log white eggs picked out',
    body: NewWhite,
  }),
};
