import * as v from 'valibot';
import {
  EGG_SITES,
  EggCareSchema,
  FiguresSchema,
  GRADES,
  LarvaeSchema,
  SpeciesProfileSchema,
  STARTS,
  StripSchema,
} from '@freshet/core/species';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Id, Name, Override, Version } from '../values';

/** A species as it is written to and read from a file. */
export const SpeciesFile = v.object({
  format: v.literal('freshet-species-1'),
  ...SpeciesProfileSchema.entries,
  commonName: Name,
});

/** Own figures for a shipped species, or a species of one's own from a method's template. */
export const OwnSpecies = v.object({ id: Id, ...v.omit(SpeciesFile, ['format']).entries, version: Version, override: Override });

const origin = v.picklist(['method', 'species', 'own']);

/** A species with every figure filled in, and where each came from. */
export const SpeciesReply = v.object({
  ...v.omit(SpeciesProfileSchema, ['grade', 'figures', 'guards', 'eggPlan', 'leaves']).entries,
  ...v.required(v.pick(SpeciesProfileSchema, ['guards', 'eggPlan', 'leaves'])).entries,
  law: v.nullable(v.string()),
  colourAt: v.nullable(v.number()),
  strip: v.nullable(StripSchema),
  start: v.picklist(STARTS),
  eggsRest: v.boolean(),
  waterSteps: v.number(),
  hangs: v.boolean(),
  eggSite: v.picklist(EGG_SITES),
  eggCare: v.pipe(v.array(EggCareSchema), v.readonly()),
  larvae: v.nullable(LarvaeSchema),
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
