/** How fungus is kept off the eggs. */
export const FUNGUS_SCHOOLS = ['dye', 'leaves', 'flow'] as const;
export type FungusSchool = (typeof FUNGUS_SCHOOLS)[number];

/** What is done to set spawning off. */
export const TRIGGER_SCHOOLS = ['coolChange', 'warm', 'stable', 'dawnLightAndFood', 'season'] as const;
export type TriggerSchool = (typeof TRIGGER_SCHOOLS)[number];

/** What a trigger is made of, one step each. */
export const LEVERS = [
  'cooler',
  'warmer',
  'softer',
  'levelDown',
  'levelUp',
  'flow',
  'liveFood',
  'dark',
  'light',
  'season',
  'moon',
  'wait',
] as const;
export type Lever = (typeof LEVERS)[number];

/** What eggs are laid on or in, and what hides who has to hide. */
export const COVERS = [
  'cave',
  'slate',
  'tube',
  'shell',
  'moss',
  'mop',
  'grid',
  'pebbles',
  'floatingPlants',
  'broadLeaf',
  'brush',
  'peat',
  'glass',
  'shelter',
] as const;
export type CoverKind = (typeof COVERS)[number];

/** How the first food is given. */
export const FIRST_FOOD_SCHOOLS = ['live', 'powder', 'brineShrimp', 'seeded'] as const;
export type FirstFoodSchool = (typeof FIRST_FOOD_SCHOOLS)[number];

/** How much is given where keepers disagree. */
export const FEEDING_SCHOOLS = ['vanishes', 'heavy', 'little', 'seeded'] as const;
export type FeedingSchool = (typeof FEEDING_SCHOOLS)[number];

/** How young grow up: parted by size, left together, or with their parents. */
export const GROWING_SCHOOLS = ['bySize', 'together', 'withParents'] as const;
export type GrowingSchool = (typeof GROWING_SCHOOLS)[number];

/** When young leave a colony. */
export const COLONY_SCHOOLS = ['atLength', 'whenChased', 'never'] as const;
export type ColonySchool = (typeof COLONY_SCHOOLS)[number];

/** The schools in the keeper's words. */
export const FUNGUS_WORDS: Record<FungusSchool, string> = {
  dye: 'Dye',
  leaves: 'Leaves and alder cones',
  flow: 'Flow and cleanliness alone',
};
export const TRIGGER_WORDS: Record<TriggerSchool, string> = {
  coolChange: 'Cool change, like rain',
  warm: 'Warmer',
  stable: 'Keep it stable and wait',
  dawnLightAndFood: 'Light and food at dawn',
  season: 'Wait for the season',
};
export const FIRST_FOOD_WORDS: Record<FirstFoodSchool, string> = {
  live: 'Live infusoria and similar',
  powder: 'Fine powder',
  brineShrimp: 'Straight to brine shrimp',
  seeded: 'A seeded tank feeds them',
};
export const FEEDING_WORDS: Record<FeedingSchool, string> = {
  vanishes: 'As much as is gone by the next meal',
  heavy: 'Heavy, for growth, with more changes',
  little: 'As little as possible',
  seeded: 'Next to nothing: the tank feeds them',
};
export const GROWING_WORDS: Record<GrowingSchool, string> = {
  bySize: 'Sorted by size',
  together: 'All together',
  withParents: 'With their parents',
};
export const COLONY_WORDS: Record<ColonySchool, string> = {
  atLength: 'At a set length',
  whenChased: 'When they are chased',
  never: 'Never; they stay',
};
export const LEVER_WORDS: Record<Lever, string> = {
  cooler: 'Cooler change',
  warmer: 'Warmer',
  softer: 'Softer water',
  levelDown: 'Level down',
  levelUp: 'Level up again',
  flow: 'More flow',
  liveFood: 'Live food at first light',
  dark: 'Dark',
  light: 'Longer light',
  season: 'Wait for the season',
  moon: 'Wait for the moon',
  wait: 'Wait and watch',
};
export const COVER_WORDS: Record<CoverKind, string> = {
  cave: 'cave',
  slate: 'slate',
  tube: 'tube',
  shell: 'shells',
  moss: 'moss',
  mop: 'mop',
  grid: 'grid',
  pebbles: 'pebbles or marbles',
  floatingPlants: 'floating plants',
  broadLeaf: 'broad leaf',
  brush: 'brush',
  peat: 'box of peat',
  glass: 'bare glass',
  shelter: 'shelters',
};
