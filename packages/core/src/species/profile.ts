/** Breeding methods; each gives its species the stages, the egg plan and the default figures. */
export const METHODS = [
  'eggScatterer',
  'continuousSpawner',
  'adhesivePlacer',
  'substrateGuarder',
  'caveMaleGuards',
  'caveGuarder',
  'rockGuarder',
  'shellDweller',
  'bubbleNester',
  'mouthbrooder',
  'livebearer',
  'annualPeat',
  'pondGroup',
  'shrimpDirect',
  'shrimpLarval',
  'crayfish',
  'broodingScud',
] as const;
export type Method = (typeof METHODS)[number];

/** Where the young start: eggs laid in the tank, eggs carried by a parent, or born free-swimming. */
export type Start = 'laid' | 'carried' | 'born';

/** Foods that a brood climbs, smallest first; `none` while algae and biofilm are enough. */
export const FOODS = [
  'infusoria',
  'paramecium',
  'rotifer',
  'vinegarEel',
  'finePowder',
  'microworm',
  'brineShrimp',
  'grindal',
  'moina',
  'daphnia',
  'crushedDry',
  'pellets',
  'biofilm',
  'greenWater',
  'whiteWorm',
  'frozen',
  'bloodworm',
  'vegetables',
  'wafers',
  'pondCatch',
  'scud',
] as const;
export type Food = (typeof FOODS)[number];

/** Lowest and highest usual value. */
export type Range = readonly [number, number];

/** A stage that takes `days[0]` to `days[1]` days at `atC` degrees Celsius. */
export interface StageDuration {
  atC: number;
  days: Range;
}

/** One rung of the food ladder: taken once the smallest tenth of a brood is `fromMm` long. */
export interface LadderRung {
  food: Food;
  fromMm: number;
  /** Given for so many days only, where it carries just the smallest. */
  days?: number | undefined;
}

/** How well a figure is known: well established, taken from a related species, or guessed from general habit. */
export const GRADES = ['recorded', 'relative', 'guess'] as const;
export type Grade = (typeof GRADES)[number];

/** Who has to leave so that nobody is eaten or worn out, and when; `withinDays` of that. */
export interface Leave {
  who: 'adults' | 'female' | 'male' | 'mother' | 'youngMales';
  when: 'afterSpawning' | 'whenCarrying' | 'atHatch' | 'whenSwimming' | 'atRelease' | 'beforeMature';
  withinDays: number;
}

/** Where eggs are: loose on the floor, in a mop or moss, on glass, slate or leaf, in a cave or shell, and so on. */
export type EggSite = 'loose' | 'mop' | 'glass' | 'cave' | 'shell' | 'nest' | 'peat' | 'brush' | 'body';

/** What a method asks for once, at a point of the eggs' life. */
export interface EggCare {
  on: 'laid' | 'beforeHatch' | 'hatched' | 'swimming';
  text: string;
  why: string;
}

/** What breeders of a species are held to where its method would say otherwise. */
export interface BreederHabits {
  femalesPerMale: Range;
  perHundredL: number;
  perM2: number;
}

/** Every figure is a starting point from general husbandry; the breeder's own value goes before it. */
export interface Figures {
  /** Range the adults are kept in. */
  tempC: Range;
  ph: Range;
  ghDeg: Range;
  /** Temperatures at which eggs develop into sound young. */
  eggTempC: Range;
  /** Development stands still at and below this temperature. */
  developmentZeroC: number;
  /** From laying (or from carrying seen) to hatching or release; null when born free-swimming. */
  hatch: StageDuration | null;
  /** From hatching to the end of the yolk; null when the young leave the mother complete. */
  yolk: StageDuration | null;
  /** From hatching to free-swimming. */
  freeSwimming: StageDuration | null;
  /** From brood to brood, for livebearers. */
  interval: StageDuration | null;
  clutch: Range;
  /** Length of the young when they first feed. */
  fryMm: Range;
  adultMm: Range;
  maturityMm: Range;
  maturityDays: Range;
  saleMm: Range;
  saleDays: Range;
  ladder: readonly LadderRung[];
  /** Young of sale size that one litre carries with usual changes. */
  juvenilesPerLitre: Range;
  /** Share of the eggs (or newborn) that usually reach sale size. */
  survivalToSale: Range;
  /** Whether litres or floor area limit how many live in a tank. */
  limitedBy: 'litres' | 'floor';
  /** Young of sale size that a square metre of floor carries; null where litres limit. */
  juvenilesPerM2: Range | null;
  /** Body weight over the cube of the length, g/mm³: its form. */
  bodyGPerMm3: number;
  /** Brine shrimp that one young of 4 mm takes in a meal. */
  naupliiAt4Mm: number;
  /** Dry food of a grown animal a day, as a share of its weight. */
  adultFeedShare: Range;
  /** What grown animals live on, the staple first. */
  adultFoods: readonly Food[];
  eggsEatenBy: 'nobody' | 'parents' | 'anyAdult';
  fryEatenBy: 'nobody' | 'parents' | 'anyAdult';
}
export type FigureKey = keyof Figures;

/** Young that begin as larvae in salt water. */
export interface Larvae {
  /** Salt they need, g/L, lowest and highest. */
  saltGPerL: Range;
  /** Days after release by which they must be in it. */
  withinDays: number;
  /** Days from release until the first and the last settle. */
  settleDays: Range;
}

/** When carried young may be taken from their mother, or she from the others: shares of the way to her letting go. */
export interface Strip {
  tumbler: number;
  pullEggs: number;
  apart: number;
}

/** A method's template: where young start and every figure. */
export interface MethodTemplate {
  name: string;
  start: Start;
  guards: 'nobody' | 'male' | 'female' | 'pair';
  eggPlan: string;
  /** Eggs rest in damp peat and are looked at once a week: no water is changed, no white ones are picked. */
  eggsRest: boolean;
  /** Share of the usual step from one water to another that they stand at once; shrimp and crayfish stand half. */
  waterSteps: number;
  /** Carried young hang on to their mother after the eggs hatch, and let go later. */
  hangs: boolean;
  leaves: readonly Leave[];
  eggSite: EggSite;
  eggCare: readonly EggCare[];
  /** Only where young begin as larvae in salt water. */
  larvae?: Larvae | undefined;
  /** What the law says of keeping, moving and selling its kind in many places; a sale stops for it. */
  law?: string | undefined;
  /** When a holder's eggs may be taken into a tumbler, her young into a nursery, or she be set apart: shares of the way to her letting go. A guess. */
  strip?: Strip | undefined;
  /** Share of the length at maturity from which colour can be judged; only where young are selected for it while they moult. A guess. */
  colourAt?: number | undefined;
  figures: Figures;
}

/** A species as shipped or made by a breeder: figures it leaves out come from its method. */
export interface SpeciesProfile {
  key: string;
  commonName: string;
  scientificName: string;
  method: Method;
  /** Two letters that stand for it on small tanks. */
  initials: string;
  caution?: string | undefined;
  /** How well the species' own figures are known; what comes from its method is a guess. */
  grade?: Grade | undefined;
  /** Where the species differs from its method. */
  guards?: MethodTemplate['guards'] | undefined;
  eggPlan?: string | undefined;
  leaves?: readonly Leave[] | undefined;
  breeders?: { [Key in keyof BreederHabits]?: BreederHabits[Key] | undefined } | undefined;
  /** Age at which they are old, days, for those that live a season. */
  usefulDays?: Range | undefined;
  figures: Partial<Figures>;
}

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
