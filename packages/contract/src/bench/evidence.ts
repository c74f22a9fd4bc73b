import * as v from 'valibot';
import { compare, factors, rate, screen } from '@freshet/core/evidence';
import { moon, sun } from '@freshet/core/sky';
import { learn } from '@freshet/core/spawning';
import { above0, between, define, finite, whole, type Calculation } from './define';

const tally = v.object({ successes: v.pipe(whole, v.maxValue(1_000_000)), trials: v.pipe(whole, v.maxValue(1_000_000)) });
const prior = v.nullish(v.object({ a: above0, b: above0 }));
const level = v.nullish(v.pipe(finite, v.gtValue(0), v.ltValue(1)));
const name = v.pipe(v.string(), v.minLength(1));
const duration = v.pipe(above0, v.maxValue(100_000));
const spread = v.nullish(v.pipe(above0, v.maxValue(100)));
const place = { latitude: between(-90, 90), longitude: between(-180, 180) };

/** Sums about what was tried and what came of it, and about sun and moon. */
export const EVIDENCE_CALCULATIONS: readonly Calculation[] = [
  define({
    name: 'spawning.learn',
    title: 'A window from your own broods',
    input: v.object({
      window: v.strictTuple([duration, duration]),
      durations: v.pipe(v.array(duration), v.maxLength(1000)),
      level,
    }),
    run: learn,
    words:
      'The published window holds 90 % before any brood is known; each of your own moves its middle and width, by the logarithms of the durations. Odd ones are marked, not dropped.',
    source: 'docs/sources.md#own-broods',
  }),
  define({
    name: 'evidence.rate',
    title: 'A share and its range',
    input: v.object({ successes: whole, trials: whole, prior }),
    run: rate,
    words: 'Beta with one half added to each side: its mean, and the points below which 2.5 % and 97.5 % of it lie.',
    source: 'docs/sources.md#evidence-rate',
  }),
  define({
    name: 'evidence.compare',
    title: 'Which of two works more often',
    input: v.object({ a: tally, b: tally, prior }),
    run: compare,
    words: 'How often a draw of the first share lies above a draw of the second, each believed as by its own tally.',
    source: 'docs/sources.md#evidence-compare',
  }),
  define({
    name: 'evidence.screen',
    title: 'Many factors, few false claims',
    input: v.object({ factors: v.array(v.object({ name, with: tally, without: tally })), level }),
    run: screen,
    words:
      'Fisher’s exact test for each factor, then corrected for how many were looked at: of everything said to work, no more than the level is expected to be false.',
    source: 'docs/sources.md#evidence-screen',
  }),
  define({
    name: 'evidence.factors',
    title: 'Several factors at once',
    input: v.object({
      attempts: v.array(
        v.object({
          success: v.boolean(),
          factors: v.record(v.string(), v.nullable(v.union([v.boolean(), between(-1e9, 1e9)]))),
        }),
      ),
      priorSd: spread,
      interceptSd: spread,
    }),
    run: factors,
    words:
      'Logistic regression with weak priors: flags less their mean, numbers over twice their deviation; the likeliest odds, and how sure their sign is.',
    source: 'docs/sources.md#evidence-factors',
  }),
  define({
    name: 'sky.moon',
    title: 'The moon at an hour',
    input: v.object({ at: v.string(), ...place }),
    run: moon,
    words: 'Lit share and phase from the middle of the earth; above the horizon as seen from the place, with refraction.',
    source: 'docs/sources.md#sky',
  }),
  define({
    name: 'sky.sun',
    title: 'First light, sunrise, sunset and dusk',
    input: v.object({ date: v.string(), ...place }),
    run: sun,
    words:
      'The last crossings before and the first after the sun’s highest point of the day: of the horizon, and of 6 degrees below it.',
    source: 'docs/sources.md#sky',
  }),
];
