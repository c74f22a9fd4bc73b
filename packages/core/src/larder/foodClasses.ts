import type { Food } from '../species';
import { CULTURE_FOODS, FOOD_CLASS_KEYS, type CultureFood, type FoodClassKey } from './keys';

/** A class of live food of one size. */
export interface FoodClass {
  words: string;
  /** What its amounts are told in: ml of the leading food. */
  lead: CultureFood;
  /** How many ml of each stand for one ml of the leading one. Guesses from how dense they are poured. Source: docs/sources.md#food-classes */
  mlForOne: Partial<Record<CultureFood, number>>;
  /** What bridges a gap. */
  bridge: string;
  /** The same in two words. */
  bridgeWords: string;
}

export const FOOD_CLASSES: Record<FoodClassKey, FoodClass> = {
  smallest: {
    words: 'Smallest',
    lead: 'infusoria',
    mlForOne: { infusoria: 1, paramecium: 0.75, rotifer: 1 },
    bridge: 'fine powder, a spatula tip for 200 young, four times a day, and half the water changed in cups',
    bridgeWords: 'fine powder',
  },
  green: {
    words: 'Green water',
    lead: 'greenWater',
    mlForOne: { greenWater: 1 },
    bridge: 'powder of algae, a trace stirred into water',
    bridgeWords: 'algae powder',
  },
  worms: {
    words: 'Small worms',
    lead: 'microworm',
    mlForOne: { microworm: 1, vinegarEel: 15 },
    bridge: 'fine powder, a little and often',
    bridgeWords: 'fine powder',
  },
  nauplii: {
    words: 'Brine shrimp',
    lead: 'brineShrimp',
    mlForOne: { brineShrimp: 1, moina: 20 },
    bridge: 'frozen brine shrimp nauplii, thawed and rinsed, or microworms',
    bridgeWords: 'frozen nauplii',
  },
  largeWorms: {
    words: 'Large worms',
    lead: 'grindal',
    mlForOne: { grindal: 1, whiteWorm: 1 },
    bridge: 'frozen food, thawed and rinsed',
    bridgeWords: 'frozen food',
  },
  grown: {
    words: 'Water fleas',
    lead: 'daphnia',
    mlForOne: { daphnia: 1, pondCatch: 0.05, scud: 0.05 },
    bridge: 'frozen daphnia, thawed and rinsed',
    bridgeWords: 'frozen daphnia',
  },
};

/** The class of a live food; null for what comes from the shelf. */
export const foodClassOf = (food: Food): FoodClassKey | null =>
  FOOD_CLASS_KEYS.find((key) => (FOOD_CLASSES[key].mlForOne as Partial<Record<Food, number>>)[food] !== undefined) ?? null;

/** The live foods of a class, the leading one first. */
export const foodsOfClass = (key: FoodClassKey): CultureFood[] =>
  CULTURE_FOODS.filter((food) => FOOD_CLASSES[key].mlForOne[food] !== undefined);

/** An amount of a live food, as ml of the leading one of its class. */
export const asLead = (food: CultureFood, ml: number): number => {
  const key = foodClassOf(food);
  return key ? ml / (FOOD_CLASSES[key].mlForOne[food] ?? 1) : ml;
};
