import * as v from 'valibot';
import { CalculationError } from '@freshet/core/errors';
import { JOT_STAGES, jotLogs } from '@freshet/core/jot';
import { CULTURE_FOODS, cystsFor, hatch } from '@freshet/core/larder';
import { dose, doseAfterChange, tankLoad } from '@freshet/core/room';
import { speciesLife } from '@freshet/core/species';
import { stageTimes } from '@freshet/core/spawning';
import { convert } from '@freshet/core/units';
import { above0, amount, between, define, finite, fraction, litres, whole, type Calculation } from './define';
import { EVIDENCE_CALCULATIONS } from './evidence';
import { RAISING_CALCULATIONS } from './raising';
import { STOCK_CALCULATIONS } from './stock';
import { WATER_CALCULATIONS } from './water';

export type { Calculation } from './define';

const stock = v.object({ mgPerMl: v.nullish(above0), percentWv: v.nullish(v.pipe(above0, v.maxValue(100))) });
const bounds = v.strictTuple([between(0, 100_000), between(0, 100_000)]);
const model = v.variant('kind', [
  v.object({ kind: v.literal('degreeDays'), baseC: between(-5, 40), degreeDays: bounds }),
  v.object({ kind: v.literal('q10'), refC: between(-5, 45), q10: between(1, 10), days: bounds }),
]);
/** Animals that are booked together in a tank, for a line that may name them. */
const animals = v.object({
  name: v.string(),
  species: v.string(),
  stage: v.picklist(JOT_STAGES),
  heads: whole,
  males: v.optional(v.nullable(whole), null),
  females: v.optional(v.nullable(whole), null),
});
const stageTempC = between(-5, 45);

