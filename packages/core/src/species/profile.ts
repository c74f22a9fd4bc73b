import * as v from 'valibot';
import { FiguresSchema, OwnFiguresSchema, rangeOf, type FigureKey, type Figures } from './figures';
import { CONDITION_SIGNS, EGG_PLANS, GRADES, METHODS, type ConditionSign, type Grade } from './kinds';

/** Where the young start: eggs laid in the tank, eggs carried by a parent, or born free-swimming. */
export const STARTS = ['laid', 'carried', 'born'] as const;
export type Start = (typeof STARTS)[number];

export const LeaveSchema = v.object({
  who: v.picklist(['adults', 'female', 'male', 'mother', 'youngMales']),
  when: v.picklist(['afterSpawning', 'whenCarrying', 'atHatch', 'whenSwimming', 'atRelease', 'atAge']),
  withinDays: v.pipe(v.number(), v.minValue(-365), v.maxValue(365)),
});
/** Who has to leave so that nobody is eaten or worn out, and when; `withinDays` of that, at an age: so many days after birth. */
export type Leave = v.InferOutput<typeof LeaveSchema>;

export const EGG_SITES = ['loose', 'mop', 'glass', 'cave', 'shell', 'nest', 'peat', 'brush', 'body'] as const;
/** Where eggs are: loose on the floor, in a mop or moss, on glass, slate or leaf, in a cave or shell, and so on. */
export type EggSite = (typeof EGG_SITES)[number];

export const EggCareSchema = v.object({
  on: v.picklist(['laid', 'beforeHatch', 'hatched', 'swimming']),
  text: v.string(),
  why: v.string(),
});
/** What a method asks for once, at a point of the eggs' life. */
export type EggCare = v.InferOutput<typeof EggCareSchema>;

const positive = v.pipe(v.number(), v.gtValue(0));
/** Females to one male, most grown animals to a hundred litres and to a square metre of floor. */
const BreederHabitsSchema = v.object({ femalesPerMale: rangeOf(0, 100), perHundredL: positive, perM2: positive });
/** Days of rest from one spawning to the next, hiding places each, and the useful life in multiples of the age at maturity. */
const BreedersSchema = v.strictObject({
  ...BreederHabitsSchema.entries,
  femaleRestDays: positive,
  maleRestDays: positive,
  sheltersEach: v.pipe(v.number(), v.minValue(0)),
  lives: positive,
});
const month = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(12));
/** What breeders of a species are held to where its method would say otherwise. */
export type BreederHabits = v.InferOutput<typeof BreederHabitsSchema>;

export const LarvaeSchema = v.object({ saltGPerL: rangeOf(0, 40), withinDays: positive, settleDays: rangeOf(1, 365) });
/** Young that begin as larvae in salt water: salt they need, days by which they must be in it, days until the first and the last settle. */
export type Larvae = v.InferOutput<typeof LarvaeSchema>;

const shareOf = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
export const StripSchema = v.object({ tumbler: shareOf, pullEggs: shareOf, apart: shareOf });
/** When carried young may be taken from their mother, or she from the others: shares of the way to her letting go. */
export type Strip = v.InferOutput<typeof StripSchema>;

const guards = v.picklist(['nobody', 'male', 'female', 'pair']);
const eggPlan = v.pipe(v.string(), v.maxLength(400));
const leaves = v.pipe(v.array(LeaveSchema), v.readonly());

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

/** A species as shipped or made by a breeder: figures it leaves out come from its method. */
export const SpeciesProfileSchema = v.object({
  key: v.pipe(v.string(), v.regex(/^[a-z0-9-]{2,40}$/, 'Small letters, digits and dashes.')),
  commonName: v.pipe(v.string(), v.trim(), v.minLength(1, 'Give a name.'), v.maxLength(80, 'At most 80 characters.')),
  scientificName: v.pipe(v.string(), v.trim(), v.maxLength(80)),
  method: v.picklist(METHODS),
  /** Two letters that stand for it on small tanks. */
  initials: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(2, 'Two letters.')),
  caution: v.optional(v.pipe(v.string(), v.maxLength(400))),
  /** How well the species' own figures are known; what comes from its method is a guess. */
  grade: v.optional(v.picklist(GRADES)),
  /** From here on, where the species differs from its method. */
  guards: v.optional(guards),
  eggPlan: v.optional(eggPlan),
  leaves: v.optional(leaves),
  breeders: v.optional(v.partial(BreederHabitsSchema)),
  /** Age at which they are old, days, for those that live a season. */
  usefulDays: v.optional(rangeOf(1, 10_000)),
  figures: OwnFiguresSchema,
});
/** One that ships: a key nobody knows is a slip of the pen. */
export const ShippedSpeciesSchema = v.strictObject({
  ...SpeciesProfileSchema.entries,
  figures: v.strictObject(OwnFiguresSchema.entries),
});
export type SpeciesProfile = v.InferOutput<typeof SpeciesProfileSchema>;

/** A profile with every figure filled in, and where each came from. */
export interface ResolvedSpecies extends Omit<SpeciesProfile, 'figures' | 'guards' | 'eggPlan' | 'leaves' | 'grade'> {
  start: Start;
  /** What a sale stops for; null where nothing is known. */
  law: string | null;
  /** When carried young may be taken from her; null where they are not. */
  strip: Strip | null;
  /** Share of the length at maturity from which colour can be judged; null where the method says nothing. */
  colourAt: number | null;
  guards: MethodTemplate['guards'];
  eggPlan: string;
  eggsRest: boolean;
  waterSteps: number;
  hangs: boolean;
  leaves: readonly Leave[];
  eggSite: EggSite;
  eggCare: readonly EggCare[];
  larvae: Larvae | null;
  shipped: boolean;
  figures: Figures;
  origins: Record<FigureKey, 'method' | 'species' | 'own'>;
  /** How well each figure is known; the keeper's own counts as recorded. */
  grades: Record<FigureKey, Grade>;
  /** Number of the breeder's own broods that `figures.hatch` was narrowed by; none when it is a starting point. */
  hatchBroods?: number | undefined;
  /** The same of the days from hatch to swimming. */
  swimBroods?: number | undefined;
}
