import * as v from 'valibot';
import { EGG_PLAN_WORDS, EGG_PLANS } from '../species';
import {
  COLONY_SCHOOLS,
  COLONY_WORDS,
  COVERS,
  FEEDING_SCHOOLS,
  FEEDING_WORDS,
  FIRST_FOOD_SCHOOLS,
  FIRST_FOOD_WORDS,
  FUNGUS_SCHOOLS,
  FUNGUS_WORDS,
  GROWING_SCHOOLS,
  GROWING_WORDS,
  LEVER_WORDS,
  LEVERS,
  TRIGGER_SCHOOLS,
  TRIGGER_WORDS,
} from './schools';

const number = (low: number, high: number, unit: string) =>
  v.pipe(
    v.number('Give a number.'),
    v.minValue(low, `Not below ${low} ${unit}.`.replace(' .', '.')),
    v.maxValue(high, `Not above ${high} ${unit}.`.replace(' .', '.')),
  );
const whole = (low: number, high: number, unit: string) => v.pipe(number(low, high, unit), v.integer('Only whole ones.'));
const above = (low: string, high: number, top: string) =>
  v.pipe(v.number('Give a number.'), v.gtValue(0, low), v.maxValue(high, top));
const text = v.pipe(v.string(), v.trim(), v.maxLength(200, 'At most 200 characters.'));
const month = whole(1, 12, '');

const StepSchema = v.object({
  lever: v.picklist(LEVERS),
  day: whole(-30, 60, 'days'),
  share: v.nullable(number(0, 1, '')),
  degC: v.nullable(number(0, 15, '°C')),
  hours: v.nullable(number(0, 72, 'h')),
});
/**
 * One step of a trigger, so many days after the trigger's day: `share` of the water changed or of the level, 0..1; `degC` cooler or
 * warmer, K, always positive; `hours` of light or dark. Null where it has none.
 */
export type TriggerStep = v.InferOutput<typeof StepSchema>;

const CoverSchema = v.object({ kind: v.picklist(COVERS), count: whole(1, 999, '') });
/** What eggs are laid on or what hides who has to hide, and how many of it. */
export type Cover = v.InferOutput<typeof CoverSchema>;

type Group = 'tank' | 'water' | 'fish' | 'trigger' | 'eggs';
type Words = Readonly<Record<string, string>>;
interface Shown {
  label: string;
  group: Group;
  /** Unit of the stored value. */
  unit?: string;
  /** What can be chosen, in words. */
  words?: Words;
}
const shown = (group: Group, label: string, more: { unit?: string; words?: Words } = {}): Shown => ({ label, group, ...more });
/** A field that can be left empty. */
const maybe = <const Schema extends v.GenericSchema<unknown, unknown>>(schema: Schema, field: Shown) => ({
  schema: v.optional(v.nullable(schema), null),
  field,
});
/** A field that has a value where nothing was said. */
const usual = <const Schema extends v.GenericSchema<unknown, unknown>, const Value>(
  schema: Schema,
  value: Value,
  field: Shown,
) => ({
  schema: v.optional(schema, value as never),
  field,
});
const asked = <const Schema>(schema: Schema, field: Shown) => ({ schema, field });

/**
 * Every plain field of a recipe, declared once and in the order of the work: what it takes, what stands there when nothing was said,
 * how it is called and measured. Types, files, forms and comparisons are drawn from here.
 */
