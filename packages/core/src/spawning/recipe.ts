import type { Method } from '../species';
import type { Day } from '../time';

/** What becomes of the eggs. */
export const EGG_PLANS = ['leaveWithParents', 'removeParents', 'pullEggs', 'tumbler'] as const;
export type EggPlan = (typeof EGG_PLANS)[number];

/** How fungus is kept off the eggs. */
export const FUNGUS_SCHOOLS = ['dye', 'leaves', 'flow'] as const;
export type FungusSchool = (typeof FUNGUS_SCHOOLS)[number];

/** What is done to set spawning off. */
export const TRIGGER_SCHOOLS = ['coolChange', 'warm', 'stable', 'dawnLightAndFood', 'season'] as const;
export type TriggerSchool = (typeof TRIGGER_SCHOOLS)[number];

/** What a trigger is made of, one step each. */
export const LEVERS = [
  'cooler',
  'warmer',
  'softer',
  'levelDown',
  'levelUp',
  'flow',
  'liveFood',
  'dark',
  'light',
  'season',
  'moon',
  'wait',
] as const;
export type Lever = (typeof LEVERS)[number];

/** One step of a trigger, so many days after the trigger's day. */
export interface TriggerStep {
  lever: Lever;
  day: number;
  /** Share of the water changed, 0..1, or of the level; null where nothing is changed. */
  share: number | null;
  /** How much cooler or warmer the tank gets, K, always positive. */
  degC: number | null;
  /** Hours of light or dark. */
  hours: number | null;
}

/** What eggs are laid on or in, and what hides who has to hide. */
export const COVERS = [
  'cave',
  'slate',
  'tube',
  'shell',
  'moss',
  'mop',
  'grid',
  'pebbles',
  'floatingPlants',
  'broadLeaf',
  'brush',
  'peat',
  'glass',
  'shelter',
] as const;
export type CoverKind = (typeof COVERS)[number];

export interface Cover {
  kind: CoverKind;
  count: number;
}

/** How the first food is given. */
export const FIRST_FOOD_SCHOOLS = ['live', 'powder', 'brineShrimp', 'seeded'] as const;
export type FirstFoodSchool = (typeof FIRST_FOOD_SCHOOLS)[number];

/** How much is given where keepers disagree. */
export const FEEDING_SCHOOLS = ['vanishes', 'heavy', 'little', 'seeded'] as const;
export type FeedingSchool = (typeof FEEDING_SCHOOLS)[number];

/** How young grow up: parted by size, left together, or with their parents. */
export const GROWING_SCHOOLS = ['bySize', 'together', 'withParents'] as const;
export type GrowingSchool = (typeof GROWING_SCHOOLS)[number];

/** When young leave a colony. */
export const COLONY_SCHOOLS = ['atLength', 'whenChased', 'never'] as const;
export type ColonySchool = (typeof COLONY_SCHOOLS)[number];

/** The choices of one attempt; where keepers disagree each school can be chosen and compared afterwards. */
export interface Recipe {
  eggPlan: EggPlan;
  fungus: FungusSchool;
  trigger: TriggerSchool;
  /** Share of the water changed daily while eggs are treated, 0..1. */
  dailyChangeFraction: number;
  /** Target of the dye, mg/L, and strength of its stock in % w/v; both from the label. */
  dyeMgPerL: number | null;
  dyeStockPercent: number | null;
  tankSchool: 'mature' | 'bare';
  litres: number | null;
  depthCm: number | null;
  flow: 'none' | 'gentle' | 'strong';
  /** In the keeper's words, such as half rain, half tap. */
  water: string | null;
  ghDeg: number | null;
  ph: number | null;
  tdsPpm: number | null;
  phSchool: 'match' | 'leave';
  agedDays: number;
  /** Null: the middle of what the species is kept at. */
  tempC: number | null;
  lampHours: number | null;
  covered: boolean;
  cover: readonly Cover[];
  company: string | null;
  males: number | null;
  females: number | null;
  firstIn: 'together' | 'females' | 'males';
  /** Days the first are in before the others, and those all settle in before the trigger. */
  daysAhead: number;
  divider: 'none' | 'clear' | 'solid';
  conditioningDays: number | null;
  diet: string | null;
  steps: readonly TriggerStep[];
  /** Days after the trigger by which eggs should be seen, and what to try then. */
  stopAfterDays: number | null;
  nextLever: Lever | null;
  firstFood: FirstFoodSchool | null;
  feeding: FeedingSchool | null;
  growing: GrowingSchool | null;
  outOfColony: ColonySchool | null;
  /** The length at which young leave a colony, mm. */
  colonyOutMm: number | null;
  /** Months of the year that it is meant for, 1..12, both included; none means any. */
  seasons: readonly (readonly [number, number])[];
}

