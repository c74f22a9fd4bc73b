import * as v from 'valibot';
import { FiguresSchema, OwnFiguresSchema } from './figures';
import { CONDITION_SIGNS, EGG_PLANS, type ConditionSign } from './kinds';
import {
  BreederHabitsSchema,
  EGG_SITES,
  EggCareSchema,
  eggPlan,
  guards,
  LarvaeSchema,
  leaves,
  positive,
  shareOf,
  SpeciesProfileSchema,
  STARTS,
  StripSchema,
} from './profile';

const month = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(12));
/** Days of rest from one spawning to the next, hiding places each, and the useful life in multiples of the age at maturity. */
const BreedersSchema = v.strictObject({
  ...BreederHabitsSchema.entries,
  femaleRestDays: positive,
  maleRestDays: positive,
  sheltersEach: v.pipe(v.number(), v.minValue(0)),
  lives: positive,
});
/** A method's template: where young start and every figure. */
export const MethodTemplateSchema = v.strictObject({
  name: v.string(),
  start: v.picklist(STARTS),
  guards,
  eggPlan,
  /** How its eggs are kept where no recipe says otherwise. */
  eggWay: v.picklist(EGG_PLANS),
  /** Eggs rest in damp peat and are looked at once a week: no water is changed, no white ones are picked. */
  eggsRest: v.boolean(),
  /** Share of the usual step from one water to another that they stand at once; shrimp and crayfish stand half. */
  waterSteps: v.pipe(v.number(), v.gtValue(0), v.maxValue(1)),
  /** Carried young hang on to their mother after the eggs hatch, and let go later. */
  hangs: v.boolean(),
  /** Shrimp, crayfish and scuds: what kills snails and worms kills them. */
  invertebrate: v.boolean(),
  /** Takes animals that rest on the floor, by its claws. */
  seizes: v.boolean(),
  leaves,
  eggSite: v.picklist(EGG_SITES),
  eggCare: v.pipe(v.array(EggCareSchema), v.readonly()),
  /** The signs of condition that tell something. */
  conditionSigns: v.pipe(v.array(v.picklist(Object.keys(CONDITION_SIGNS) as ConditionSign[])), v.minLength(3), v.readonly()),
  breeders: BreedersSchema,
  /** Months in which it spawns, 1 to 12 as north of the equator, each span with both ends; none where it does all the year. */
  spawnsIn: v.pipe(v.array(v.pipe(v.tuple([month, month]), v.readonly())), v.readonly()),
  /** What is done for one that carries; only where young are carried. */
  carryAdvice: v.optional(v.pipe(v.array(v.string()), v.readonly())),
  /** Days within which an attempt that works has given eggs, or a carrier: those that carry take weeks. */
  workedWithinDays: positive,
  /** Sexes, or males, of young that are parted: at a length or an age, whichever comes first, else when they mature. */
  parted: v.optional(v.strictObject({ mm: v.nullable(positive), days: v.nullable(positive), why: v.string() })),
  /** Why grown ones are bagged one by one. */
  baggedAlone: v.optional(v.string()),
  /** Only where young begin as larvae in salt water. */
  larvae: v.optional(LarvaeSchema),
  /** What the law says of keeping, moving and selling its kind in many places; a sale stops for it. */
  law: v.optional(v.string()),
  /** When a holder's eggs may be taken into a tumbler, her young into a nursery, or she be set apart. A guess. */
  strip: v.optional(StripSchema),
  /** Share of the length at maturity from which colour can be judged; only where young are selected for it while they moult. A guess. */
  colourAt: v.optional(shareOf),
  figures: v.strictObject(FiguresSchema.entries),
});
export type MethodTemplate = v.InferOutput<typeof MethodTemplateSchema>;

/** One that ships: a key nobody knows is a slip of the pen. */
export const ShippedSpeciesSchema = v.strictObject({
  ...SpeciesProfileSchema.entries,
  figures: v.strictObject(OwnFiguresSchema.entries),
});
