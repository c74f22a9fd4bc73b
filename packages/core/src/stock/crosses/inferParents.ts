import { cross, phenotypeOf, SEX_GENOTYPES, type Locus, type SexSystem } from './cross';

/** Young of one look counted in a brood; their sex where it is known. */
export interface CountedLook {
  sex: 'female' | 'male' | null;
  label: string;
  count: number;
}

export interface InferInput {
  sexSystem: SexSystem;
  sireSex: string;
  damSex: string;
  locus: Omit<Locus, 'sire' | 'dam'>;
  /** What is seen of the parents themselves; null where not known. */
  sireLook: string | null;
  damLook: string | null;
  /** The young, of one or several broods of the same two. */
  counted: readonly CountedLook[];
}

/** A pair of genotypes and how likely it is among all that could be. */
export interface LikelyParents {
  sire: string;
  dam: string;
  probability: number;
}

function genotypesOf({ alleles, inheritance }: InferInput['locus'], system: SexSystem, sex: string): string[] {
  const linked = system === 'ZW' ? 'Z' : 'X';
  const copies = inheritance === 'autosomal' ? 2 : [...sex].filter((chromosome) => chromosome === linked).length;
  if (copies === 0) return ['-/-'];
  if (copies === 1) return alleles.map((allele) => `${allele}/-`);
  return alleles.flatMap((first, i) => alleles.slice(i).map((second) => `${first}/${second}`));
}

/**
 * The parents' likely genotypes at one locus, from their own looks and their broods: every pair of genotypes that fits the looks
 * is as likely as any other to begin with, and each brood weighs them by its chance (Bayes). Source: docs/sources.md#cross
 * @returns likeliest first; empty when no pair of genotypes can have had these young
 */
export function inferParents({ sexSystem, sireSex, damSex, locus, sireLook, damLook, counted }: InferInput): LikelyParents[] {
  if (!SEX_GENOTYPES[sexSystem].males.includes(sireSex) || !SEX_GENOTYPES[sexSystem].females.includes(damSex)) return [];
  const looks = (genotype: string) => {
    const [first = '', second = ''] = genotype.split('/');
    return phenotypeOf(locus, [first, second]);
  };
  const possible: { sire: string; dam: string; log: number }[] = [];
  for (const sire of genotypesOf(locus, sexSystem, sireSex)) {
    if (sireLook !== null && looks(sire) !== sireLook) continue;
    for (const dam of genotypesOf(locus, sexSystem, damSex)) {
      if (damLook !== null && looks(dam) !== damLook) continue;
      const { classes } = cross({ sexSystem, sireSex, damSex, loci: [{ ...locus, sire, dam }] });
      const log = counted.reduce((sum, { sex, label, count }) => {
        if (count === 0) return sum;
        const share = classes.reduce(
          (all, kind) =>
            all + (kind.phenotypes[locus.locus] === label && (sex === null || kind.sex === sex) ? kind.probability : 0),
          0,
        );
        return sum + count * Math.log(share);
      }, 0);
      if (log > -Infinity) possible.push({ sire, dam, log });
    }
  }
  const most = Math.max(...possible.map(({ log }) => log));
  const weights = possible.map(({ log }) => Math.exp(log - most));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return possible
    .map(({ sire, dam }, i) => ({ sire, dam, probability: (weights[i] ?? 0) / all }))
    .sort((a, b) => b.probability - a.probability);
}
