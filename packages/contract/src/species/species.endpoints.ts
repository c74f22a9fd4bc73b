import * as v from 'valibot';
import { findContradiction, FOODS, METHOD_TEMPLATES, METHODS, SHIPPED_SPECIES } from '@freshet/core/species';
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
    v.array(v.object({ food: v.picklist(FOODS), fromMm: v.pipe(v.number(), v.minValue(0), v.maxValue(1000)) })),
    v.minLength(1, 'At least one food.'),
    v.check(
      (rungs) => rungs.every((rung, i) => i === 0 || rung.fromMm > (rungs[i - 1]?.fromMm ?? 0)),
      'Each food starts at a greater length than the one before.',
    ),
    v.readonly(),
  ),
  juvenilesPerLitre: range(0.001, 1000),
  survivalToSale: range(0.0001, 1),
  eggsEatenBy: eatenBy,
  fryEatenBy: eatenBy,
});

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
  figures: OwnFigures,
});

const shipped = new Map(SHIPPED_SPECIES.map((profile) => [profile.key, profile]));

/** Figures of a saved species that contradict each other once its method and the shipped profile have filled it in. */
function contradictionOf({ key, method, figures }: Pick<v.InferOutput<typeof SpeciesFile>, 'key' | 'method' | 'figures'>) {
  const own = Object.fromEntries(Object.entries(figures).filter(([, value]) => value !== undefined));
  const template = METHOD_TEMPLATES[shipped.get(key)?.method ?? method].figures;
  return findContradiction({ ...template, ...shipped.get(key)?.figures, ...own });
}

/** Own figures for a shipped species, or a species of one's own from a method's template. */
export const OwnSpecies = v.pipe(
  v.object({ id: Id, ...v.omit(SpeciesFile, ['format']).entries, version: Version, override: Override }),
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const wrong = contradictionOf(dataset.value);
    if (!wrong) return;
    const input = dataset.value.figures;
    addIssue({
      message: wrong.message,
      path: [
        { type: 'object', origin: 'value', input: dataset.value, key: 'figures', value: input },
        { type: 'object', origin: 'value', input, key: wrong.figure, value: input[wrong.figure] },
      ],
    });
  }),
);

const origin = v.picklist(['method', 'species', 'own']);

export const SpeciesReply = v.object({
  key: v.string(),
  commonName: v.string(),
  scientificName: v.string(),
  method: v.picklist(METHODS),
  initials: v.string(),
  caution: v.optional(v.string()),
  start: v.picklist(['laid', 'carried', 'born']),
  guards: v.picklist(['nobody', 'male', 'female', 'pair']),
  eggPlan: v.string(),
  eggsRest: v.boolean(),
  waterSteps: v.number(),
  shipped: v.boolean(),
  figures: FiguresSchema,
  origins: v.record(v.string(), origin),
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
