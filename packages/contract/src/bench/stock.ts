import * as v from 'valibot';
import {
  atLeast,
  broodTest,
  conditionFactor,
  cross,
  effectiveSize,
  groupKinship,
  groupOdds,
  groupSize,
  inbreeding,
  kinship,
  pairings,
  ratioInterval,
  selectionIntensity,
  sexing,
} from '@freshet/core/stock';
import { above0, define, finite, fraction, whole, type Calculation } from './define';

const some = v.pipe(whole, v.minValue(1));
const id = v.pipe(v.string(), v.minLength(1));
const wanted = v.pipe(whole, v.maxValue(10_000));
const confidence = v.pipe(finite, v.gtValue(0), v.ltValue(1));
const record = v.object({ id, sire: v.nullish(id), dam: v.nullish(id), hermaphrodite: v.nullish(v.boolean()) });
const pedigree = v.array(record);
const candidates = v.nullish(v.array(v.object({ id, probability: v.pipe(finite, v.gtValue(0), v.maxValue(1)) })));
const allele = v.pipe(v.string(), v.regex(/^(?!-$)[^/]+$/, 'An allele is a name without a slash, and not "-".'));

/** Sums about broodstock: sex, kinship, pairing, crosses. */
export const STOCK_CALCULATIONS: readonly Calculation[] = [
  define({
    name: 'stock.sexing',
    title: 'Sex from traits',
    input: v.object({
      priorMale: fraction,
      traits: v.array(v.object({ name: id, observed: v.boolean(), pIfMale: fraction, pIfFemale: fraction })),
    }),
    run: sexing,
    words:
      'Odds of male to female to begin with, multiplied for each trait: seen, by the share of males that show it over the share of females; not seen, by the shares that do not. Traits count as independent; no share goes below 0.1 % or above 99.9 %.',
    source: 'docs/sources.md#sexing',
  }),
  define({
    name: 'stock.groupOdds',
    title: 'Chance of a group',
    input: v.object({ count: whole, maleShare: fraction, males: whole, females: whole }),
    run: groupOdds,
    words: 'Binomial: the chances of every number of males that leaves enough males and enough females, added up.',
    source: 'docs/sources.md#group',
  }),
  define({
    name: 'stock.groupSize',
    title: 'How many to buy',
    input: v.object({ maleShare: fraction, males: whole, females: whole, confidence }),
    run: groupSize,
    words: 'The smallest number of unsexed animals whose chance of holding the wanted males and females reaches the confidence.',
    source: 'docs/sources.md#group',
  }),
  define({
    name: 'stock.ratioInterval',
    title: 'Is the sex ratio skewed?',
    input: v.object({ males: whole, females: whole }),
    run: ratioInterval,
    words:
      'Share of males with the range that holds the true share with 95 % (Jeffreys), and the chance of a brood at least this uneven when both sexes are born alike (exact, both sides).',
    source: 'docs/sources.md#ratio',
  }),
  define({
    name: 'stock.conditionFactor',
    title: 'Condition factor',
    input: v.object({ lengthMm: above0, weightG: above0, usualK: v.nullish(above0) }),
    run: conditionFactor,
    words: 'K = 100 × weight in grams ÷ (length in centimetres)³. Compare only lengths taken in the same way.',
    source: 'docs/sources.md#condition-factor',
  }),
  define({
    name: 'stock.cross',
    title: 'What a cross gives',
    input: v.object({
      sexSystem: v.string(),
      sireSex: v.string(),
      damSex: v.string(),
      loci: v.nullish(
        v.pipe(
          v.array(
            v.object({
              locus: id,
              inheritance: v.picklist(['autosomal', 'sexLinked']),
              dominance: v.picklist(['complete', 'incomplete']),
              alleles: v.pipe(
                v.array(allele),
                v.minLength(1),
                v.check((alleles) => new Set(alleles).size === alleles.length, 'Each allele once.'),
              ),
              sire: v.string(),
              dam: v.string(),
            }),
          ),
          v.check((loci) => loci.length <= 6, 'At most six genes.'),
        ),
      ),
    }),
    run: cross,
    words:
      'Each egg and each sperm takes either of the parent’s two chromosomes with the same chance. Genes on ordinary chromosomes are independent of each other and of sex; a sex-linked gene goes with its chromosome.',
    source: 'docs/sources.md#cross',
  }),
  define({
    name: 'stock.atLeast',
    title: 'How many to raise',
    input: v.object({ probability: fraction, wanted, confidence }),
    run: atLeast,
    words: 'The smallest brood in which the chance of at least the wanted number (binomial) reaches the confidence.',
    source: 'docs/sources.md#group',
  }),
  define({
    name: 'stock.broodTest',
    title: 'Does the brood fit the cross?',
    input: v.object({ expected: v.pipe(v.array(fraction), v.minLength(1), v.maxLength(64)), observed: v.array(whole) }),
    run: broodTest,
    words:
      'The chances of all broods of this size that are no likelier than the one counted, added up (exact multinomial test; chi-square where there are more than two million possible broods). A small number speaks against the cross.',
    source: 'docs/sources.md#brood-test',
  }),
  define({
    name: 'stock.inbreeding',
    title: 'Inbreeding of a pedigree',
    input: v.object({ pedigree }),
    run: inbreeding,
    words:
      'The chance that both copies of a gene come from one copy of an ancestor: the kinship of the two parents. Founders are unrelated; unknown parents add nothing.',
    source: 'docs/sources.md#kinship',
  }),
  define({
    name: 'stock.kinship',
    title: 'Kinship of a pedigree',
    input: v.object({ pedigree, ids: v.array(id) }),
    run: kinship,
    words: 'Parents before young: an animal’s kinship with another is the mean of its parents’. With itself it is (1 + F) / 2.',
    source: 'docs/sources.md#kinship',
  }),
  define({
    name: 'stock.groupKinship',
    title: 'Kinship with uncertain parents',
    input: v.object({
      pedigree: v.array(
        v.object({ id, brood: v.nullish(id), sires: candidates, dams: candidates, hermaphrodite: v.nullish(v.boolean()) }),
      ),
      ids: v.array(id),
    }),
    run: groupKinship,
    words:
      'As kinship, with each possible parent weighed by its chance. Animals of one brood have the same parents, whoever they are; what the chances leave open is an unrelated outsider.',
    source: 'docs/sources.md#group-kinship',
  }),
  define({
    name: 'stock.effectiveSize',
    title: 'Effective size of a line',
    input: v.object({ males: some, females: some, generations: v.nullish(whole) }),
    run: effectiveSize,
    words:
      'Ne = 4 × males × females ÷ (males + females). Each generation loses 1 ÷ (2 Ne) of the diversity. For random mating and equal families; real groups are usually smaller in effect.',
    source: 'docs/sources.md#effective-size',
  }),
  define({
    name: 'stock.pairings',
    title: 'Best set of pairs',
    input: v.object({
      males: v.pipe(v.array(id), v.minLength(1)),
      females: v.pipe(v.array(id), v.minLength(1)),
      kinship: v.object({ ids: v.array(id), matrix: v.array(v.array(finite)) }),
      matingsPerMale: some,
      wanted: some,
    }),
    run: pairings,
    words:
      'Of all sets of pairs the one with the least kinship in all; each female once, each male as often as allowed. Exact, by minimum-cost flow.',
    source: 'docs/sources.md#pairings',
  }),
  define({
    name: 'stock.selectionIntensity',
    title: 'Selection intensity',
    input: v.object({ kept: some, of: some }),
    run: selectionIntensity,
    words:
      'By how many standard deviations the kept lie above the mean of all, if the best are kept (normal distribution, corrected for small numbers).',
    source: 'docs/sources.md#selection',
  }),
];
