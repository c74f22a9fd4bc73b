import { FOOD_NAMES, type Food } from '../../species';
import type { LossCause } from '../../stock';
import { lexicon } from '../../time';

/** What of a tank's water a line can log; °C, pH, degrees of hardness, ppm. */
export const JOT_READINGS = {
  temperature: { words: ['temp', 'temperature', 't'], low: 0, high: 45 },
  ph: { words: ['ph'], low: 3, high: 11 },
  gh: { words: ['gh'], low: 0, high: 100 },
  kh: { words: ['kh'], low: 0, high: 60 },
  tds: { words: ['tds'], low: 0, high: 50_000 },
  nitrate: { words: ['nitrate', 'nitrates', 'no3'], low: 0, high: 1000 },
  nitrite: { words: ['nitrite', 'nitrites', 'no2'], low: 0, high: 100 },
  ammonia: { words: ['ammonia', 'ammonium', 'nh3', 'nh4', 'tan'], low: 0, high: 100 },
  oxygen: { words: ['oxygen', 'o2'], low: 0, high: 30 },
} as const;
export type JotReading = keyof typeof JOT_READINGS;

/** Words that stand before or behind a number of animals or eggs. */
export const COUNTED = {
  eggs: ['egg', 'eggs', 'clutch'],
  white: ['white', 'whites', 'fungused'],
  hatched: ['hatched', 'hatch', 'hatching', 'wrigglers', 'wriggling'],
  freeSwimming: ['swimming', 'free-swimming', 'freeswimming', 'swim', 'free', 'swam'],
  released: ['released', 'release', 'born', 'dropped', 'spat'],
  count: ['count', 'counted', 'alive', 'headcount'],
  loss: ['lost', 'loss', 'lose', 'dead', 'died', 'death', 'deaths'],
  sale: ['sold', 'sale', 'sell'],
  move: ['move', 'moved', 'moving'],
} as const;
export type Counted = keyof typeof COUNTED;

/** How keepers name why an animal died. */
export const CAUSE_WORDS = lexicon<LossCause>({
  fungus: 'fungus',
  fungussed: 'fungus',
  kicked: 'kickedOut',
  eaten: 'eaten',
  ate: 'eaten',
  jumped: 'jumped',
  jumper: 'jumped',
  jumpers: 'jumped',
  deformed: 'deformed',
  crooked: 'deformed',
  moult: 'moult',
  moulting: 'moult',
  molt: 'moult',
  molting: 'moult',
  fought: 'fought',
  fight: 'fought',
  fighting: 'fought',
  killed: 'fought',
  heat: 'heat',
  overheated: 'heat',
  cold: 'cold',
  chilled: 'cold',
  drained: 'drained',
  siphoned: 'drained',
  culled: 'cull',
  cull: 'cull',
  unknown: 'unknown',
});
/** Causes that say a loss by themselves: "2 jumped". */
export const LOSS_BY_ITSELF = new Set(['eaten', 'jumped', 'jumper', 'jumpers', 'culled', 'drained', 'siphoned', 'kicked']);

export const SEXES = lexicon<'males' | 'females'>({
  m: 'males',
  male: 'males',
  males: 'males',
  f: 'females',
  female: 'females',
  females: 'females',
});

/** Which of the animals of a tank. */
export const GROUPS = lexicon<'young' | 'adults'>({
  young: 'young',
  fry: 'young',
  juvenile: 'young',
  juveniles: 'young',
  shrimplets: 'young',
  adult: 'adults',
  adults: 'adults',
  parent: 'adults',
  parents: 'adults',
  breeder: 'adults',
  breeders: 'adults',
});

