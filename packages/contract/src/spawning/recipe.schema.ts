import * as v from 'valibot';
import {
  BARE_RECIPE,
  COVERS,
  EGG_PLANS,
  COLONY_SCHOOLS,
  FEEDING_SCHOOLS,
  FIRST_FOOD_SCHOOLS,
  GROWING_SCHOOLS,
  FUNGUS_SCHOOLS,
  LEVERS,
  TRIGGER_SCHOOLS,
  type Recipe,
} from '@freshet/core/spawning';
import { METHODS } from '@freshet/core/species';
import { Id, Name, Note } from '../values';

const number = (low: number, high: number, unit: string) =>
  v.pipe(
    v.number('Give a number.'),
    v.minValue(low, `Not below ${low} ${unit}.`.replace(' .', '.')),
    v.maxValue(high, `Not above ${high} ${unit}.`.replace(' .', '.')),
  );
const whole = (low: number, high: number, unit: string) => v.pipe(number(low, high, unit), v.integer('Only whole ones.'));
const words = v.nullable(v.pipe(v.string(), v.trim(), v.maxLength(200, 'At most 200 characters.')));
const share = number(0, 1, '');
const month = whole(1, 12, '');

const TriggerStep = v.object({
  lever: v.picklist(LEVERS),
  day: whole(-30, 60, 'days'),
  share: v.nullable(share),
  degC: v.nullable(number(0, 15, '°C')),
  hours: v.nullable(number(0, 72, 'h')),
});

/** What every recipe has had from the first; the rest is empty where it was not said. */
const schools = {
  eggPlan: v.picklist(EGG_PLANS),
  fungus: v.picklist(FUNGUS_SCHOOLS),
  trigger: v.picklist(TRIGGER_SCHOOLS),
  dailyChangeFraction: v.pipe(v.number('Give a share.'), v.minValue(0, 'Not below 0 %.'), v.maxValue(1, 'Not above 100 %.')),
};
const further = {
  dyeMgPerL: v.nullable(v.pipe(v.number(), v.gtValue(0, 'Above 0 mg/L.'), v.maxValue(100, 'At most 100 mg/L.'))),
  dyeStockPercent: v.nullable(v.pipe(v.number(), v.gtValue(0, 'Above 0 %.'), v.maxValue(100, 'At most 100 %.'))),
  tankSchool: v.picklist(['mature', 'bare']),
  litres: v.nullable(v.pipe(v.number('Give the litres.'), v.gtValue(0, 'More than nothing.'), v.maxValue(1e6))),
  depthCm: v.nullable(number(1, 500, 'cm')),
  flow: v.picklist(['none', 'gentle', 'strong']),
  water: words,
  ghDeg: v.nullable(number(0, 100, '°dGH')),
  ph: v.nullable(number(3, 11, '')),
  tdsPpm: v.nullable(number(0, 5000, 'mg/L')),
  phSchool: v.picklist(['match', 'leave']),
  agedDays: whole(0, 90, 'days'),
  tempC: v.nullable(number(0, 45, '°C')),
  lampHours: v.nullable(number(0, 24, 'h')),
  covered: v.boolean(),
  cover: v.pipe(v.array(v.object({ kind: v.picklist(COVERS), count: whole(1, 999, '') })), v.readonly()),
  company: words,
  males: v.nullable(whole(0, 999, '')),
  females: v.nullable(whole(0, 999, '')),
  firstIn: v.picklist(['together', 'females', 'males']),
  daysAhead: whole(0, 60, 'days'),
  divider: v.picklist(['none', 'clear', 'solid']),
  conditioningDays: v.nullable(whole(0, 365, 'days')),
  diet: words,
  steps: v.pipe(v.array(TriggerStep), v.maxLength(12, 'At most twelve steps.'), v.readonly()),
  stopAfterDays: v.nullable(whole(1, 180, 'days')),
  nextLever: v.nullable(v.picklist(LEVERS)),
  firstFood: v.nullable(v.picklist(FIRST_FOOD_SCHOOLS)),
  feeding: v.nullable(v.picklist(FEEDING_SCHOOLS)),
  growing: v.nullable(v.picklist(GROWING_SCHOOLS)),
  outOfColony: v.nullable(v.picklist(COLONY_SCHOOLS)),
  colonyOutMm: v.nullable(
    v.pipe(v.number('Give a length in mm.'), v.minValue(2, 'At least 2 mm.'), v.maxValue(300, 'At most 300 mm.')),
  ),
  seasons: v.pipe(v.array(v.pipe(v.tuple([month, month]), v.readonly())), v.maxLength(4), v.readonly()),
};

