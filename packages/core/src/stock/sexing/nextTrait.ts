import { sexing, type Likelihood } from './sexing';

/** How open the sex of an animal is, in bits: 1 when both are as likely, 0 when it is certain. */
export function openBits(p: number): number {
  return p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p));
}

/**
 * How much looking for a trait is expected to settle, in bits: the uncertainty now less the mean uncertainty after.
 * 1 would settle everything, 0 nothing. Source: docs/sources.md#sexing
 */
export function expectedGain(pMale: number, trait: Likelihood): number {
  const after = (observed: boolean) =>
    sexing({ priorMale: pMale, traits: [{ name: 'it', observed, pIfMale: trait.pIfMale, pIfFemale: trait.pIfFemale }] }).pMale;
  const seen = pMale * trait.pIfMale + (1 - pMale) * trait.pIfFemale;
  return Math.max(0, openBits(pMale) - seen * openBits(after(true)) - (1 - seen) * openBits(after(false)));
}

/** The trait to look at next: the one expected to settle most; null when none is left or none would tell anything. */
export function findNextTrait<Trait extends Likelihood>(
  pMale: number,
  traits: readonly Trait[],
): { trait: Trait; bits: number } | null {
  let best: { trait: Trait; bits: number } | null = null;
  for (const trait of traits) {
    const bits = expectedGain(pMale, trait);
    if (bits > 1e-6 && bits > (best?.bits ?? 0)) best = { trait, bits };
  }
  return best;
}