/** Every calculation by its dotted name. */
export const CALCULATIONS: readonly Calculation[] = [
  define({
    name: 'units.convert',
    title: 'Convert a unit',
    input: v.object({ value: finite, from: v.string(), to: v.string(), factorPpmPerUScm: v.nullish(finite) }),
    run: convert,
    words: 'The value times the size of its unit, divided by the size of the wanted unit; °F = °C × 1.8 + 32.',
    source: 'docs/sources.md#units',
  }),
  define({
    name: 'room.tankLoad',
    title: 'Volume and weight of a tank',
    input: v.object({
      lengthCm: finite,
      widthCm: finite,
      heightCm: finite,
      waterHeightCm: finite,
      glassMm: v.nullish(finite),
      substrateKg: v.nullish(finite),
      displacementLitres: v.nullish(finite),
    }),
    run: tankLoad,
    words:
      'Water: inner length × inner width × water height. Weight: glass at 2.5 kg per litre, water at 1 kg per litre, substrate. Load: weight over outer floor area.',
    source: 'docs/sources.md#tank-load',
  }),
  define({
    name: 'water.dose',
    title: 'Dose of a stock solution',
    input: v.object({ tankLitres: litres, targetMgPerL: amount, stock }),
    run: dose,
    words: 'Litres × target = mg; mg ÷ strength = mL. 1 % w/v is 10 mg/mL.',
    source: 'docs/sources.md#dose',
  }),
  define({
    name: 'water.doseAfterChange',
    title: 'Dose topped up after a change',
    input: v.object({ tankLitres: litres, changeFraction: fraction, targetMgPerL: amount, stock }),
    run: doseAfterChange,
    words: 'Litres × share changed × target = mg; mg ÷ strength = mL. The tank was at its target before.',
    source: 'docs/sources.md#dose',
  }),
  define({
    name: 'species.life',
    title: 'A whole life at one temperature',
    input: v.object({ species: v.pipe(v.string(), v.minLength(1)), tempC: between(0, 45) }),
    run: speciesLife,
    words:
      'Hatch and swimming from laying by warmth above the standstill of development; foods from the day the smallest tenth of the young can take them; length by Gompertz through size and age at sale; grown animals by their weight.',
    source: 'docs/sources.md#life',
  }),
  define({
    name: 'rounds.jot',
    title: 'Read a jotted line',
    input: v.object({
      line: v.pipe(v.string(), v.maxLength(300)),
      now: v.pipe(
        v.string(),
        v.check((text) => !Number.isNaN(Date.parse(text)), 'An instant such as 2026-11-24T07:12:00Z.'),
      ),
      timeZone: v.pipe(
        v.string(),
        v.check((zone) => {
          try {
            return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== '';
          } catch {
            return false;
          }
        }, 'A time zone such as Europe/Dublin.'),
      ),
      units: v.object({ temperature: v.picklist(['degC', 'degF']), volume: v.picklist(['L', 'galUS']) }),
      tanks: v.array(v.object({ code: v.pipe(v.string(), v.minLength(1)), litres, groups: v.union([whole, v.array(animals)]) })),
      outlets: v.optional(v.array(v.string()), []),
      cultures: v.optional(v.array(v.object({ name: v.string(), food: v.picklist(CULTURE_FOODS) })), []),
    }),
    run: jotLogs,
    words:
      'Tanks anywhere in the line, or the animals that live in one; what was seen or done, by its words; when, by the clock of the house. What is not understood stays as a note; where two things may be meant, one question is asked. No time said means now.',
    source: 'docs/sources.md#jot',
  }),
  ...WATER_CALCULATIONS,
  ...STOCK_CALCULATIONS,
  ...EVIDENCE_CALCULATIONS,
  ...RAISING_CALCULATIONS,
  define({
    name: 'spawning.stageTimes',
    title: 'When a stage ends',
    input: v.object({
      model,
      startedAt: v.string(),
      tempC: v.nullish(stageTempC),
      readings: v.nullish(v.array(v.object({ at: v.string(), tempC: stageTempC }))),
    }),
    run: stageTimes,
    words:
      'The rate of development at each temperature, added up over time until it reaches the shorter and the longer duration.',
    source: 'docs/sources.md#stage-times',
  }),
  define({
    name: 'larder.hatch',
    title: 'Nauplii from cysts',
    input: v.object({ cystsG: amount, naupliiPerG: above0, hatchFraction: fraction }),
    run: hatch,
    words: 'Grams × nauplii per gram if all hatch × share that hatches.',
    source: 'docs/sources.md#cysts',
  }),
  define({
    name: 'larder.cystsFor',
    title: 'Cysts for a brood',
    input: v.object({
      fry: whole,
      naupliiPerFryPerMeal: amount,
      mealsPerDay: amount,
      days: v.nullish(amount),
      naupliiPerG: above0,
      hatchFraction: v.pipe(finite, v.gtValue(0), v.maxValue(1)),
    }),
    run: cystsFor,
    words: 'Young × nauplii per meal × meals = nauplii a day; divided by nauplii per gram × share that hatches = grams a day.',
    source: 'docs/sources.md#cysts',
  }),
];

const byName = new Map(CALCULATIONS.map((calculation) => [calculation.name, calculation]));
const RANGE_ISSUES = new Set(['min_value', 'max_value', 'gt_value', 'lt_value', 'min_length', 'max_length']);

/** An output, or one error with its code and the field at fault. */
export type CalculationAnswer = { output: unknown } | { error: string; field: string | null; message: string; word?: string };

/** Runs a calculation by name on unknown input: shape first, then ranges, then the calculation's own rules. */
export function runCalculation(name: string, input: unknown): CalculationAnswer {
  const calculation = byName.get(name);
  if (!calculation) return { error: 'unknownCalculation', field: null, message: `There is no calculation "${name}".` };
  const parsed = v.safeParse(calculation.input, input);
  if (!parsed.success) {
    const shape = parsed.issues.find((issue) => !RANGE_ISSUES.has(issue.type));
    const issue = shape ?? parsed.issues[0];
    return { error: shape ? 'invalidInput' : 'outOfRange', field: v.getDotPath(issue), message: issue.message };
  }
  try {
    return { output: calculation.run(parsed.output as never) };
  } catch (error) {
    if (error instanceof CalculationError) {
      const { code, field, message, word } = error;
      return { error: code, field, message, ...(word === undefined ? {} : { word }) };
    }
    throw error;
  }
}
