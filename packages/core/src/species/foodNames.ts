import type { Food } from './kinds';

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
  crushedDry: 'crushed flake',
  pellets: 'pellets',
  biofilm: 'biofilm and leaves',
  greenWater: 'green water',
  whiteWorm: 'white worms',
  frozen: 'frozen food',
  bloodworm: 'bloodworms',
  vegetables: 'vegetables',
  wafers: 'wafers',
  pondCatch: 'pond catch',
  scud: 'scuds',
};

/** Width and length of a piece as it is swallowed, µm: starting points. Source: docs/sources.md#food-sizes */
export const FOOD_SIZE_UM: Partial<Record<Food, readonly [number, number]>> = {
  greenWater: [5, 20],
  infusoria: [20, 150],
  rotifer: [90, 250],
  paramecium: [60, 250],
  vinegarEel: [50, 1500],
  microworm: [60, 1500],
  finePowder: [50, 150],
  brineShrimp: [180, 480],
  moina: [300, 1000],
  crushedDry: [200, 500],
  grindal: [500, 10_000],
  daphnia: [600, 2500],
  pondCatch: [500, 4000],
  whiteWorm: [700, 25_000],
  scud: [1000, 6000],
  bloodworm: [900, 12_000],
  frozen: [500, 3000],
  pellets: [800, 1500],
};
