import * as v from 'valibot';
import { FOODS } from './kinds';

/** Lowest and highest usual value, each between `min` and `max`. */
export const rangeOf = (min: number, max: number) =>
  v.pipe(
    v.tuple([
      v.pipe(v.number('Give both ends.'), v.minValue(min, `At least ${min}.`), v.maxValue(max, `At most ${max}.`)),
      v.pipe(v.number('Give both ends.'), v.minValue(min, `At least ${min}.`), v.maxValue(max, `At most ${max}.`)),
    ]),
    v.check(([low, high]) => low <= high, 'The lower end comes first.'),
    v.readonly(),
  );
/** Lowest and highest usual value. */
export type Range = readonly [number, number];

const StageDurationSchema = v.object({
  atC: v.pipe(v.number(), v.minValue(0, 'At least 0 °C.'), v.maxValue(45, 'At most 45 °C.')),
  days: rangeOf(0, 1000),
});
/** A stage that takes `days[0]` to `days[1]` days at `atC` degrees Celsius. */
export type StageDuration = v.InferOutput<typeof StageDurationSchema>;

const LadderRungSchema = v.object({
  food: v.picklist(FOODS),
  fromMm: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
  days: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(365))),
});
/** One rung of the food ladder: taken once the smallest tenth of a brood is `fromMm` long; `days` where it carries just the smallest. */
export type LadderRung = v.InferOutput<typeof LadderRungSchema>;

const numberOf = (min: number, max: number) =>
  v.pipe(v.number(), v.minValue(min, `At least ${min}.`), v.maxValue(max, `At most ${max}.`));
const foods = v.pipe(v.array(v.picklist(FOODS)), v.minLength(1, 'At least one food.'), v.readonly());
const ladder = v.pipe(
  v.array(LadderRungSchema),
  v.minLength(1, 'At least one food.'),
  v.check(
    (rungs) => rungs.every((rung, i) => i === 0 || rung.fromMm >= (rungs[i - 1]?.fromMm ?? 0)),
    'No food starts at a smaller length than the one before.',
  ),
  v.readonly(),
);
const EATERS = { nobody: 'nobody', parents: 'the parents', anyAdult: 'any adult' } as const;
const LIMITS = { litres: 'litres', floor: 'floor area' } as const;
/** How a figure is called, what it is measured in, how it is written down, and what is worked out from it. */
interface Declared<Schema> {
  schema: Schema;
  label: string;
  unit: string;
  kind: 'range' | 'number' | 'duration' | 'ladder' | 'foods' | 'choice';
  /** What can be chosen, in words; only where it is a choice. */
  choices?: Readonly<Record<string, string>>;
  /** What changes when it is changed. */
  decides: string;
}
const figure = <Schema>(
  kind: Declared<Schema>['kind'],
  label: string,
  unit: string,
  decides: string,
  schema: Schema,
): Declared<Schema> => ({ kind, label, unit, decides, schema });

/** A figure that is one of some words. */
const choice = <const Words extends Readonly<Record<string, string>>>(label: string, decides: string, words: Words) => ({
  ...figure('choice', label, '', decides, v.picklist(Object.keys(words) as (keyof Words & string)[])),
  choices: words as Readonly<Record<string, string>>,
});

/**
 * Every figure of a species, each declared once: types, files, forms, pick lists and the interface are drawn from here. All are
 * starting points from general husbandry; the breeder's own value goes before them.
 */
