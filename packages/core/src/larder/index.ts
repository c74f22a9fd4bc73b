export { hatch, cystsFor } from './cysts';
export {
  cultureDays,
  CULTURES,
  describeCulture,
  type Culture,
  type CultureFood,
  type CultureKind,
  type CulturePhase,
  type CultureState,
  type DescribedCulture,
} from './cultures';
export { planFirstFood, startsFor, type FirstFoodPlan, type FoodNeed } from './planFirstFood';
export { adultRation, fryRation, proteinShare, type Eaters, type Ration } from './rations';
export { adultMeal, youngMeals, type AdultMeal, type YoungMeal } from './meals';
export { deriveLarder, type LarderPlan } from './deriveLarder';
export { readLarder, type LarderFacts, type LarderView } from './facts';
export { LARDER_CHORES } from './larderChores';
export { larderAgenda } from './agenda';
export { cultureYield, type CultureDay } from './cultureYield';
export { planStarts, type CultureSpan, type RunningCulture } from './planStarts';
