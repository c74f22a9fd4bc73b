import { CalculationError } from '../../errors';

/** How often a trait shows in each sex. */
export interface Likelihood {
  /** Share of males, and of females, that show it; 0..1. */
  pIfMale: number;
  pIfFemale: number;
}

/** A trait as it was looked for. */
export interface SeenTrait extends Likelihood {
  name: string;
  observed: boolean;
}

const clamp = (share: number) => Math.min(0.999, Math.max(0.001, share));

/** Logarithm of the odds that one trait multiplies: seen, or looked for and not seen. */
export function logOdds({ pIfMale, pIfFemale }: Likelihood, observed: boolean): number {
  const [male, female] = [clamp(pIfMale), clamp(pIfFemale)];
  return observed ? Math.log(male / female) : Math.log((1 - male) / (1 - female));
}

/**
 * Chance that an animal is male, from traits taken as independent given its sex (naive Bayes); shares are kept within
 * 0.001..0.999 so that no single trait decides for ever. Source: docs/sources.md#sexing
 * @param input.priorMale - chance before anything was looked at, 0..1; 0 and 1 stay
 * @throws CalculationError `duplicateName` - a trait is given twice
 */
export function sexing({ priorMale, traits }: { priorMale: number; traits: readonly SeenTrait[] }): { pMale: number } {
  const names = new Set<string>();
  for (const { name } of traits) {
    if (names.has(name)) throw new CalculationError('duplicateName', 'traits', `"${name}" is given twice.`);
    names.add(name);
  }
  if (priorMale === 0 || priorMale === 1 || traits.length === 0) return { pMale: priorMale };
  const odds = traits.reduce((sum, trait) => sum + logOdds(trait, trait.observed), Math.log(priorMale / (1 - priorMale)));
  return { pMale: odds > 0 ? 1 / (1 + Math.exp(-odds)) : Math.exp(odds) / (1 + Math.exp(odds)) };
}

/** "male, 92 %": the likelier sex with how sure it is, never said to be certain. */
export function sexWords(pMale: number): string {
  const sure = Math.max(pMale, 1 - pMale);
  if (sure < 0.55) return 'either sex';
  return `${pMale >= 0.5 ? 'male' : 'female'}, ${sure > 0.99 ? 'over 99' : Math.round(sure * 100)} %`;
}
