import type { Method } from '../species';

/** What becomes of the eggs. */
export const EGG_PLANS = ['leaveWithParents', 'removeParents', 'pullEggs', 'tumbler'] as const;
export type EggPlan = (typeof EGG_PLANS)[number];

/** How fungus is kept off the eggs. */
export const FUNGUS_SCHOOLS = ['dye', 'leaves', 'flow'] as const;
export type FungusSchool = (typeof FUNGUS_SCHOOLS)[number];

/** What is done to set spawning off. */
export const TRIGGER_SCHOOLS = ['coolChange', 'warm', 'stable', 'dawnLightAndFood', 'season'] as const;
export type TriggerSchool = (typeof TRIGGER_SCHOOLS)[number];

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
}

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
  return {
    eggPlan,
    fungus: eggPlan === 'pullEggs' ? 'leaves' : 'flow',
    trigger: 'stable',
    // Half a day is the rule of egg boxes; loose eggs in a spawning tank are not siphoned, and a pond never.
    dailyChangeFraction: eggPlan === 'pullEggs' && method !== 'annualPeat' ? 0.5 : 0,
    dyeMgPerL: null,
    dyeStockPercent: null,
  };
}
