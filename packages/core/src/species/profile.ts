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
] as const;
export type Food = (typeof FOODS)[number];

/** Lowest and highest usual value. */
export type Range = readonly [number, number];

/** A stage that takes `days[0]` to `days[1]` days at `atC` degrees Celsius. */
export interface StageDuration {
  atC: number;
  days: Range;
}

/** One rung of the food ladder: taken from a length of `fromMm` on. */
export interface LadderRung {
  food: Food;
  fromMm: number;
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
  eggsEatenBy: 'nobody' | 'parents' | 'anyAdult';
  fryEatenBy: 'nobody' | 'parents' | 'anyAdult';
}
export type FigureKey = keyof Figures;

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
  figures: Partial<Figures>;
}

/** A profile with every figure filled in, and where each came from. */
export interface ResolvedSpecies extends Omit<SpeciesProfile, 'figures'> {
  start: Start;
  guards: MethodTemplate['guards'];
  eggPlan: string;
  eggsRest: boolean;
  waterSteps: number;
  shipped: boolean;
  figures: Figures;
  origins: Record<FigureKey, 'method' | 'species' | 'own'>;
  /** Number of the breeder's own broods that `figures.hatch` was narrowed by; none when it is a starting point. */
  hatchBroods?: number | undefined;
}
