import { formatNumber } from '../units';
import { RECIPE_FIELDS, type Cover, type PlainKey, type Recipe, type RecipeField, type TriggerStep } from './recipeFields';
import { COVER_WORDS, LEVER_WORDS } from './schools';

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
/** "Mar to May". @param isSouth - south of the equator the year is turned round by half: "Sep to Nov" */
export const seasonWords = (seasons: Recipe['seasons'], isSouth = false): string => {
  const monthOf = (month: number) => MONTHS[(month - 1 + (isSouth ? 6 : 0)) % 12] ?? '';
  return seasons.map(([from, to]) => `${monthOf(from)} to ${monthOf(to)}`).join(', ');
};

/** What differs between two recipes: where, and how each says it; `words` is the difference as one would tell it. */
export interface Difference {
  label: string;
  before: string | null;
  after: string | null;
  words: string;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

const NUMBERS: Partial<Record<PlainKey, (by: string, more: boolean) => string>> = {
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
