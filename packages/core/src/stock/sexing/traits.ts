import * as v from 'valibot';
import { METHODS, type Method } from '../../species';
import traitsJson from './traits.json';
import type { Likelihood } from './sexing';

/** What a drawing shows beside a trait. */
export const TRAIT_DRAWINGS = [
  'above',
  'side',
  'forehead',
  'patch',
  'size',
  'deep',
  'fin',
  'anal',
  'gonopodium',
  'ventPointed',
  'ventBlunt',
  'face',
  'saddle',
  'plates',
  'claspers',
  'claws',
  'colour',
  'own',
] as const;
export type TraitDrawing = (typeof TRAIT_DRAWINGS)[number];

/** A mark of sex to look for in a species. */
export interface SexTrait extends Likelihood {
  key: string;
  name: string;
  /** How to look. */
  look: string;
  drawing: TraitDrawing;
  /** Length from which it shows, mm. */
  fromMm: number;
}

/** The key of a keeper's own mark. @param id - of its row */
export const ownMarkKey = (id: string): string => `own-${id}`;

const chance = v.pipe(v.number(), v.minValue(0), v.maxValue(1));
const rows = v.pipe(
  v.array(v.strictObject({ trait: v.string(), pIfMale: chance, pIfFemale: chance, fromMm: v.pipe(v.number(), v.minValue(0)) })),
  v.readonly(),
);
const { traits, species, methods } = v.parse(
  v.pipe(
    v.strictObject({
      traits: v.record(v.string(), v.strictObject({ name: v.string(), look: v.string(), drawing: v.picklist(TRAIT_DRAWINGS) })),
      species: v.record(v.string(), rows),
      methods: v.strictObject(v.entriesFromList(METHODS, rows)),
    }),
    v.check(
      (book) =>
        [...Object.values(book.species), ...Object.values(book.methods)].flat().every(({ trait }) => trait in book.traits),
      'A mark that nobody described.',
    ),
  ),
  traitsJson,
);

/**
 * The marks by which the sexes of a species are told apart, with the starting figures of their reliability: the species' own, or
 * those of its breeding method. Starting points from general husbandry; the house's own animals correct them.
 */
export function sexTraitsOf(speciesKey: string, method: Method): SexTrait[] {
  return (species[speciesKey] ?? methods[method]).flatMap(({ trait, pIfMale, pIfFemale, fromMm }) => {
    const known = traits[trait];
    return known ? [{ key: trait, ...known, pIfMale, pIfFemale, fromMm }] : [];
  });
}
