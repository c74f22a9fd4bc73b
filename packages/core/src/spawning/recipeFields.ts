import { formatNumber } from '../units';
import type {
  Cover,
  CoverKind,
  EggPlan,
  ColonySchool,
  FeedingSchool,
  GrowingSchool,
  FirstFoodSchool,
  FungusSchool,
  Lever,
  Recipe,
  TriggerSchool,
  TriggerStep,
} from './recipe';

/** The schools in the keeper's words. */
export const EGG_PLAN_WORDS: Record<EggPlan, string> = {
  leaveWithParents: 'Leave them with the parents',
  removeParents: 'Take the parents out',
  pullEggs: 'Pull the eggs to a box',
  tumbler: 'Tumbler',
};
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
  live: 'Live infusoria and the like',
  powder: 'Fine powder',
  brineShrimp: 'Straight to brine shrimp',
  seeded: 'A seeded tank feeds them',
};
export const FEEDING_WORDS: Record<FeedingSchool, string> = {
  vanishes: 'What vanishes by the next meal',
  heavy: 'Heavy, for growth, with more changes',
  little: 'As little as possible',
  seeded: 'Next to nothing: the tank feeds them',
};
export const GROWING_WORDS: Record<GrowingSchool, string> = {
  bySize: 'Parted by size',
  together: 'All together',
  withParents: 'With their parents',
};
export const COLONY_WORDS: Record<ColonySchool, string> = {
  atLength: 'At a set length',
  whenChased: 'When they are chased',
  never: 'Never: they stay',
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

/** A step in words: "cooler change of 40 %, by 3 °C". */
export function stepWords({ lever, share, degC, hours, day }: TriggerStep): string {
  const parts = [
    LEVER_WORDS[lever] +
      (share === null
        ? ''
        : lever === 'cooler' || lever === 'softer'
          ? ` of ${formatNumber(share * 100)} %`
          : ` by ${formatNumber(share * 100)} %`),
    degC === null ? '' : `by ${formatNumber(degC)} °C`,
    hours === null ? '' : `for ${formatNumber(hours)} h`,
  ].filter(Boolean);
  const when = day === 0 ? '' : `, ${Math.abs(day) === 1 ? 'a day' : `${Math.abs(day)} days`} ${day > 0 ? 'later' : 'before'}`;
  return parts.join(', ') + when;
}
/** All steps of a trigger as one sentence's part, in order; waiting is no step to tell. */
export const stepsWords = (steps: readonly TriggerStep[]): string =>
  steps
    .filter(({ lever }) => lever !== 'wait')
    .map((step, i) => (i === 0 ? stepWords(step) : lower(stepWords(step))))
    .join('; ');
export const coverWords = ({ kind, count }: Cover): string => (count > 1 ? `${count} × ${COVER_WORDS[kind]}` : COVER_WORDS[kind]);

type Plain = Exclude<keyof Recipe, 'cover' | 'steps' | 'seasons'>;
/** One field of a recipe as it is shown, compared and searched. */
export interface RecipeField {
  key: Plain;
  label: string;
  group: 'tank' | 'water' | 'fish' | 'trigger' | 'eggs';
  unit?: string;
  words?: Readonly<Record<string, string>>;
}

/** Every plain field in the order of the work. */
export const RECIPE_FIELDS: readonly RecipeField[] = [
  { key: 'tankSchool', label: 'Tank', group: 'tank', words: { mature: 'mature and filtered', bare: 'bare, fresh and clean' } },
  { key: 'litres', label: 'Volume', group: 'tank', unit: 'L' },
  { key: 'depthCm', label: 'Water depth', group: 'tank', unit: 'cm' },
  { key: 'flow', label: 'Flow', group: 'tank', words: { none: 'none', gentle: 'gentle', strong: 'strong' } },
  { key: 'covered', label: 'Sides covered', group: 'tank', words: { true: 'yes', false: 'no' } },
  { key: 'lampHours', label: 'Lamp', group: 'tank', unit: 'h' },
  { key: 'company', label: 'Company and zones', group: 'tank' },
  { key: 'water', label: 'Water', group: 'water' },
  { key: 'tempC', label: 'Temperature', group: 'water', unit: '°C' },
  { key: 'ghDeg', label: 'Hardness', group: 'water', unit: '°dGH' },
  { key: 'ph', label: 'pH', group: 'water' },
  { key: 'phSchool', label: 'pH school', group: 'water', words: { match: 'match the wild water', leave: 'never chase it' } },
  { key: 'tdsPpm', label: 'TDS', group: 'water', unit: 'mg/L' },
  { key: 'agedDays', label: 'Water aged', group: 'water', unit: 'days' },
  { key: 'males', label: 'Males', group: 'fish' },
  { key: 'females', label: 'Females', group: 'fish' },
  {
    key: 'firstIn',
    label: 'First in',
    group: 'fish',
    words: { together: 'all together', females: 'the females', males: 'the males' },
  },
  { key: 'daysAhead', label: 'Settling', group: 'fish', unit: 'days' },
  { key: 'divider', label: 'Divider', group: 'fish', words: { none: 'none', clear: 'clear', solid: 'solid' } },
  { key: 'conditioningDays', label: 'Conditioning', group: 'fish', unit: 'days' },
  { key: 'diet', label: 'Diet', group: 'fish' },
  { key: 'trigger', label: 'Trigger', group: 'trigger', words: TRIGGER_WORDS },
  { key: 'stopAfterDays', label: 'No eggs by', group: 'trigger', unit: 'days' },
  { key: 'nextLever', label: 'Then try', group: 'trigger', words: LEVER_WORDS },
  { key: 'eggPlan', label: 'The eggs', group: 'eggs', words: EGG_PLAN_WORDS },
  { key: 'fungus', label: 'Against fungus', group: 'eggs', words: FUNGUS_WORDS },
  { key: 'dyeMgPerL', label: 'Dye', group: 'eggs', unit: 'mg/L' },
  { key: 'dyeStockPercent', label: 'Dye stock', group: 'eggs', unit: '%' },
  { key: 'dailyChangeFraction', label: 'Daily change', group: 'eggs', unit: '%' },
  { key: 'firstFood', label: 'First food', group: 'eggs', words: FIRST_FOOD_WORDS },
  { key: 'feeding', label: 'How much food', group: 'eggs', words: FEEDING_WORDS },
  { key: 'growing', label: 'Grow up', group: 'eggs', words: GROWING_WORDS },
  { key: 'outOfColony', label: 'Out of the colony', group: 'eggs', words: COLONY_WORDS },
  { key: 'colonyOutMm', label: 'Out at', group: 'eggs', unit: 'mm' },
];

/** A field's value in words; null when nothing was said. */
export function fieldWords({ key, unit, words }: RecipeField, recipe: Recipe): string | null {
  const value = recipe[key];
  if (value === null || value === '') return null;
  if (words) return words[String(value)] ?? String(value);
  if (typeof value === 'number') {
    const shown = formatNumber(key === 'dailyChangeFraction' ? value * 100 : value, 3);
    return unit ? `${shown} ${unit === 'days' && value === 1 ? 'day' : unit}` : shown;
  }
  return String(value);
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
export const seasonWords = (seasons: Recipe['seasons']): string =>
  seasons.map(([from, to]) => `${MONTHS[from - 1] ?? ''} to ${MONTHS[to - 1] ?? ''}`).join(', ');

/** What differs between two recipes: where, and how each says it; `words` is the difference as one would tell it. */
export interface Difference {
  label: string;
  before: string | null;
  after: string | null;
  words: string;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

const NUMBERS: Partial<Record<Plain, (by: string, more: boolean) => string>> = {
  males: (by, more) => `${by} ${by === '1' ? 'male' : 'males'} ${more ? 'more' : 'fewer'}`,
  females: (by, more) => `${by} ${by === '1' ? 'female' : 'females'} ${more ? 'more' : 'fewer'}`,
  tempC: (by, more) => `${by} °C ${more ? 'warmer' : 'cooler'}`,
  ghDeg: (by, more) => `${by} °dGH ${more ? 'harder' : 'softer'}`,
  litres: (by, more) => `${by} L ${more ? 'more' : 'less'} water`,
  depthCm: (by, more) => `${by} cm ${more ? 'deeper' : 'shallower'}`,
  daysAhead: (by, more) => `${by} ${by === '1' ? 'day' : 'days'} ${more ? 'more' : 'less'} to settle`,
  conditioningDays: (by, more) => `${by} ${by === '1' ? 'day' : 'days'} ${more ? 'more' : 'less'} of conditioning`,
};

function listed<Item>(
  before: readonly Item[],
  after: readonly Item[],
  keyOf: (item: Item) => string,
  wordsOf: (item: Item) => string,
  label: string,
): Difference[] {
  const keys = [...new Set([...before, ...after].map(keyOf))];
  return keys.flatMap((key) => {
    const [was, is] = [before.find((item) => keyOf(item) === key), after.find((item) => keyOf(item) === key)];
    const [one, other] = [was ? wordsOf(was) : null, is ? wordsOf(is) : null];
    if (one === other) return [];
    const words =
      one === null ? `${other ?? ''} added` : other === null ? `no ${lower(one)}` : `${other} instead of ${lower(one)}`;
    return [{ label, before: one, after: other, words: lower(words) }];
  });
}

/** Only what differs between two recipes, the trigger first, since that is what one asks for. */
export function compareRecipes(before: Recipe, after: Recipe): Difference[] {
  const plain = RECIPE_FIELDS.flatMap((field): Difference[] => {
    const [one, other] = [fieldWords(field, before), fieldWords(field, after)];
    if (one === other) return [];
    const [from, to] = [before[field.key], after[field.key]];
    const told = NUMBERS[field.key];
    const words =
      told && typeof from === 'number' && typeof to === 'number'
        ? told(formatNumber(Math.abs(to - from), 3), to > from)
        : one === null
          ? `${field.label.toLowerCase()} ${other ?? ''}`
          : `${field.label.toLowerCase()}: ${lower(other ?? 'not said')} instead of ${lower(one)}`;
    return [{ label: field.label, before: one, after: other, words }];
  });
  const season = [seasonWords(before.seasons), seasonWords(after.seasons)];
  return [
    ...listed(before.steps, after.steps, ({ lever, day }) => `${lever}:${day}`, stepWords, 'Trigger step'),
    ...listed(before.cover, after.cover, ({ kind }) => kind, coverWords, 'Cover and site'),
    ...plain,
    ...(season[0] === season[1]
      ? []
      : [
          {
            label: 'Season',
            before: season[0] || null,
            after: season[1] || null,
            words: `season ${season[1] || 'any'} instead of ${season[0] || 'any'}`,
          },
        ]),
  ];
}

/** Everything a recipe says as one text, for a search by own words. */
export const recipeText = (recipe: Recipe): string =>
  [
    ...RECIPE_FIELDS.map((field) => `${field.label} ${fieldWords(field, recipe) ?? ''}`),
    ...recipe.steps.map(stepWords),
    ...recipe.cover.map(coverWords),
    seasonWords(recipe.seasons),
  ]
    .join(' ')
    .toLowerCase();