/** Nothing chosen yet beyond the schools. */
export const BARE_RECIPE: Omit<Recipe, 'eggPlan' | 'fungus' | 'trigger' | 'dailyChangeFraction'> = {
  dyeMgPerL: null,
  dyeStockPercent: null,
  tankSchool: 'mature',
  litres: null,
  depthCm: null,
  flow: 'gentle',
  water: null,
  ghDeg: null,
  ph: null,
  tdsPpm: null,
  phSchool: 'leave',
  agedDays: 0,
  tempC: null,
  lampHours: null,
  covered: false,
  cover: [],
  company: null,
  males: null,
  females: null,
  firstIn: 'together',
  daysAhead: 1,
  divider: 'none',
  conditioningDays: null,
  diet: null,
  steps: [],
  stopAfterDays: null,
  nextLever: null,
  firstFood: null,
  feeding: null,
  growing: null,
  outOfColony: null,
  colonyOutMm: null,
  seasons: [],
};

/** A recipe as it was kept, with what was not asked for then left empty. */
export const completeRecipe = (
  kept: Pick<Recipe, 'eggPlan' | 'fungus' | 'trigger' | 'dailyChangeFraction'> & Partial<Recipe>,
): Recipe => ({ ...BARE_RECIPE, ...kept });

const PLAN: Partial<Record<Method, EggPlan>> = {
  eggScatterer: 'removeParents',
  continuousSpawner: 'pullEggs',
  adhesivePlacer: 'pullEggs',
  annualPeat: 'pullEggs',
  pondGroup: 'removeParents',
};

/** The starting recipe of a method; every choice can be changed on the attempt. */
export function defaultRecipe(method: Method): Recipe {
  const eggPlan = PLAN[method] ?? 'leaveWithParents';
  return completeRecipe({
    eggPlan,
    fungus: eggPlan === 'pullEggs' ? 'leaves' : 'flow',
    trigger: 'stable',
    // Half a day is the rule of egg boxes; loose eggs in a spawning tank are not siphoned, and a pond never.
    dailyChangeFraction: eggPlan === 'pullEggs' && method !== 'annualPeat' ? 0.5 : 0,
  });
}

/**
 * Whether a day lies in one of the recipe's seasons; any day does when there are none. A season may go over the year's end.
 * @param isSouth - south of the equator the year is turned round by half
 */
export function inSeason({ seasons }: Pick<Recipe, 'seasons'>, day: Day, isSouth = false): boolean {
  const here = Number(day.slice(5, 7));
  const month = isSouth ? ((here + 5) % 12) + 1 : here;
  return (
    seasons.length === 0 ||
    seasons.some(([from, to]) => (from <= to ? month >= from && month <= to : month >= from || month <= to))
  );
}

/** What stands in the way of a recipe, at its field. */
export interface RecipeProblem {
  field: keyof Recipe;
  message: string;
}

/** What cannot work about a recipe: no way to get the eggs, an egg plan without a place for it, a step before its water. */
export function checkRecipe(recipe: Recipe, start: 'laid' | 'carried' | 'born'): RecipeProblem[] {
  const problems: RecipeProblem[] = [];
  const eaten = recipe.eggPlan === 'leaveWithParents' || recipe.eggPlan === 'removeParents';
  if (start === 'laid' && !eaten && recipe.cover.length === 0)
    problems.push({
      field: 'cover',
      message: 'Eggs that are pulled have to be laid where they can be reached: name a cave, slate, mop, glass or the like.',
    });
  if (recipe.fungus === 'dye' && (recipe.dyeMgPerL === null || recipe.dyeStockPercent === null))
    problems.push({
      field: 'dyeMgPerL',
      message: 'Dye needs its target in mg/L and its stock strength in %, both from the label.',
    });
  const cold = recipe.steps.find(({ lever, degC }) => (lever === 'cooler' || lever === 'warmer') && degC === null);
  if (cold) problems.push({ field: 'steps', message: 'Say by how many degrees.' });
  if (recipe.males === 0 && start !== 'born')
    problems.push({ field: 'males', message: 'Without a male there are no eggs to hatch.' });
  if (recipe.females === 0) problems.push({ field: 'females', message: 'Without a female there are no eggs.' });
  if (recipe.firstIn !== 'together' && recipe.daysAhead < 1)
    problems.push({ field: 'daysAhead', message: 'Who goes in first is in at least a day ahead.' });
  return problems;
}