/** Short and other names of foods, besides their own. */
const FOOD_WORDS: Partial<Record<Food, readonly string[]>> = {
  brineShrimp: ['bbs', 'artemia', 'nauplii', 'brine', 'brine shrimp', 'baby brine shrimp'],
  infusoria: ['infusoria', 'infu'],
  paramecium: ['paramecia', 'para'],
  rotifer: ['rotifer'],
  vinegarEel: ['vinegar eel', 'eels', 'eel', 'vinegar'],
  microworm: ['microworm', 'micro', 'worms'],
  grindal: ['grindal', 'grindals'],
  whiteWorm: ['whiteworm', 'whiteworms', 'white worm'],
  daphnia: ['daphnids'],
  crushedDry: ['flake', 'flakes', 'dry', 'crushed'],
  finePowder: ['powder', 'dust'],
  pellets: ['pellet', 'granules'],
  frozen: ['frozen', 'cubes'],
  bloodworm: ['bloodworms', 'bloodworm'],
  vegetables: ['vegetable', 'veg', 'greens', 'spinach', 'cucumber', 'courgette'],
  wafers: ['wafer'],
  greenWater: ['green water', 'greenwater'],
  biofilm: ['biofilm', 'leaves', 'leaf'],
};
/** Foods by every name, the longest first so that "baby brine shrimp" goes before "brine". */
export const FOODS_BY_NAME: readonly (readonly [name: readonly string[], food: Food])[] = (
  Object.entries(FOOD_NAMES) as [Food, string][]
)
  .flatMap(([food, name]) => [name, ...(FOOD_WORDS[food] ?? [])].map((one) => [one.toLowerCase().split(' '), food] as const))
  .sort((a, b) => b[0].length - a[0].length);

/** Signs that keepers look for; others are said with "saw". */
const SIGNS: readonly string[] = [
  'chasing',
  'courting',
  'dancing',
  'displaying',
  'digging',
  'fanning',
  'guarding',
  'nest',
  'nesting',
  'spawning',
  'spawned',
  'gravid',
  'tubes',
  'berried',
  'carrying',
  'saddle',
  'saddled',
  'holding',
  'moulted',
  'molted',
  'hiding',
  'gasping',
  'flashing',
  'clamped',
  'clamped fins',
  'white spots',
  'torn fins',
  'not eating',
  'cloudy',
  'pale',
  'coloured',
  'fat',
  'thin',
];
/** Signs by their words, the longest first. */
export const SIGNS_BY_WORDS: readonly (readonly string[])[] = SIGNS.map((sign) => sign.split(' ')).sort(
  (a, b) => b.length - a.length,
);
export const SAW = new Set(['saw', 'seen', 'note', 'noted', 'sign', 'looks']);
export const CHANGED = new Set(['change', 'changed', 'wc', 'waterchange']);
export const FED = new Set(['feed', 'fed', 'feeding']);
export const HARVESTED = new Set(['harvest', 'harvested', 'harvests']);
/** Words that carry nothing: "2 of the fish died". */
export const FILLERS = new Set([
  'and',
  'of',
  'the',
  'in',
  'is',
  'was',
  'were',
  'are',
  'fish',
  'shrimp',
  'animals',
  'out',
  'left',
  'water',
  'by',
  'from',
  'laid',
  'found',
  'picked',
  'took',
  'taken',
  'removed',
  'about',
  'with',
  'them',
  '&',
  '+',
]);
const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
/** A number written as a word; null for any other word. */
export const numberWord = (word: string): number | null => (NUMBERS.includes(word) ? NUMBERS.indexOf(word) + 1 : null);
/** Shares of a tank in words. */
export const SHARES = lexicon<number>({ half: 1 / 2, third: 1 / 3, quarter: 1 / 4, fifth: 1 / 5, tenth: 1 / 10 });

export const COUNTED_BY_WORD = new Map<string, Counted>(
  (Object.entries(COUNTED) as [Counted, readonly string[]][]).flatMap(([kind, words]) => words.map((word) => [word, kind])),
);
export const READING_BY_WORD = new Map<string, JotReading>(
  (Object.entries(JOT_READINGS) as [JotReading, { words: readonly string[] }][]).flatMap(([what, { words }]) =>
    words.map((word) => [word, what]),
  ),
);

/** Every word a line may begin a phrase with, to find the nearest to one that is not understood. */
export const VOCABULARY: readonly string[] = [
  ...COUNTED_BY_WORD.keys(),
  ...READING_BY_WORD.keys(),
  ...CHANGED,
  ...FED,
  ...HARVESTED,
  ...SIGNS.filter((sign) => !sign.includes(' ')),
  ...LOSS_BY_ITSELF,
  ...FOODS_BY_NAME.map(([name]) => name[0] ?? ''),
  'since',
  'yesterday',
  'saw',
].filter((word) => word.length > 2);