export const FIGURES = {
  /** Range the adults are kept in, °C. */
  tempC: figure('range', 'Temperature, adults', '°C', 'which tank suits them, alarms, the plan of a spawning', rangeOf(0, 45)),
  /** What they bear outdoors for a while without harm, °C. */
  bearsC: figure('range', 'Temperature, outdoors', '°C', 'alarms and food outdoors', rangeOf(-2, 45)),
  ph: figure('range', 'pH', '', 'which tank suits them, alarms', rangeOf(3, 11)),
  ghDeg: figure('range', 'Hardness', '°dGH', 'which tank suits them, alarms', rangeOf(0, 100)),
  /** Temperatures at which eggs develop into sound young. */
  eggTempC: figure('range', 'Temperature, eggs', '°C', 'the caution on eggs too warm or too cold', rangeOf(0, 45)),
  /** Development stands still at and below this temperature. */
  developmentZeroC: figure('number', 'Development stands still at', '°C', 'how warmth moves every stage', numberOf(-5, 40)),
  /** From laying (or from carrying seen) to hatching or release; null when born free-swimming. */
  hatch: figure(
    'duration',
    'Laying to hatch (or letting go)',
    'days',
    'when eggs hatch or young are let go',
    v.nullable(StageDurationSchema),
  ),
  /** From hatching to the end of the yolk; null when the young leave the mother complete. */
  yolk: figure('duration', 'Hatch to end of yolk', 'days', 'when the first food must be ready', v.nullable(StageDurationSchema)),
  /** From hatching to free-swimming. */
  freeSwimming: figure(
    'duration',
    'Hatch to free-swimming (or letting go)',
    'days',
    'when they swim and are first fed',
    v.nullable(StageDurationSchema),
  ),
  /** From brood to brood, for livebearers. */
  interval: figure('duration', 'Brood to brood', 'days', 'when the next brood drops', v.nullable(StageDurationSchema)),
  clutch: figure('range', 'Clutch', '', 'how many are expected, and the tank they need', rangeOf(0, 1_000_000)),
  /** Length of the young when they first feed. */
  fryMm: figure('range', 'Length at first feed', 'mm', 'which food they can swallow, how they grow', rangeOf(0.05, 1000)),
  adultMm: figure('range', 'Length, adults', 'mm', 'how they grow, what they eat, who fits their mouth', rangeOf(0.5, 5000)),
  maturityMm: figure('range', 'Length at maturity', 'mm', 'how they grow, when the sexes are looked at', rangeOf(0.5, 5000)),
  maturityDays: figure('range', 'Age at maturity', 'days', 'how they grow, when they can breed', rangeOf(1, 5000)),
  saleMm: figure('range', 'Length at sale', 'mm', 'when they can go', rangeOf(0.5, 5000)),
  saleDays: figure('range', 'Age at sale', 'days', 'when they can go', rangeOf(1, 5000)),
  /** Foods a brood climbs, smallest first. */
  ladder: figure('ladder', 'Foods, by the smallest tenth', '', 'what the young are fed and when', ladder),
  /** Young of sale size that one litre carries with usual changes. */
  juvenilesPerLitre: figure('range', 'Young of sale size per litre', '', 'when a tank gets tight', rangeOf(0.001, 1000)),
  /** Share of the eggs (or newborn) that usually reach sale size. */
  survivalToSale: figure('range', 'Share that reaches sale', '', 'how many are expected for sale', rangeOf(0.0001, 1)),
  /** Whether litres or floor area limit how many live in a tank. */
  limitedBy: choice('How many is limited by', 'when a tank gets tight', LIMITS),
  /** Young of sale size that a square metre of floor carries; null where litres limit. */
  juvenilesPerM2: figure(
    'range',
    'Young of sale size per m² of floor',
    '',
    'when a tank gets tight',
    v.nullable(rangeOf(0.01, 100_000)),
  ),
  /** Body weight over the cube of the length, g/mm³: its form. */
  bodyGPerMm3: figure(
    'number',
    'Weight over length³',
    'g/mm³',
    'how much they are fed',
    v.pipe(v.number(), v.minValue(1e-7, 'At least 1e-7.'), v.maxValue(1e-3, 'At most 1e-3.')),
  ),
  /** Brine shrimp that one young of 4 mm takes in a meal. */
  naupliiAt4Mm: figure('number', 'Brine shrimp a meal at 4 mm', 'nauplii', 'how much brine shrimp is hatched', numberOf(0, 1000)),
  /** Dry food of a grown animal a day, as a share of its weight. */
  adultFeedShare: figure('range', 'Dry food a day, share of weight', '', 'how much adults are fed', rangeOf(0, 0.2)),
  /** What grown animals live on, the staple first. */
  adultFoods: figure('foods', 'Grown animals live on', '', 'what adults are fed', foods),
  /** Longest prey it swallows, share of its own length; 0 where it hunts nothing. */
  gapeShare: figure('number', 'Longest prey, share of its length', '', 'who eats whom in a tank', numberOf(0, 1)),
  eggsEatenBy: choice('Eggs are eaten by', 'who is taken out before eggs are safe', EATERS),
  fryEatenBy: choice('Fry are eaten by', 'who is taken out before young swim', EATERS),
} as const;
export type FigureKey = keyof typeof FIGURES;
/** The keys of all figures, in the order they are shown. */
export const FIGURE_KEYS = Object.keys(FIGURES) as FigureKey[];

type Entries = { [Key in FigureKey]: (typeof FIGURES)[Key]['schema'] };
type OwnEntries = { [Key in FigureKey]: v.ExactOptionalSchema<Entries[Key], undefined> };
const entriesOf = <Schema>(wrap: (schema: Entries[FigureKey]) => unknown) =>
  Object.fromEntries(FIGURE_KEYS.map((key) => [key, wrap(FIGURES[key].schema)])) as Schema;

/** All figures of a species. */
export const FiguresSchema = v.object(entriesOf<Entries>((schema) => schema));
export type Figures = v.InferOutput<typeof FiguresSchema>;
/** Any part of them: where a species differs from its method, or a breeder from both. */
export const OwnFiguresSchema = v.object(entriesOf<OwnEntries>((schema) => v.exactOptional(schema)));
