export {
  CULTURE_FOODS,
  CULTURE_SIGNS,
  DOSES,
  FOOD_CLASS_KEYS,
  MEAL_SIGHTS,
  PESTS,
  SHELF_KINDS,
  type CultureFood,
  type CultureSign,
  type Dose,
  type FoodClassKey,
  type MealSight,
  type Pest,
  type ShelfKind,
} from './keys';
export { hatch, cystsFor } from './cysts';
export { cultureDays, CULTURES, kindOf, SIGN_WORDS, type CultureKind, type OwnKind } from './cultureKinds';
export {
  pouredWords,
  describeCulture,
  type Culture,
  type CultureHarvest,
  type CultureLook,
  type CulturePhase,
  type CultureState,
  type DescribedCulture,
  type HatchSet,
  type HatchWindow,
} from './cultures';
export { bestHarvest, densityOf, fullnessOf, grow, learnCulture, type Banded, type LearnedCulture } from './learnCulture';
export { cultureRisks, type CultureRisk } from './cultureRisk';
export { planBackUps, type BackUpStep } from './backUps';
export {
  CYST_FIGURES,
  doseAmount,
  hatchShareOf,
  naupliiInDrops,
  USUAL_DOSE,
  type Calibration,
  type CountedHatch,
  type HatchShare,
} from './doses';
export { MEAL_WORDS, mealSize, type MealLook, type MealSize } from './mealSize';
export { FOOD_CLASSES, foodClassOf, foodsOfClass } from './foodClasses';
export { planFirstFood, startsFor, type FirstFoodPlan, type FoodNeed } from './planFirstFood';
export { LIVE_FOR_DRY, adultRation, fryRation, proteinShare, type Eaters, type FoodKnowledge, type Ration } from './rations';
export { adultMeal, fastsForTravel, youngMeals, type AdultMeal, type YoungMeal } from './meals';
export { deriveLarder, type LarderPlan } from './deriveLarder';
export { deriveDemand, type DemandRow, type WhatIfSpawning } from './demand';
export {
  deriveTide,
  newVessel,
  openStarts,
  usualYield,
  type NewVessel,
  type Tide,
  type TideClass,
  type TideVessel,
} from './tide';
export { madeVessel, planTide, tideDays, type TideDay, type TidePlan, type TideWishes } from './planTide';
export { pourList, takeableMl, type Pour, type PouredVessel, type PourList, type UnfedTank } from './pourList';
export { heavySince, soilNotes, soilWear, type SoilWear } from './soilWear';
export { foodLadder, type FoodLadder, type FoodRung } from './foodLadder';
export { hatchShareNow, knowledgeAt, tinInUse, tinOf } from './knowledge';
export { SHELF_WORDS, shelfState, type ShelfItem, type ShelfState } from './shelf';
export { PEST_KINDS, treatmentWarnings, type PestKind, type Treatment } from './pests';
export { EMPTY_LARDER, readLarder, type LarderFacts, type LarderView, type PestSighting, type PlannedStart } from './facts';
export { LARDER_CHORES } from './choreKinds';
export { HATCH_SALT_G_PER_L } from './larderChores';
export { larderAgenda } from './agenda';
export { cultureYield, type CultureDay } from './cultureYield';
export { planStarts, type CultureSpan, type RunningCulture } from './planStarts';
