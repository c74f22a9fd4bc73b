import type { Method } from '../../species';
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

interface Row extends Likelihood {
  trait: string;
  fromMm: number;
}
const { traits, species, methods } = traitsJson as unknown as {
  traits: Record<string, Pick<SexTrait, 'name' | 'look' | 'drawing'>>;
  species: Record<string, readonly Row[]>;
  methods: Record<Method, readonly Row[]>;
};

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
