import * as v from 'valibot';
import { FOODS, GRADES, METHODS } from '@freshet/core/species';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Id, Name, Override, Version } from '../values';

const range = (min: number, max: number) =>
  v.pipe(
    v.tuple([
      v.pipe(v.number('Give both ends.'), v.minValue(min, `At least ${min}.`), v.maxValue(max, `At most ${max}.`)),
      v.pipe(v.number('Give both ends.'), v.minValue(min, `At least ${min}.`), v.maxValue(max, `At most ${max}.`)),
    ]),
    v.check(([low, high]) => low <= high, 'The lower end comes first.'),
    v.readonly(),
  );
const duration = v.nullable(
  v.object({ atC: v.pipe(v.number(), v.minValue(0, 'At least 0 °C.'), v.maxValue(45, 'At most 45 °C.')), days: range(0, 1000) }),
);
const eatenBy = v.picklist(['nobody', 'parents', 'anyAdult']);

/** Figures of a species; units stand in the names. */
export const FiguresSchema = v.object({
  tempC: range(0, 45),
  ph: range(3, 11),
  ghDeg: range(0, 100),
  eggTempC: range(0, 45),
  developmentZeroC: v.pipe(v.number(), v.minValue(-5), v.maxValue(40)),
  hatch: duration,
  yolk: duration,
  freeSwimming: duration,
  interval: duration,
  clutch: range(0, 1_000_000),
  fryMm: range(0.05, 1000),
  adultMm: range(0.5, 5000),
  maturityMm: range(0.5, 5000),
  maturityDays: range(1, 5000),
  saleMm: range(0.5, 5000),
  saleDays: range(1, 5000),
  ladder: v.pipe(
    v.array(
      v.object({
        food: v.picklist(FOODS),
        fromMm: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
        days: v.optional(v.pipe(v.number(), v.minValue(1), v.maxValue(365))),
      }),
    ),
    v.minLength(1, 'At least one food.'),
    v.check(
      (rungs) => rungs.every((rung, i) => i === 0 || rung.fromMm >= (rungs[i - 1]?.fromMm ?? 0)),
      'No food starts at a smaller length than the one before.',
    ),
    v.readonly(),
  ),
  juvenilesPerLitre: range(0.001, 1000),
  survivalToSale: range(0.0001, 1),
  limitedBy: v.picklist(['litres', 'floor']),
  juvenilesPerM2: v.nullable(range(0.01, 100_000)),
  bodyGPerMm3: v.pipe(v.number(), v.minValue(1e-7, 'At least 1e-7.'), v.maxValue(1e-3, 'At most 1e-3.')),
  naupliiAt4Mm: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)),
  adultFeedShare: range(0, 0.2),
  adultFoods: v.pipe(v.array(v.picklist(FOODS)), v.minLength(1, 'At least one food.'), v.readonly()),
  eggsEatenBy: eatenBy,
  fryEatenBy: eatenBy,
});

const guards = v.picklist(['nobody', 'male', 'female', 'pair']);
const leaves = v.pipe(
  v.array(
    v.object({
      who: v.picklist(['adults', 'female', 'male', 'mother', 'youngMales']),
      when: v.picklist(['afterSpawning', 'whenCarrying', 'atHatch', 'whenSwimming', 'atRelease', 'beforeMature']),
      withinDays: v.pipe(v.number(), v.minValue(-365), v.maxValue(365)),
    }),
  ),
  v.readonly(),
);
const breeders = v.object({
  femalesPerMale: v.optional(range(0, 100)),
  perHundredL: v.optional(v.pipe(v.number(), v.gtValue(0))),
  perM2: v.optional(v.pipe(v.number(), v.gtValue(0))),
});
const usefulDays = range(1, 10_000);

/** The breeder's own figures: any part of them. */
export const OwnFigures = v.partial(FiguresSchema);

/** A species as it is written to and read from a file. */
export const SpeciesFile = v.object({
  format: v.literal('freshet-species-1'),
  key: v.pipe(v.string(), v.regex(/^[a-z0-9-]{2,40}$/, 'Small letters, digits and dashes.')),
  commonName: Name,
  scientificName: v.pipe(v.string(), v.trim(), v.maxLength(80)),
  method: v.picklist(METHODS),
  /** Two letters that stand for it on small tanks. */
  initials: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(2, 'Two letters.')),
  caution: v.optional(v.pipe(v.string(), v.maxLength(400))),
  grade: v.optional(v.picklist(GRADES)),
  guards: v.optional(guards),
  eggPlan: v.optional(v.pipe(v.string(), v.maxLength(400))),
  leaves: v.optional(leaves),
  breeders: v.optional(breeders),
  usefulDays: v.optional(usefulDays),
  figures: OwnFigures,
});

/** Own figures for a shipped species, or a species of one's own from a method's template. */
export const OwnSpecies = v.object({ id: Id, ...v.omit(SpeciesFile, ['format']).entries, version: Version, override: Override });

const origin = v.picklist(['method', 'species', 'own']);

export const SpeciesReply = v.object({
  key: v.string(),
  commonName: v.string(),
  scientificName: v.string(),
  method: v.picklist(METHODS),
  initials: v.string(),
  caution: v.optional(v.string()),
  law: v.nullable(v.string()),
  colourAt: v.nullable(v.number()),
  strip: v.nullable(v.object({ tumbler: v.number(), pullEggs: v.number(), apart: v.number() })),
  start: v.picklist(['laid', 'carried', 'born']),
  guards,
  eggPlan: v.string(),
  eggsRest: v.boolean(),
  waterSteps: v.number(),
  hangs: v.boolean(),
  eggSite: v.picklist(['loose', 'mop', 'glass', 'cave', 'shell', 'nest', 'peat', 'brush', 'body']),
  eggCare: v.pipe(
    v.array(v.object({ on: v.picklist(['laid', 'beforeHatch', 'hatched', 'swimming']), text: v.string(), why: v.string() })),
    v.readonly(),
  ),
  larvae: v.nullable(v.object({ saltGPerL: usefulDays, withinDays: v.number(), settleDays: usefulDays })),
  leaves,
  breeders: v.optional(breeders),
  usefulDays: v.optional(usefulDays),
  shipped: v.boolean(),
  figures: FiguresSchema,
  origins: v.record(v.string(), origin),
  /** How well each figure is known. */
  grades: v.record(v.string(), v.picklist(GRADES)),
  /** Entry that last saved it; null while it is as shipped. */
  version: v.nullable(v.string()),
});

/** What is logged here: who may, and which addresses show it. */
export const speciesEntries = entries({
  species: {
    role: 'keeper',
    words: 'figures of a species',
    touches: [...TOUCHES.species, ...TOUCHES.lots, ...TOUCHES.broods, ...TOUCHES.spawns, ...TOUCHES.descent],
  },
});

export const speciesEndpoints = {
  species: endpoint({
    method: 'GET',
    path: '/api/species',
    summary: 'Every species with all its figures and where each comes from',
    role: 'viewer',
    reply: v.array(SpeciesReply),
  }),
  saveSpecies: speciesEntries.species({
    path: '/api/species',
    summary: 'Save own figures of a species, or a species of one\u2019s own',
    body: OwnSpecies,
  }),
};
