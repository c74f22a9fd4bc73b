import * as v from 'valibot';
import {
  blend,
  changeForLimit,
  changeToTemperature,
  co2FromPh,
  dilution,
  dripAcclimation,
  freeAmmonia,
  lossFromCooling,
  mineralSalts,
  newWaterTemperature,
  oxygenSaturation,
  phFromCarbonate,
  rewarm,
  shares,
  topOff,
} from '@freshet/core/room';
import {
  above0,
  airC,
  amount,
  between,
  define,
  finite,
  fraction,
  ghDeg,
  khDeg,
  litres,
  ph,
  tdsPpm,
  waterC,
  type Calculation,
} from './define';

const days = (most: number) => v.pipe(finite, v.integer(), v.minValue(1), v.maxValue(most));
const values = v.object({
  tempC: v.nullish(waterC),
  ghDeg: v.nullish(ghDeg),
  khDeg: v.nullish(khDeg),
  tdsPpm: v.nullish(tdsPpm),
  ph: v.nullish(ph),
});
const tolerance = v.pipe(
  v.strictObject({
    tempC: v.nullish(above0),
    ghDeg: v.nullish(above0),
    khDeg: v.nullish(above0),
    tdsPpm: v.nullish(above0),
    ph: v.nullish(above0),
  }),
  v.check((given) => Object.values(given).some((value) => value != null), 'Give at least one tolerance.'),
);
const wishes = { ghDeg: v.nullish(ghDeg), khDeg: v.nullish(khDeg), tdsPpm: v.nullish(tdsPpm) };
const name = v.pipe(v.string(), v.minLength(1));

