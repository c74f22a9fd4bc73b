import * as v from 'valibot';
import { EGG_PLANS } from '@freshet/core/species';
import { FUNGUS_SCHOOLS } from '@freshet/core/spawning';
import { StageWindowSchema } from '../spawning';
import { Code, Day, Id, Instant, Override, PlaceWords, TimeRange, WholeCount } from '../values';

const words = (most: number, what: string) =>
  v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(most, `${what}: at most ${most} letters.`)));

/** The eggs of a clutch are kept another way from now on; where they go to a box or tumbler, they are moved with it. */
export const KeepEggs = v.pipe(
  v.object({
    id: Id,
    broodId: Id,
    at: Instant,
    plan: v.picklist(EGG_PLANS, 'Choose a plan.'),
    fungus: v.picklist(FUNGUS_SCHOOLS, 'Choose what is done against fungus.'),
    dyeMgPerL: v.nullable(v.pipe(v.number('Give a number.'), v.gtValue(0, 'Above 0.'), v.maxValue(50, 'At most 50 mg/L.'))),
    dyeStockPercent: v.nullable(v.pipe(v.number('Give a number.'), v.gtValue(0, 'Above 0.'), v.maxValue(40, 'At most 40 %.'))),
    dailyChangeFraction: v.pipe(v.number('Give a share.'), v.minValue(0, 'Not below 0.'), v.maxValue(0.9, 'At most 90 %.')),
    container: words(60, 'The container'),
    why: words(160, 'Why'),
    /** Into which tank; null where they stay. */
    toTankId: v.nullable(Id),
    override: Override,
  }),
  v.forward(
    v.partialCheck(
      [['fungus'], ['dyeMgPerL']],
      ({ fungus, dyeMgPerL }) => fungus !== 'dye' || dyeMgPerL !== null,
      'How strong? Read the label of the dye.',
    ),
    ['dyeMgPerL'],
  ),
  v.forward(
    v.partialCheck(
      [['fungus'], ['dyeStockPercent']],
      ({ fungus, dyeStockPercent }) => fungus !== 'dye' || dyeStockPercent !== null,
      'The strength of the stock on the shelf.',
    ),
    ['dyeStockPercent'],
  ),
);

/** Eggs picked from a daily layer's mop: they join the batch, or begin the next one. */
export const PickEggs = v.object({
  id: Id,
  broodId: Id,
  picked: v.pipe(WholeCount, v.minValue(1, 'At least one.'), v.maxValue(5000, 'At most 5000 of one picking.')),
  at: TimeRange,
  /** Ids of the next batch; null where they join this one. */
  next: v.nullable(v.object({ broodId: Id, lotId: Id })),
});

export const MOISTURES = ['damp', 'wet', 'dry'] as const;
/** Peat with eggs, put into a bag: its label, where it lies, how damp, when it is to be wetted. */
export const BagPeat = v.object({
  id: Id,
  broodId: Id,
  at: Instant,
  /** The bag as a vessel, when it is a new one. */
  vesselId: Id,
  label: Code,
  place: PlaceWords,
  moisture: v.picklist(MOISTURES),
  wetOn: Day,
});

/** A bag of peat poured into water: its eggs lie in a tank now, and hatch there. */
export const WetPeat = v.object({ id: Id, broodId: Id, at: Instant, toTankId: Id, override: Override });

/** Wetted peat looked through: who hatched; what did not goes back into a bag for a second wetting, or is thrown out. */
export const PeatHatch = v.object({
  id: Id,
  broodId: Id,
  at: Instant,
  hatched: WholeCount,
  /** The bag of what goes back into peat; null where the rest is thrown out. */
  again: v.nullable(v.object({ broodId: Id, lotId: Id, vesselId: Id, label: Code, place: PlaceWords, wetOn: Day })),
});

const span = v.object({ from: v.string(), to: v.string() });
const keeping = v.object({
  plan: v.picklist(EGG_PLANS),
  fungus: v.picklist(FUNGUS_SCHOOLS),
  dyeMgPerL: v.nullable(v.number()),
  dyeStockPercent: v.nullable(v.number()),
  dailyChangeFraction: v.number(),
  container: v.nullable(v.string()),
  since: v.nullable(v.string()),
  why: v.nullable(v.string()),
});

/** A livebearer or a group of them: what they dropped last, what is due. */
export const Drop = v.object({
  lotId: v.string(),
  label: v.string(),
  speciesKey: v.string(),
  speciesName: v.string(),
  tankId: v.nullable(v.string()),
  tankCode: v.nullable(v.string()),
  females: v.number(),
  /** Males of the kind in the same tank. */
  males: v.number(),
  last: v.nullable(v.object({ broodId: v.string(), name: v.string(), at: span, count: v.number() })),
  /** Drops on record, and the middle of the days between them; null with fewer than two. */
  drops: v.number(),
  ownDays: v.nullable(v.number()),
  next: v.nullable(StageWindowSchema),
});

/** What a brood's page tells of eggs and larvae. */
export const EggsOnTheirWay = v.object({
  /** How its eggs are kept; null where no recipe says so, and once they swim. */
  keeping: v.nullable(keeping),
  /** Other ways to go on, where what was lost lately calls for one. */
  fallBacks: v.array(
    v.object({
      trouble: v.picklist(['kickedOut', 'eaten', 'fungus']),
      seen: v.string(),
      label: v.string(),
      why: v.string(),
      to: v.nullable(v.object({ plan: v.picklist(EGG_PLANS), fungus: v.picklist(FUNGUS_SCHOOLS) })),
    }),
  ),
  /** Of a daily layer: each picking with its own hatch; how many eggs a female and day. Null for others. */
  batch: v.nullable(
    v.object({
      picks: v.array(v.object({ at: span, picked: v.number(), hatch: v.nullable(span) })),
      days: v.number(),
      eggs: v.number(),
      perFemaleAndDay: v.nullable(v.number()),
      isFull: v.boolean(),
    }),
  ),
  /** Of larvae: salt in dated steps, when they settle, and the way back to fresh water. */
  larvae: v.nullable(
    v.object({
      up: v.array(v.object({ at: v.string(), atHours: v.number(), gPerL: v.number(), addG: v.number() })),
      down: v.array(v.object({ atHours: v.number(), gPerL: v.number(), changeLitres: v.number() })),
      settleFrom: v.string(),
      settleTo: v.string(),
      toGPerL: v.number(),
      litres: v.number(),
    }),
  ),
  /** Of eggs in peat: the bag they lie in, and within which days it may be wetted. */
  peat: v.nullable(
    v.object({
      label: v.nullable(v.string()),
      place: v.nullable(v.string()),
      moisture: v.nullable(v.picklist(MOISTURES)),
      wetOn: v.nullable(v.string()),
      /** When it was wetted; null while it rests. */
      wetted: v.nullable(v.string()),
      from: v.string(),
      to: v.string(),
      goodUntil: v.string(),
    }),
  ),
});
