import type { Food } from './profile';

/** The keeper's words for each food. */
export const FOOD_NAMES: Record<Food, string> = {
  infusoria: 'infusoria',
  paramecium: 'paramecium',
  rotifer: 'rotifers',
  vinegarEel: 'vinegar eels',
  finePowder: 'fine powder',
  microworm: 'microworms',
  brineShrimp: 'brine shrimp',
  grindal: 'grindal worms',
  moina: 'moina',
  daphnia: 'daphnia',
  crushedDry: 'crushed dry food',
  pellets: 'pellets',
  biofilm: 'biofilm and leaves',
  greenWater: 'green water',
  whiteWorm: 'white worms',
  frozen: 'frozen food',
  bloodworm: 'bloodworms',
  vegetables: 'vegetables',
  wafers: 'wafers',
};
