export { hatch, cystsFor } from './cysts';
export {
  CULTURES,
  describeCulture,
  type Culture,
  type CultureFood,
  type CultureKind,
  type CulturePhase,
  type CultureState,
  type DescribedCulture,
} from './cultures';
export { planFirstFood, type FirstFoodPlan, type FoodNeed } from './planFirstFood';
export { fryRation, keeperRation, type Ration } from './rations';
