import * as v from 'valibot';
import { OwnFiguresSchema, rangeOf, type FigureKey, type Figures } from './figures';
import { GRADES, METHODS, type Grade } from './kinds';

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

export const positive = v.pipe(v.number(), v.gtValue(0));
/** Females to one male, most grown animals to a hundred litres and to a square metre of floor. */
export const BreederHabitsSchema = v.object({ femalesPerMale: rangeOf(0, 100), perHundredL: positive, perM2: positive });
/** What breeders of a species are held to where its method would say otherwise. */
export type BreederHabits = v.InferOutput<typeof BreederHabitsSchema>;

export const LarvaeSchema = v.object({ saltGPerL: rangeOf(0, 40), withinDays: positive, settleDays: rangeOf(1, 365) });
/** Young that begin as larvae in salt water: salt they need, days by which they must be in it, days until the first and the last settle. */
export type Larvae = v.InferOutput<typeof LarvaeSchema>;

export const shareOf = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
export const StripSchema = v.object({ tumbler: shareOf, pullEggs: shareOf, apart: shareOf });
/** When carried young may be taken from their mother, or she from the others: shares of the way to her letting go. */
export type Strip = v.InferOutput<typeof StripSchema>;

export const guards = v.picklist(['nobody', 'male', 'female', 'pair']);
export const eggPlan = v.pipe(v.string(), v.maxLength(400));
export const leaves = v.pipe(v.array(LeaveSchema), v.readonly());

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
  guards: v.InferOutput<typeof guards>;
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