/** A recipe as it is shown and kept. */
export const RecipeReply = v.object({ ...schools, ...further }) satisfies v.GenericSchema<unknown, Recipe>;

const lenient = v.object({
  ...schools,
  dyeMgPerL: v.optional(further.dyeMgPerL, BARE_RECIPE.dyeMgPerL),
  dyeStockPercent: v.optional(further.dyeStockPercent, BARE_RECIPE.dyeStockPercent),
  tankSchool: v.optional(further.tankSchool, BARE_RECIPE.tankSchool),
  litres: v.optional(further.litres, BARE_RECIPE.litres),
  depthCm: v.optional(further.depthCm, BARE_RECIPE.depthCm),
  flow: v.optional(further.flow, BARE_RECIPE.flow),
  water: v.optional(further.water, BARE_RECIPE.water),
  ghDeg: v.optional(further.ghDeg, BARE_RECIPE.ghDeg),
  ph: v.optional(further.ph, BARE_RECIPE.ph),
  tdsPpm: v.optional(further.tdsPpm, BARE_RECIPE.tdsPpm),
  phSchool: v.optional(further.phSchool, BARE_RECIPE.phSchool),
  agedDays: v.optional(further.agedDays, BARE_RECIPE.agedDays),
  tempC: v.optional(further.tempC, BARE_RECIPE.tempC),
  lampHours: v.optional(further.lampHours, BARE_RECIPE.lampHours),
  covered: v.optional(further.covered, BARE_RECIPE.covered),
  cover: v.optional(further.cover, []),
  company: v.optional(further.company, BARE_RECIPE.company),
  males: v.optional(further.males, BARE_RECIPE.males),
  females: v.optional(further.females, BARE_RECIPE.females),
  firstIn: v.optional(further.firstIn, BARE_RECIPE.firstIn),
  daysAhead: v.optional(further.daysAhead, BARE_RECIPE.daysAhead),
  divider: v.optional(further.divider, BARE_RECIPE.divider),
  conditioningDays: v.optional(further.conditioningDays, BARE_RECIPE.conditioningDays),
  diet: v.optional(further.diet, BARE_RECIPE.diet),
  steps: v.optional(further.steps, []),
  stopAfterDays: v.optional(further.stopAfterDays, BARE_RECIPE.stopAfterDays),
  nextLever: v.optional(further.nextLever, BARE_RECIPE.nextLever),
  firstFood: v.optional(further.firstFood, BARE_RECIPE.firstFood),
  feeding: v.optional(further.feeding, BARE_RECIPE.feeding),
  growing: v.optional(further.growing, BARE_RECIPE.growing),
  outOfColony: v.optional(further.outOfColony, BARE_RECIPE.outOfColony),
  colonyOutMm: v.optional(further.colonyOutMm, BARE_RECIPE.colonyOutMm),
  seasons: v.optional(further.seasons, []),
});

/** A recipe as it comes in: what is left out is empty. */
export const RecipeSchema = v.pipe(
  lenient,
  v.forward(
    v.partialCheck(
      [['fungus'], ['dyeMgPerL'], ['dyeStockPercent']],
      (recipe) => recipe.fungus !== 'dye' || (recipe.dyeMgPerL !== null && recipe.dyeStockPercent !== null),
      'Dye needs its target in mg/L and its stock strength in %, both from the label.',
    ),
    ['dyeMgPerL'],
  ),
);

/** What a recipe file is called, so that another kind of file is told apart. */
export const RECIPE_FORMAT = 'freshet-recipe-1';
/** A recipe to share, as open JSON. */
export const RecipeFile = v.object({
  format: v.literal(RECIPE_FORMAT, 'This is no recipe file of this kind.'),
  name: Name,
  speciesKey: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  method: v.picklist(METHODS, 'No breeding method of this name.'),
  note: v.nullable(Note),
  recipe: RecipeSchema,
});

/** One version of a recipe of the house. */
export const RecipeVersion = v.object({
  id: v.string(),
  recipeId: v.string(),
  version: v.number(),
  speciesKey: v.nullable(v.string()),
  method: v.picklist(METHODS),
  name: v.string(),
  /** The version or shipped recipe that it was copied from. */
  basedOn: v.nullable(v.string()),
  recipe: RecipeReply,
  note: v.nullable(v.string()),
  at: v.string(),
});

export const NewRecipe = v.object({
  id: Id,
  versionId: Id,
  /** A new one begins a recipe, one that is there gets its next version. */
  recipeId: Id,
  speciesKey: v.nullable(v.pipe(v.string(), v.maxLength(40))),
  method: v.picklist(METHODS),
  name: Name,
  basedOn: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  recipe: RecipeSchema,
  note: v.nullable(Note),
});