/** The water sums. */
export const WATER_CALCULATIONS: readonly Calculation[] = [
  define({
    name: 'water.blend',
    title: 'Blend waters',
    input: v.object({
      parts: v.array(
        v.object({
          litres: between(0, 1_000_000),
          tempC: waterC,
          ghDeg,
          khDeg,
          tdsPpm,
          ph,
          nitratePpm: v.nullish(between(0, 10_000)),
        }),
      ),
      airCo2Ppmv: v.nullish(between(100, 10_000)),
      co2ExcessFactor: v.nullish(between(0.1, 100)),
    }),
    run: blend,
    words:
      'Temperature, GH, KH, TDS and nitrate by litres. pH from the mixture’s alkalinity and inorganic carbon: before any gas is exchanged, and in balance with the air. pH values are never averaged; tannins and phosphate would change the result.',
    source: 'docs/sources.md#blend',
  }),
  define({
    name: 'water.shares',
    title: 'How much of each water',
    input: v.object({
      sources: v.pipe(v.array(v.object({ name, ghDeg, khDeg, tdsPpm, tempC: v.nullish(waterC) })), v.maxLength(12)),
      target: v.object({ litres, ...wishes }),
      weights: v.nullish(v.object({ ghDeg: v.nullish(above0), khDeg: v.nullish(above0), tdsPpm: v.nullish(above0) })),
    }),
    run: shares,
    words:
      'The shares, none below zero and together one, that come nearest to the wishes, each measured against its own size; as much as possible of the first water where several mixtures do.',
    source: 'docs/sources.md#shares',
  }),
  define({
    name: 'water.changeToTemperature',
    title: 'How much to change to reach a temperature',
    input: v.object({ tankLitres: litres, tankTempC: waterC, newTempC: waterC, targetTempC: waterC }),
    run: changeToTemperature,
    words: 'The share to change is the step wanted over the difference between new water and tank.',
    source: 'docs/sources.md#warmth',
  }),
  define({
    name: 'water.newWaterTemperature',
    title: 'How warm the new water must be',
    input: v.object({ tankLitres: litres, tankTempC: waterC, targetTempC: waterC, changeLitres: litres }),
    run: newWaterTemperature,
    words: 'Tank temperature plus the step wanted × tank litres ÷ litres changed.',
    source: 'docs/sources.md#warmth',
  }),
  define({
    name: 'water.rewarm',
    title: 'How long the heater needs',
    input: v.object({ litres, fromC: waterC, toC: waterC, heaterW: amount, airC, lossWPerK: amount }),
    run: rewarm,
    words:
      'Full heater power less the loss to the room, which grows with the difference to it; 4186 joules warm one litre by one degree. It gets no warmer than the room plus watts ÷ loss.',
    source: 'docs/sources.md#warmth',
  }),
  define({
    name: 'water.lossFromCooling',
    title: 'A tank’s heat loss from two readings',
    input: v.object({ litres, startC: waterC, endC: waterC, hours: above0, airC }),
    run: lossFromCooling,
    words: 'With the heater off, from how fast the tank comes nearer to the room.',
    source: 'docs/sources.md#warmth',
  }),
  define({
    name: 'water.dilution',
    title: 'What a change regime does',
    input: v.object({
      startPpm: amount,
      productionPpmPerDay: amount,
      sourcePpm: amount,
      changeFraction: fraction,
      everyDays: days(365),
      days: days(3650),
    }),
    run: dilution,
    words:
      'Each day the production is added; on a change day the share changed is replaced by new water. In the long run the peak is the new water’s content plus production × days ÷ share.',
    source: 'docs/sources.md#dilution',
  }),
  define({
    name: 'water.changeForLimit',
    title: 'The change that holds a ceiling',
    input: v.object({ productionPpmPerDay: amount, sourcePpm: amount, everyDays: days(365), limitPpm: above0 }),
    run: changeForLimit,
    words: 'Production × days ÷ (ceiling − new water’s content): then the peak before a change is the ceiling.',
    source: 'docs/sources.md#dilution',
  }),
  define({
    name: 'water.freeAmmonia',
    title: 'The poisonous share of ammonia',
    input: v.object({
      totalAmmoniaNPpm: between(0, 1000),
      tempC: between(0, 40),
      ph: between(4, 11),
      salinityPpt: v.nullish(between(0, 40)),
    }),
    run: freeAmmonia,
    words: 'The share grows tenfold with each step of pH, and with warmth.',
    source: 'docs/sources.md#ammonia',
  }),
  define({
    name: 'water.oxygenSaturation',
    title: 'Oxygen the water can hold',
    input: v.object({
      tempC: between(0, 40),
      altitudeM: v.nullish(between(-500, 5000)),
      pressureHpa: v.nullish(between(500, 1100)),
      salinityPpt: v.nullish(between(0, 40)),
    }),
    run: oxygenSaturation,
    words: 'What water in balance with the air holds at this temperature and true pressure; warm and salty water holds less.',
    source: 'docs/sources.md#oxygen',
  }),
  define({
    name: 'water.phFromCarbonate',
    title: 'pH from KH and carbon dioxide',
    input: v.object({ khDeg, tempC: waterC, co2MgPerL: between(0.01, 2000), tdsPpm: v.nullish(tdsPpm) }),
    run: phFromCarbonate,
    words: 'The pH at which carbonates and carbon dioxide balance; carbonate is taken as the only buffer.',
    source: 'docs/sources.md#carbonate',
  }),
  define({
    name: 'water.co2FromPh',
    title: 'Carbon dioxide from KH and pH',
    input: v.object({ khDeg, tempC: waterC, ph, tdsPpm: v.nullish(tdsPpm) }),
    run: co2FromPh,
    words: 'The carbon dioxide that goes with this KH and pH; carbonate is taken as the only buffer.',
    source: 'docs/sources.md#carbonate',
  }),
  define({
    name: 'water.topOff',
    title: 'What topping off does',
    input: v.object({
      litresFull: litres,
      evaporatedLitres: amount,
      tdsPpm: between(0, 100_000),
      topOffTdsPpm: between(0, 100_000),
    }),
    run: topOff,
    words: 'Salts stay behind when water evaporates; topping off adds those of the new water.',
    source: 'docs/sources.md#top-off',
  }),
  define({
    name: 'water.mineralSalts',
    title: 'Mineral salts to a hardness',
    input: v.object({
      litres,
      fromGhDeg: ghDeg,
      toGhDeg: ghDeg,
      label: v.object({
        grams: above0,
        litres,
        ghDeg: v.pipe(ghDeg, v.gtValue(0)),
        khDeg: v.nullish(khDeg),
        tdsPpm: v.nullish(tdsPpm),
      }),
    }),
    run: mineralSalts,
    words:
      'The lift wanted over the lift on the label, times the label’s grams and your litres over the label’s. Dissolve it outside of the tank.',
    source: 'docs/sources.md#mineral-salts',
  }),
  define({
    name: 'water.dripAcclimation',
    title: 'How long to drip',
    input: v.object({ bagLitres: litres, dripLitresPerHour: above0, bag: values, tank: values, tolerance }),
    run: dripAcclimation,
    words:
      'With nothing poured away a difference shrinks as the volume grows; the slowest of the wanted values decides. Temperature is matched by floating the bag first; pH does not mix linearly.',
    source: 'docs/sources.md#drip',
  }),
];
