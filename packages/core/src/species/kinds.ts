/** Breeding methods; each gives its species the stages, the egg plan and the default figures. */
export const METHODS = [
  'eggScatterer',
  'continuousSpawner',
  'adhesivePlacer',
  'substrateGuarder',
  'caveMaleGuards',
  'caveGuarder',
  'rockGuarder',
  'shellDweller',
  'bubbleNester',
  'mouthbrooder',
  'livebearer',
  'annualPeat',
  'pondGroup',
  'shrimpDirect',
  'shrimpLarval',
  'crayfish',
  'broodingScud',
] as const;
export type Method = (typeof METHODS)[number];

/** Where the young start: eggs laid in the tank, eggs carried by a parent, or born free-swimming. */
export type Start = 'laid' | 'carried' | 'born';

/** Foods that a brood climbs, smallest first; `none` while algae and biofilm are enough. */
export const FOODS = [
  'infusoria',
  'paramecium',
  'rotifer',
  'vinegarEel',
  'finePowder',
  'microworm',
  'brineShrimp',
  'grindal',
  'moina',
  'daphnia',
  'crushedDry',
  'pellets',
  'biofilm',
  'greenWater',
  'whiteWorm',
  'frozen',
  'bloodworm',
  'vegetables',
  'wafers',
  'pondCatch',
  'scud',
] as const;
export type Food = (typeof FOODS)[number];

/** How well a figure is known: well established, taken from a related species, or guessed from general habit. */
export const GRADES = ['recorded', 'relative', 'guess'] as const;
export type Grade = (typeof GRADES)[number];

/** What becomes of the eggs; how each way goes stands with the spawning's recipes. */
export const EGG_PLANS = ['leaveWithParents', 'removeParents', 'pullEggs', 'tumbler'] as const;
export type EggPlan = (typeof EGG_PLANS)[number];
/** The ways of keeping eggs in the keeper's words. */
export const EGG_PLAN_WORDS: Record<EggPlan, string> = {
  leaveWithParents: 'Leave them with the parents',
  removeParents: 'Take the parents out',
  pullEggs: 'Pull the eggs to a box',
  tumbler: 'Tumbler',
};

/** Signs a keeper looks for when scoring condition, by what the method shows. */
export const CONDITION_SIGNS = {
  girth: 'belly full from above',
  soft: 'belly soft, not hard',
  colour: 'full colour',
  tubes: 'breeding tube shows',
  ripePatch: 'ripe eggs show through',
  tubercles: 'tubercles or bristles out',
  appetite: 'takes live food at once',
  display: 'courts or holds a place',
} as const;
export type ConditionSign = keyof typeof CONDITION_SIGNS;
