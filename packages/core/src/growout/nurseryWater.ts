import { foodClassOf, LIVE_FOR_DRY, youngMeals } from '../larder';
import type { GrowoutView } from './facts';

/** Nitrate out of a gram of dry food, mg: 45 % protein, 16 % nitrogen in it, six tenths given off, 4.43 mg nitrate a mg nitrogen. */
const NITRATE_MG_A_G = 1000 * 0.45 * 0.16 * 0.6 * 4.43;
/** Cysts become so much dry food; the shells stay behind. */
const CYSTS_FOR_DRY = 0.4;
/** Young grow well below this, mg/L. */
export const NURSERY_NITRATE = 25;
const EVERY = [7, 4, 3, 2, 1] as const;
const MOST_SHARE = 0.5;
const LEAST_SHARE = 0.1;

/** What the food of young makes of their water, and the change that holds it. */
export interface NurseryWater {
  dryG: number;
  nitratePerDay: number;
  /** The seldomest change of at most half that holds nitrate below the limit; null where not even a daily half does. */
  change: { share: number; everyDays: number } | null;
}

/**
 * The change that the food of a tank's young asks for: in the long run nitrate stands just before a change at what comes in between two
 * of them over the share that is changed. Null where nothing that is weighed is fed. Source: docs/sources.md#nursery-water
 */
export function nurseryWater(view: GrowoutView, tankId: string): NurseryWater | null {
  const litres = view.tanks.get(tankId)?.litres ?? 0;
  const dryG = youngMeals(view, view.today)
    .filter((meal) => meal.tankId === tankId)
    .reduce((sum, { ration }) => {
      if (ration.dryGPerDay !== null) return sum + ration.dryGPerDay;
      if (ration.cystsGPerDay !== null) return sum + ration.cystsGPerDay * CYSTS_FOR_DRY;
      const isWeighed = ration.unit === 'ml' && ['grown', 'largeWorms'].includes(foodClassOf(ration.food) ?? '');
      return sum + (isWeighed ? (ration.perMeal * ration.mealsPerDay) / LIVE_FOR_DRY : 0);
    }, 0);
  if (dryG <= 0 || litres <= 0) return null;
  const nitratePerDay = (dryG * NITRATE_MG_A_G) / litres;
  const everyDays = EVERY.find((days) => (nitratePerDay * days) / NURSERY_NITRATE <= MOST_SHARE);
  return {
    dryG,
    nitratePerDay,
    change:
      everyDays === undefined ? null : { share: Math.max(LEAST_SHARE, (nitratePerDay * everyDays) / NURSERY_NITRATE), everyDays },
  };
}
