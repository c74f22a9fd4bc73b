import { CalculationError } from '../../errors';

/** Which sex chromosomes make which sex. */
const SEX_SYSTEMS = {
  XY: { females: ['XX'], males: ['XY', 'YY'] },
  ZW: { females: ['ZW'], males: ['ZZ'] },
  WXY: { females: ['XX', 'WX', 'WY'], males: ['XY', 'YY'] },
} as const;
export type SexSystem = keyof typeof SEX_SYSTEMS;

/** Sex genotypes of each system, females and males. */
export const SEX_GENOTYPES: Record<SexSystem, { females: readonly string[]; males: readonly string[] }> = SEX_SYSTEMS;

/** A gene with its alleles, most dominant first, and the parents' genotypes "A/a"; a missing copy is "-". */
export interface Locus {
  locus: string;
  inheritance: 'autosomal' | 'sexLinked';
  dominance: 'complete' | 'incomplete';
  alleles: readonly string[];
  sire: string;
  dam: string;
}

export interface CrossInput {
  sexSystem: string;
  sireSex: string;
  damSex: string;
  loci?: readonly Locus[] | null | undefined;
}

type Sex = 'female' | 'male';

/** One kind of young that can be told apart, and its expected share. */
export interface CrossClass {
  sex: Sex;
  phenotypes: Record<string, string>;
  probability: number;
}

export interface CrossResult {
  classes: CrossClass[];
  sexes: { sexGenotype: string; sex: Sex; probability: number }[];
  femaleShare: number;
}

const MISSING = '-';

/** The chromosome of each system that carries its sex-linked genes. */
const carries = (system: SexSystem, chromosome: string) => chromosome === (system === 'ZW' ? 'Z' : 'X');

function sexOf(system: SexSystem, genotype: string): Sex {
  return (SEX_SYSTEMS[system].females as readonly string[]).includes(genotype) ? 'female' : 'male';
}

function checkSexes({ sexSystem, sireSex, damSex }: CrossInput): SexSystem {
  if (!(sexSystem in SEX_SYSTEMS))
    throw new CalculationError('unknownSexSystem', 'sexSystem', 'The sex system is XY, ZW or WXY.');
  const system = sexSystem as SexSystem;
  const { females, males } = SEX_GENOTYPES[system];
  for (const [field, sex] of [
    ['sireSex', sireSex],
    ['damSex', damSex],
  ] as const)
    if (![...females, ...males].includes(sex))
      throw new CalculationError(
        'invalidSexGenotype',
        field,
        `${system} has ${[...females, ...males].join(', ')}, not "${sex}".`,
      );
  if (!males.includes(sireSex)) throw new CalculationError('sireNotMale', 'sireSex', `${sireSex} is a female.`);
  if (!females.includes(damSex)) throw new CalculationError('damNotFemale', 'damSex', `${damSex} is a male.`);
  return system;
}

/** The two alleles of a genotype, in the order of its sex chromosomes where the gene lies on one. */
function readGenotype(locus: Locus, side: 'sire' | 'dam', system: SexSystem, sex: string, field: string): [string, string] {
  const parts = locus[side].split('/').map((part) => part.trim());
  const [first = '', second = ''] = parts;
  const known = (allele: string) => allele === MISSING || locus.alleles.includes(allele);
  const stranger = parts.find((part) => !known(part));
  if (stranger !== undefined || parts.length !== 2)
    throw new CalculationError(
      'unknownAllele',
      field,
      parts.length === 2 ? `"${stranger}" is no allele of ${locus.locus}.` : 'Give two alleles with a slash, "A/a".',
    );
  const room = locus.inheritance === 'autosomal' ? [true, true] : [...sex].map((chromosome) => carries(system, chromosome));
  const copies = room.filter(Boolean).length;
  const given = [first, second].filter((allele) => allele !== MISSING);
  if (given.length !== copies)
    throw new CalculationError(
      'genotypeMismatch',
      field,
      `${sex} has ${copies === 0 ? 'no copy' : copies === 1 ? 'one copy' : 'two copies'} of ${locus.locus}; write a missing one as "-".`,
    );
  if (copies !== 1) return [first, second];
  return room[0] ? [given[0] ?? '', MISSING] : [MISSING, given[0] ?? ''];
}

/** What is seen of two alleles: the most dominant one, or both where dominance is incomplete. */
export function phenotypeOf(
  { alleles, dominance }: Pick<Locus, 'alleles' | 'dominance'>,
  pair: readonly [string, string],
): string {
  const rank = (allele: string) => (allele === MISSING ? alleles.length : alleles.indexOf(allele));
  const [high, low] = rank(pair[0]) <= rank(pair[1]) ? pair : [pair[1], pair[0]];
  return dominance === 'complete' ? high : `${high}/${low}`;
}

