import { doseWords } from '../agenda';
import type { Ration } from './rations';

/** An amount of food as it is given: "2 × 20 ml", "a tiny pinch". */
export function amountWords({ food, perMeal, unit, mealsPerDay }: Ration): string {
  const least = food === 'frozen' ? 'a shaving' : 'a tiny pinch';
  if (unit === 'trace') return mealsPerDay > 1 ? `${mealsPerDay} × ${least}` : least;
  const each = doseWords(perMeal, unit);
  return mealsPerDay > 1 ? `${mealsPerDay} × ${each}` : each;
}
