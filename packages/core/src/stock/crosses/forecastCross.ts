import { cross, phenotypeOf, type CrossClass, type CrossInput } from './cross';

/** A double dose of an allele that few survive. */
export interface Delicate {
  locus: string;
  allele: string;
  /** Share of those with two copies that live to be counted; 0 is lethal. */
  survival: number;
}

/** What can be raised from a cross when some kinds are delicate. */
export interface CrossForecast {
  /** Share of the eggs lost because of it. */
  expectedLoss: number;
  /** Kinds among the survivors, as in `cross`. */
  survivors: CrossClass[];
}

/**
 * What is left of a cross once delicate animals have gone: those with two copies of the allele live with the given share, all
 * others alike; the kinds are then shares of the survivors. Source: docs/sources.md#cross
 * @throws CalculationError as `cross`
 */
export function forecastCross(input: CrossInput, delicate: readonly Delicate[]): CrossForecast {
  const loci = input.loci ?? [];
  // With every locus told apart by genotype, a double dose can be seen.
  const genotypes = cross({ ...input, loci: loci.map((locus) => ({ ...locus, dominance: 'incomplete' as const })) });
  const kinds = new Map<string, CrossClass>();
  let alive = 0;
  for (const { sex, phenotypes, probability } of genotypes.classes) {
    const living = delicate.reduce(
      (share, { locus, allele, survival }) => share * (phenotypes[locus] === `${allele}/${allele}` ? survival : 1),
      probability,
    );
    alive += living;
    const looks = Object.fromEntries(
      loci.map((locus) => {
        const [first = '', second = ''] = (phenotypes[locus.locus] ?? '').split('/');
        return [locus.locus, phenotypeOf(locus, [first, second])];
      }),
    );
    const key = JSON.stringify([sex, ...loci.map(({ locus }) => looks[locus])]);
    kinds.set(key, { sex, phenotypes: looks, probability: (kinds.get(key)?.probability ?? 0) + living });
  }
  return {
    expectedLoss: 1 - alive,
    survivors: [...kinds.values()]
      .filter(({ probability }) => probability > 0)
      .map((kind) => ({ ...kind, probability: kind.probability / alive })),
  };
}