const FIELDS = {
  tankSchool: usual(
    v.picklist(['mature', 'bare']),
    'mature',
    shown('tank', 'Tank', { words: { mature: 'mature and filtered', bare: 'bare, fresh and clean' } }),
  ),
  litres: maybe(above('More than nothing.', 1e6, 'At most 1000000 L.'), shown('tank', 'Volume', { unit: 'L' })),
  depthCm: maybe(number(1, 500, 'cm'), shown('tank', 'Water depth', { unit: 'cm' })),
  flow: usual(
    v.picklist(['none', 'gentle', 'strong']),
    'gentle',
    shown('tank', 'Flow', { words: { none: 'none', gentle: 'gentle', strong: 'strong' } }),
  ),
  covered: usual(v.boolean(), false, shown('tank', 'Sides covered', { words: { true: 'yes', false: 'no' } })),
  lampHours: maybe(number(0, 24, 'h'), shown('tank', 'Lamp', { unit: 'h' })),
  company: maybe(text, shown('tank', 'Company and zones')),
  /** In the keeper's words, such as half rain, half tap. */
  water: maybe(text, shown('water', 'Water')),
  /** Empty: the middle of what the species is kept at. */
  tempC: maybe(number(0, 45, '°C'), shown('water', 'Temperature', { unit: '°C' })),
  ghDeg: maybe(number(0, 100, '°dGH'), shown('water', 'Hardness', { unit: '°dGH' })),
  ph: maybe(number(3, 11, ''), shown('water', 'pH')),
  phSchool: usual(
    v.picklist(['match', 'leave']),
    'leave',
    shown('water', 'pH', { words: { match: 'match the wild water', leave: 'leave it alone' } }),
  ),
  tdsPpm: maybe(number(0, 5000, 'mg/L'), shown('water', 'TDS', { unit: 'mg/L' })),
  agedDays: usual(whole(0, 90, 'days'), 0, shown('water', 'Water aged', { unit: 'days' })),
  males: maybe(whole(0, 999, ''), shown('fish', 'Males')),
  females: maybe(whole(0, 999, ''), shown('fish', 'Females')),
  firstIn: usual(
    v.picklist(['together', 'females', 'males']),
    'together',
    shown('fish', 'First in', { words: { together: 'all together', females: 'the females', males: 'the males' } }),
  ),
  /** Days the first are in before the others, and those all settle in before the trigger. */
  daysAhead: usual(whole(0, 60, 'days'), 1, shown('fish', 'Settling', { unit: 'days' })),
  divider: usual(
    v.picklist(['none', 'clear', 'solid']),
    'none',
    shown('fish', 'Divider', { words: { none: 'none', clear: 'clear', solid: 'solid' } }),
  ),
  conditioningDays: maybe(whole(0, 365, 'days'), shown('fish', 'Conditioning', { unit: 'days' })),
  diet: maybe(text, shown('fish', 'Diet')),
  trigger: asked(v.picklist(TRIGGER_SCHOOLS), shown('trigger', 'Trigger', { words: TRIGGER_WORDS })),
  /** Days after the trigger by which eggs should be seen, and what to try then. */
  stopAfterDays: maybe(whole(1, 180, 'days'), shown('trigger', 'No eggs by', { unit: 'days' })),
  nextLever: maybe(v.picklist(LEVERS), shown('trigger', 'Then try', { words: LEVER_WORDS })),
  eggPlan: asked(v.picklist(EGG_PLANS), shown('eggs', 'The eggs', { words: EGG_PLAN_WORDS })),
  fungus: asked(v.picklist(FUNGUS_SCHOOLS), shown('eggs', 'Against fungus', { words: FUNGUS_WORDS })),
  /** Target of the dye, mg/L, and strength of its stock in % w/v; both from the label. */
  dyeMgPerL: maybe(above('Above 0 mg/L.', 100, 'At most 100 mg/L.'), shown('eggs', 'Dye', { unit: 'mg/L' })),
  dyeStockPercent: maybe(above('Above 0 %.', 100, 'At most 100 %.'), shown('eggs', 'Dye stock', { unit: '%' })),
  /** Share of the water changed daily while eggs are treated, 0..1. */
  dailyChangeFraction: asked(
    v.pipe(v.number('Give a share.'), v.minValue(0, 'Not below 0 %.'), v.maxValue(1, 'Not above 100 %.')),
    shown('eggs', 'Daily change', { unit: '%' }),
  ),
  firstFood: maybe(v.picklist(FIRST_FOOD_SCHOOLS), shown('eggs', 'First food', { words: FIRST_FOOD_WORDS })),
  feeding: maybe(v.picklist(FEEDING_SCHOOLS), shown('eggs', 'How much food', { words: FEEDING_WORDS })),
  growing: maybe(v.picklist(GROWING_SCHOOLS), shown('eggs', 'Grow up', { words: GROWING_WORDS })),
  outOfColony: maybe(v.picklist(COLONY_SCHOOLS), shown('eggs', 'Out of the colony', { words: COLONY_WORDS })),
  /** The length at which young leave a colony, mm. */
  colonyOutMm: maybe(
    v.pipe(v.number('Give a length in mm.'), v.minValue(2, 'At least 2 mm.'), v.maxValue(300, 'At most 300 mm.')),
    shown('eggs', 'Out at', { unit: 'mm' }),
  ),
};
export type PlainKey = keyof typeof FIELDS;

/** One field of a recipe as it is shown, compared and searched. */
export interface RecipeField extends Shown {
  key: PlainKey;
  kind: 'words' | 'choice' | 'number' | 'flag';
  /** Whether it may be left open. */
  canBeEmpty: boolean;
}

type Entries = { [Key in PlainKey]: (typeof FIELDS)[Key]['schema'] };
const keys = Object.keys(FIELDS) as PlainKey[];

/** A recipe as it was kept or comes in: what is left out is empty, or as usual. */
export const RecipeFieldsSchema = v.object({
  ...(Object.fromEntries(keys.map((key) => [key, FIELDS[key].schema])) as Entries),
  cover: v.optional(v.pipe(v.array(CoverSchema), v.readonly()), []),
  steps: v.optional(v.pipe(v.array(StepSchema), v.maxLength(12, 'At most twelve steps.'), v.readonly()), []),
  /** Months of the year that it is meant for, 1..12, both included; none means any. */
  seasons: v.optional(v.pipe(v.array(v.pipe(v.tuple([month, month]), v.readonly())), v.maxLength(4), v.readonly()), []),
});
/** The choices of one attempt; where keepers disagree each school can be chosen and compared afterwards. */
export type Recipe = v.InferOutput<typeof RecipeFieldsSchema>;
/** What of a recipe has to be said. */
export type KeptRecipe = Pick<Recipe, 'eggPlan' | 'fungus' | 'trigger' | 'dailyChangeFraction'> & Partial<Recipe>;

/** Every plain field in the order of the work. */
export const RECIPE_FIELDS: readonly RecipeField[] = keys.map((key) => {
  const { schema, field } = FIELDS[key];
  const kind = v.is(schema, true) ? 'flag' : field.words ? 'choice' : v.is(schema, 'in own words') ? 'words' : 'number';
  return { key, kind, canBeEmpty: v.is(schema, null), ...field };
});
