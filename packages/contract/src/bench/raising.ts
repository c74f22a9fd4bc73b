import * as v from 'valibot';
import { subsampleCount, survival } from '@freshet/core/broods';
import { assign, crowdedOn, fit, readyOn } from '@freshet/core/growout';
import { cultureYield, planStarts } from '@freshet/core/larder';
import { costPerFish, shelf } from '@freshet/core/economics';
import { above0, amount, between, define, finite, fraction, whole, type Calculation } from './define';

const length = v.pipe(above0, v.maxValue(10_000));
const rate = v.pipe(above0, v.maxValue(10));
const days = v.pipe(whole, v.maxValue(10_000));
const id = v.pipe(v.string(), v.minLength(1));
const money = between(0, 1e9);
const onCurve = { curve: v.string(), lInfMm: length, kPerDay: rate, l0Mm: length, lengthMm: length };
const sized = v.object({ id, litres: above0 });
const open = v.pipe(finite, v.gtValue(0), v.ltValue(1));

/** Sums about raising young, feeding them and what it cost. */
export const RAISING_CALCULATIONS: readonly Calculation[] = [
  define({
    name: 'broods.subsampleCount',
    title: 'Count some squares',
    input: v.object({ squaresCounted: whole, squaresTotal: whole, counts: v.array(whole) }),
    run: subsampleCount,
    words:
      'The mean of the squares counted times all squares; the range by Student’s t from their scatter, less the share that was counted, and never below what was seen.',
    source: 'docs/sources.md#subsample',
  }),
  define({
    name: 'broods.survival',
    title: 'Survival by day',
    input: v.object({
      start: v.pipe(whole, v.minValue(1)),
      events: v.array(v.object({ day: amount, deaths: v.nullish(whole), removedAlive: v.nullish(whole) })),
    }),
    run: survival,
    words:
      'On each day with deaths the share alive is multiplied by one less deaths over those at risk; those moved or sold leave as alive.',
    source: 'docs/sources.md#survival',
  }),
  define({
    name: 'growth.fit',
    title: 'A growth curve through lengths',
    input: v.object({
      curve: v.string(),
      points: v.array(v.object({ ageDays: amount, lengthMm: above0, n: v.nullish(above0) })),
      l0Mm: v.nullish(above0),
      lInfPrior: v.nullish(v.object({ mean: above0, sd: above0 })),
      agesDays: v.nullish(v.array(amount)),
      targetLengthMm: v.nullish(above0),
    }),
    run: fit,
    words:
      'Least squares over final length, speed and first length, each point by its number of fish; what is known of the final length weighs along.',
    source: 'docs/sources.md#growth-fit',
  }),
  define({
    name: 'growth.readyOn',
    title: 'Days until ready for sale',
    input: v.object({ ...onCurve, cv: fraction, saleMm: length, shares: v.array(open) }),
    run: readyOn,
    words:
      'The mean has to reach the size of sale over one less scatter times the quantile of the share; the days by the curve from the length now.',
    source: 'docs/sources.md#ready-on',
  }),
  define({
    name: 'growth.crowdedOn',
    title: 'Days until a tank is outgrown',
    input: v.object({
      ...onCurve,
      count: v.pipe(whole, v.maxValue(1e7)),
      dailySurvival: v.pipe(finite, v.gtValue(0), v.maxValue(1)),
      litres: above0,
      limit: v.object({ kind: v.picklist(['mmPerLitre', 'gPerLitre']), value: v.pipe(above0, v.maxValue(1e9)) }),
      weight: v.nullish(v.object({ a: v.pipe(above0, v.maxValue(1)), b: rate })),
    }),
    run: crowdedOn,
    words: 'Those alive times their length (or weight) a litre, by the curve; the first day it reaches the limit.',
    source: 'docs/sources.md#crowded-on',
  }),
  define({
    name: 'growout.assign',
    title: 'Which lot goes where',
    input: v.object({
      lots: v.pipe(v.array(sized), v.maxLength(24)),
      tanks: v.pipe(v.array(sized), v.maxLength(40)),
      cost: v.array(v.array(v.nullable(money))),
      apart: v.nullish(
        v.array(
          v.pipe(
            v.strictTuple([id, id]),
            v.check(([one, other]) => one !== other, 'Two different lots.'),
          ),
        ),
      ),
    }),
    run: assign,
    words: 'Of all ways that keep to the litres and keep apart what must be, the fewest without a tank, then the least cost.',
    source: 'docs/sources.md#assign',
  }),
  define({
    name: 'larder.culture',
    title: 'What a culture gives for good',
    input: v.object({
      startCount: amount,
      ratePerDay: rate,
      capacity: above0,
      harvestFraction: fraction,
      everyDays: v.pipe(whole, between(1, 365)),
      lagDays: v.nullish(v.pipe(whole, v.maxValue(365))),
      days: v.pipe(whole, between(1, 3650)),
    }),
    run: cultureYield,
    words:
      'Each day it grows towards what its vessel carries; every so many days a share is taken. For good it gives what grows back in between.',
    source: 'docs/sources.md#culture-yield',
  }),
  define({
    name: 'larder.plan',
    title: 'When to start cultures',
    input: v.object({
      demand: v.pipe(v.array(money), v.minLength(1), v.maxLength(120)),
      culture: v.object({
        ripeDays: v.pipe(whole, v.maxValue(365)),
        lastsDays: v.pipe(whole, between(1, 365)),
        yieldPerDay: v.pipe(above0, v.maxValue(1e9)),
      }),
      existing: v.nullish(v.array(v.object({ fromDay: days, toDay: days, yieldPerDay: money }))),
      maxStartsPerDay: v.nullish(v.pipe(whole, between(1, 100))),
      maxRunning: v.nullish(days),
    }),
    run: planStarts,
    words: 'Of all plans the one with the least missing, then the fewest starts, then the latest.',
    source: 'docs/sources.md#plan-starts',
  }),
  define({
    name: 'economics.costPerFish',
    title: 'What a fish cost',
    input: v.object({
      costs: v.array(v.object({ kind: v.pipe(v.string(), v.trim(), v.minLength(1, 'Name what was paid for.')), amount })),
      tankDays: amount,
      tankDayRate: amount,
      heating: v.nullish(
        v.object({ lossWPerK: amount, meanAirC: between(-20, 50), targetC: between(0, 45), days: amount, pricePerKwh: amount }),
      ),
      fishReady: whole,
    }),
    run: costPerFish,
    words: 'What was spent, days of tanks at their rate, and heat lost at the price of the current, over the fish ready.',
    source: 'docs/sources.md#cost-per-fish',
  }),
  define({
    name: 'economics.shelf',
    title: 'What a shelf earns',
    input: v.object({
      tanks: v.array(v.object({ litres: above0, days: between(0, 36_500) })),
      income: v.array(v.object({ amount: money })),
      costs: v.array(v.object({ amount: money })),
    }),
    run: shelf,
    words: 'Income less costs, over litres times weeks.',
    source: 'docs/sources.md#shelf',
  }),
];
