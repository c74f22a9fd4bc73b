import type { Food } from '../species';

// The names alone, without what is known of each: the schemas of the first page need no more.

/** What is looked for in a culture. */
export const CULTURE_SIGNS = [
  'cloudy',
  'clear',
  'haze',
  'dancing',
  'climbing',
  'green',
  'sour',
  'scum',
  'clumping',
  'mites',
  'foul',
  'dead',
] as const;
export type CultureSign = (typeof CULTURE_SIGNS)[number];

/** Foods that have to be grown or hatched. */
export const CULTURE_FOODS = [
  'infusoria',
  'paramecium',
  'rotifer',
  'greenWater',
  'vinegarEel',
  'microworm',
  'brineShrimp',
  'grindal',
  'whiteWorm',
  'moina',
  'daphnia',
  'pondCatch',
  'scud',
] as const satisfies readonly Food[];
export type CultureFood = (typeof CULTURE_FOODS)[number];

/** Measures that keepers feed by. */
export const DOSES = ['drop', 'pinch', 'matchHead', 'spatula', 'smear', 'teaspoon', 'cube', 'ml'] as const;
export type Dose = (typeof DOSES)[number];

/** What was seen after a meal. */
export const MEAL_SIGHTS = ['gone', 'right', 'left', 'fouled'] as const;
export type MealSight = (typeof MEAL_SIGHTS)[number];

/** Live foods by size: within a class one stands in for another. */
export const FOOD_CLASS_KEYS = ['smallest', 'green', 'worms', 'nauplii', 'largeWorms', 'grown'] as const;
export type FoodClassKey = (typeof FOOD_CLASS_KEYS)[number];

/** What stands on the shelf. */
export const SHELF_KINDS = ['dry', 'frozen', 'cysts', 'salt', 'dye', 'medicine', 'other'] as const;
export type ShelfKind = (typeof SHELF_KINDS)[number];

/** What harms by coming along. */
export const PESTS = ['hydra', 'flatworm', 'mite', 'seedShrimp', 'leech', 'snail', 'insectLarva', 'fungusGnat'] as const;
export type Pest = (typeof PESTS)[number];
