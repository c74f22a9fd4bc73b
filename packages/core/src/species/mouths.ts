import { methodOf } from './resolveSpecies';
import type { ResolvedSpecies } from './profile';

/** Animals of one kind and length, mm. */
export interface Sized {
  species: ResolvedSpecies;
  lengthMm: number;
  isYoung: boolean;
}

/**
 * Whether animals would swallow others: by the mouth of their kind and both lengths, whatever the prey's kind. Only young of their own kind
 * are spared, where the kind spares them. Source: docs/sources.md#mouths
 */
export function wouldEat(eater: Pick<Sized, 'species' | 'lengthMm'>, prey: Sized): boolean {
  const isOwn = eater.species.key === prey.species.key;
  if (isOwn && prey.isYoung && prey.species.figures.fryEatenBy === 'nobody') return false;
  return prey.lengthMm <= eater.species.figures.gapeShare * eater.lengthMm;
}

/** Whether of two groups one would eat the smallest of the other. */
export const oneEatsOther = (a: Sized & { smallestMm: number }, b: Sized & { smallestMm: number }): boolean =>
  wouldEat(a, { ...b, lengthMm: b.smallestMm }) || wouldEat(b, { ...a, lengthMm: a.smallestMm });

/** Whether animals seize others at night whatever their length: claws take fish that rest on the floor. */
export const wouldSeize = (hunter: ResolvedSpecies, prey: ResolvedSpecies): boolean =>
  methodOf(hunter).seizes && !methodOf(prey).invertebrate && prey.figures.limitedBy === 'floor';