/** Chances of the labels at one autosomal locus. */
function autosomal(locus: Locus, sire: readonly [string, string], dam: readonly [string, string]): Map<string, number> {
  const chances = new Map<string, number>();
  for (const from of sire)
    for (const of of dam) {
      const label = phenotypeOf(locus, [from, of]);
      chances.set(label, (chances.get(label) ?? 0) + 0.25);
    }
  return chances;
}

const byCode = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);

/**
 * What a cross is expected to give: the share of each sex and look. Each gamete takes each of a parent's chromosomes with chance
 * one half; autosomal genes are independent of each other and of sex, a sex-linked gene follows its chromosome.
 * Source: docs/sources.md#cross
 * @throws CalculationError `invalidInput` (an allele listed twice), `unknownSexSystem`, `invalidSexGenotype`, `sireNotMale`, `damNotFemale`, `duplicateLocus`,
 *   `unknownAllele`, `genotypeMismatch`, `tooManySexLinked`
 */
export function cross(input: CrossInput): CrossResult {
  const system = checkSexes(input);
  const { sireSex, damSex } = input;
  const loci = input.loci ?? [];
  if (new Set(loci.map(({ locus }) => locus)).size < loci.length)
    throw new CalculationError('duplicateLocus', 'loci', 'A gene is named twice.');
  for (const [i, { locus, alleles }] of loci.entries())
    if (new Set(alleles).size < alleles.length)
      throw new CalculationError('invalidInput', `loci.${i}.alleles`, `An allele of ${locus} stands in its list twice.`);
  const genotypes = loci.map((locus, i) => ({
    sire: readGenotype(locus, 'sire', system, sireSex, `loci.${i}.sire`),
    dam: readGenotype(locus, 'dam', system, damSex, `loci.${i}.dam`),
  }));
  if (loci.filter(({ inheritance }) => inheritance === 'sexLinked').length > 1)
    throw new CalculationError('tooManySexLinked', 'loci', 'Only one sex-linked gene can be followed at a time.');

  const sexes = new Map<string, number>();
  const classes = new Map<string, CrossClass>();
  const linked = loci.findIndex(({ inheritance }) => inheritance === 'sexLinked');
  for (const i of [0, 1] as const)
    for (const j of [0, 1] as const) {
      // A system's name lists its chromosomes in the order they are written in.
      const sexGenotype = [sireSex[i] ?? '', damSex[j] ?? ''].sort((a, b) => system.indexOf(a) - system.indexOf(b)).join('');
      const sex = sexOf(system, sexGenotype);
      sexes.set(sexGenotype, (sexes.get(sexGenotype) ?? 0) + 0.25);
      let kinds: { phenotypes: Record<string, string>; probability: number }[] = [{ phenotypes: {}, probability: 0.25 }];
      for (const [at, locus] of loci.entries()) {
        const pair = genotypes[at];
        if (!pair) continue;
        const chances =
          at === linked ? new Map([[phenotypeOf(locus, [pair.sire[i], pair.dam[j]]), 1]]) : autosomal(locus, pair.sire, pair.dam);
        kinds = kinds.flatMap((kind) =>
          [...chances].map(([label, chance]) => ({
            phenotypes: { ...kind.phenotypes, [locus.locus]: label },
            probability: kind.probability * chance,
          })),
        );
      }
      for (const { phenotypes, probability } of kinds) {
        const key = JSON.stringify([sex, ...loci.map(({ locus }) => phenotypes[locus])]);
        const known = classes.get(key);
        classes.set(key, { sex, phenotypes, probability: (known?.probability ?? 0) + probability });
      }
    }
  const sorted = [...classes.values()].sort(
    (a, b) =>
      byCode(a.sex, b.sex) ||
      loci.reduce((order, { locus }) => order || byCode(a.phenotypes[locus] ?? '', b.phenotypes[locus] ?? ''), 0),
  );
  return {
    classes: sorted.filter(({ probability }) => probability > 0),
    sexes: [...sexes]
      .map(([sexGenotype, probability]) => ({ sexGenotype, sex: sexOf(system, sexGenotype), probability }))
      .sort((a, b) => byCode(a.sexGenotype, b.sexGenotype)),
    femaleShare: sorted.reduce((sum, { sex, probability }) => sum + (sex === 'female' ? probability : 0), 0),
  };
}
