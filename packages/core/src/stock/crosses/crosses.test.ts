import fc from 'fast-check';
import { broodTest } from './broodTest';
import { cross, type Locus } from './cross';
import { forecastCross } from './forecastCross';
import { inferParents } from './inferParents';

const albino: Locus = {
  locus: 'albino',
  inheritance: 'autosomal',
  dominance: 'complete',
  alleles: ['A', 'a'],
  sire: 'A/a',
  dam: 'A/a',
};
const XY = { sexSystem: 'XY', sireSex: 'XY', damSex: 'XX' } as const;
const genotype = fc.constantFrom('A/A', 'A/a', 'a/a');

describe('a cross', () => {
  it('refuses a gene whose list holds an allele twice: nobody could say which is the more dominant', () => {
    expect(() => cross({ ...XY, loci: [{ ...albino, alleles: ['A', 'a', 'A'] }] })).toThrow(
      expect.objectContaining({ code: 'invalidInput', field: 'loci.0.alleles' }),
    );
  });

  it('gives shares that add up to one, each sex as its chromosomes say, whatever the genes', () => {
    fc.assert(
      fc.property(genotype, genotype, genotype, genotype, fc.constantFrom('complete', 'incomplete'), (a, b, c, d, dominance) => {
        const result = cross({
          ...XY,
          loci: [
            { ...albino, sire: a, dam: b },
            { ...albino, locus: 'veil', dominance: dominance as Locus['dominance'], sire: c, dam: d },
          ],
        });
        expect(result.classes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 12);
        expect(result.femaleShare).toBeCloseTo(0.5, 12);
        // Two genes are independent: each alone gives what it gives together with the other.
        const alone = cross({ ...XY, loci: [{ ...albino, sire: a, dam: b }] });
        for (const { sex, phenotypes, probability } of alone.classes)
          expect(
            result.classes
              .filter((kind) => kind.sex === sex && kind.phenotypes['albino'] === phenotypes['albino'])
              .reduce((sum, kind) => sum + kind.probability, 0),
          ).toBeCloseTo(probability, 12);
      }),
    );
  });

  it('loses a quarter where a double dose is lethal, and shows two to one among the rest', () => {
    const forecast = forecastCross({ ...XY, loci: [{ ...albino, dominance: 'incomplete' }] }, [
      { locus: 'albino', allele: 'A', survival: 0 },
    ]);
    expect(forecast.expectedLoss).toBeCloseTo(0.25, 12);
    const carriers = forecast.survivors
      .filter(({ phenotypes }) => phenotypes['albino'] === 'A/a')
      .reduce((sum, one) => sum + one.probability, 0);
    expect(carriers).toBeCloseTo(2 / 3, 12);
    expect(forecast.survivors.some(({ phenotypes }) => phenotypes['albino'] === 'A/A')).toBe(false);
  });

  it('with nobody delicate is the plain cross', () => {
    fc.assert(
      fc.property(genotype, genotype, (sire, dam) => {
        const input = { ...XY, loci: [{ ...albino, sire, dam }] };
        const { expectedLoss, survivors } = forecastCross(input, [{ locus: 'albino', allele: 'a', survival: 1 }]);
        expect(expectedLoss).toBeCloseTo(0, 12);
        expect(survivors).toEqual(cross(input).classes);
      }),
    );
  });
});

describe('the parents of a brood', () => {
  const ask = { ...XY, locus: albino, sireLook: 'A', damLook: 'A' } as const;

  it('are both carriers once one recessive is seen', () => {
    const found = inferParents({
      ...ask,
      counted: [
        { sex: null, label: 'A', count: 11 },
        { sex: null, label: 'a', count: 1 },
      ],
    });
    expect(found).toEqual([{ sire: 'A/a', dam: 'A/a', probability: 1 }]);
  });

  it('are less likely both carriers the more young show nothing', () => {
    const chance = (count: number) =>
      inferParents({ ...ask, counted: [{ sex: null, label: 'A', count }] }).find(
        ({ sire, dam }) => sire === 'A/a' && dam === 'A/a',
      )?.probability ?? 0;
    // Three pairs of genotypes give no recessive at all, one gives a quarter.
    for (const n of [0, 1, 8, 20]) expect(chance(n)).toBeCloseTo(0.75 ** n / (3 + 0.75 ** n), 12);
  });

  it('cannot be any where the young contradict them', () => {
    expect(inferParents({ ...ask, sireLook: 'a', damLook: 'a', counted: [{ sex: null, label: 'A', count: 1 }] })).toEqual([]);
  });

  it('tell a sex-linked gene by which sons show it', () => {
    const found = inferParents({
      ...XY,
      locus: { ...albino, inheritance: 'sexLinked' },
      sireLook: 'A',
      damLook: 'A',
      counted: [
        { sex: 'male', label: 'a', count: 3 },
        { sex: 'female', label: 'A', count: 6 },
      ],
    });
    expect(found).toEqual([{ sire: 'A/-', dam: 'A/a', probability: 1 }]);
  });
});

describe('the test of a brood', () => {
  it('with two kinds gives the exact binomial answer, and never more than 1', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.nat(40), (n, k) => {
        const seen = Math.min(n, k);
        const { pValue, method } = broodTest({ expected: [0.5, 0.5], observed: [seen, n - seen] });
        let choose = 1;
        const chances = Array.from({ length: n + 1 }, (_, i) => {
          const chance = choose / 2 ** n;
          choose = (choose * (n - i)) / (i + 1);
          return chance;
        });
        const here = chances[seen] ?? 0;
        expect(method).toBe('exact');
        expect(pValue).toBeCloseTo(
          Math.min(
            1,
            chances.filter((chance) => chance <= here * (1 + 1e-9)).reduce((sum, chance) => sum + chance, 0),
          ),
          9,
        );
      }),
    );
  });
});
