import fc from 'fast-check';
import { expectedGain, findNextTrait } from './nextTrait';
import { expectedMaleShare, findSexShift } from './sexShift';
import { groupOdds, groupSize } from '../groups/groupOdds';
import { learnTrait } from './learnTrait';
import { METHOD_TEMPLATES, METHODS, SHIPPED_SPECIES } from '../../species';
import { sexing } from './sexing';
import { sexTraitsOf, TRAIT_DRAWINGS } from './traits';

const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });
const trait = fc.record({ pIfMale: share, pIfFemale: share });

describe('sex from traits', () => {
  it('comes to the same whatever the order, and seeing what males show never speaks against a male', () => {
    fc.assert(
      fc.property(
        share,
        fc.array(fc.record({ pIfMale: share, pIfFemale: share, observed: fc.boolean() }), { maxLength: 8 }),
        trait,
        (priorMale, seen, more) => {
          const traits = seen.map((one, i) => ({ ...one, name: `t${i}` }));
          const { pMale } = sexing({ priorMale, traits });
          expect(sexing({ priorMale, traits: [...traits].reverse() }).pMale).toBeCloseTo(pMale, 9);
          const after = sexing({ priorMale, traits: [...traits, { ...more, name: 'more', observed: true }] }).pMale;
          if (more.pIfMale >= more.pIfFemale) expect(after).toBeGreaterThanOrEqual(pMale - 1e-12);
          else expect(after).toBeLessThanOrEqual(pMale + 1e-12);
        },
      ),
    );
  });

  it('expects of every look between nothing and all, and of a useless one nothing', () => {
    fc.assert(
      fc.property(share, trait, share, (pMale, one, same) => {
        const gain = expectedGain(pMale, one);
        expect(gain).toBeGreaterThanOrEqual(0);
        expect(gain).toBeLessThanOrEqual(1 + 1e-12);
        expect(expectedGain(pMale, { pIfMale: same, pIfFemale: same })).toBeCloseTo(0, 9);
      }),
    );
  });

  it('asks next for what tells most, and for nothing when nothing tells', () => {
    const weak = { name: 'weak', pIfMale: 0.6, pIfFemale: 0.4 };
    const strong = { name: 'strong', pIfMale: 0.95, pIfFemale: 0.05 };
    expect(findNextTrait(0.5, [weak, strong])?.trait).toBe(strong);
    expect(findNextTrait(0.5, [{ pIfMale: 0.5, pIfFemale: 0.5 }])).toBeNull();
    expect(findNextTrait(1, [strong])).toBeNull();
  });
});

describe('what a house learns of a trait', () => {
  it('starts at the shipped figure and moves towards its own animals, never beyond', () => {
    fc.assert(
      fc.property(trait, fc.nat(50), fc.nat(50), (start, looked, seen) => {
        const malesSeen = Math.min(seen, looked);
        const learned = learnTrait(start, { malesSeen, malesLooked: looked, femalesSeen: 0, femalesLooked: 0 });
        expect(learned.pIfFemale).toBeCloseTo(start.pIfFemale, 12);
        expect(learned.animals).toBe(looked);
        if (looked === 0) expect(learned.pIfMale).toBeCloseTo(start.pIfMale, 12);
        else {
          const own = malesSeen / looked;
          expect(learned.pIfMale).toBeGreaterThanOrEqual(Math.min(own, start.pIfMale) - 1e-12);
          expect(learned.pIfMale).toBeLessThanOrEqual(Math.max(own, start.pIfMale) + 1e-12);
        }
      }),
    );
    // Ten animals count as much as the starting point.
    expect(
      learnTrait({ pIfMale: 0.8, pIfFemale: 0.1 }, { malesSeen: 2, malesLooked: 10, femalesSeen: 0, femalesLooked: 0 }).pIfMale,
    ).toBeCloseTo(0.5, 12);
  });
});

describe('the shipped traits', () => {
  it('tell the sexes apart in every species and method, with a drawing each', () => {
    const kinds = [
      ...SHIPPED_SPECIES.map(({ key, method }) => [key, method] as const),
      ...METHODS.map((method) => ['a species of one’s own', method] as const),
    ];
    for (const [key, method] of kinds) {
      const traits = sexTraitsOf(key, method);
      expect([key, method, traits.length > 0]).toEqual([key, method, true]);
      for (const one of traits) {
        expect(TRAIT_DRAWINGS).toContain(one.drawing);
        expect(Math.abs(one.pIfMale - one.pIfFemale)).toBeGreaterThan(0.2);
        expect(one.fromMm).toBeLessThanOrEqual(METHOD_TEMPLATES[method].figures.adultMm[1] * 4);
      }
    }
  });
});

describe('a group bought unsexed', () => {
  it('of the size asked for is enough, and one fewer is not', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.nat(4),
        fc.nat(4),
        fc.double({ min: 0.5, max: 0.99, noNaN: true }),
        (maleShare, males, females, confidence) => {
          const { count } = groupSize({ maleShare, males, females, confidence });
          expect(groupOdds({ count, maleShare, males, females }).probability).toBeGreaterThanOrEqual(confidence - 1e-11);
          if (count > 0) expect(groupOdds({ count: count - 1, maleShare, males, females }).probability).toBeLessThan(confidence);
        },
      ),
    );
  });
});

describe('sex shifted by the water', () => {
  it('goes through its points, between its ends, and is known for few species only', () => {
    const kribensis = findSexShift('kribensis');
    if (!kribensis) throw new Error('kribensis');
    for (const [ph, males] of kribensis.points) expect(expectedMaleShare(kribensis, ph)).toBeCloseTo(males, 12);
    expect(expectedMaleShare(kribensis, 6.5)).toBeCloseTo(0.525, 12);
    expect(expectedMaleShare(kribensis, 3)).toBe(0.85);
    expect(expectedMaleShare(kribensis, 9)).toBe(0.15);
    expect(findSexShift('lemon-tetra')).toBeNull();
  });
});
