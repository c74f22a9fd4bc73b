import fc from 'fast-check';
import { summariseLengths } from '../index';

/** A seeded normal sample, so that a failure can be seen again. */
function sample(meanMm: number, count: number, spread: number, seed: number): number[] {
  let state = seed;
  const uniform = () => (state = (state * 16807) % 2147483647) / 2147483647;
  return Array.from({ length: count }, () => {
    const z = Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    return meanMm * (1 + spread * Math.max(-2.5, Math.min(2.5, z)));
  });
}

describe('summariseLengths', () => {
  it('gives mean, smallest tenth and spread by hand', () => {
    const lengths = [10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20];
    expect(summariseLengths(lengths)).toMatchObject({ count: 11, meanMm: 15, smallestTenthMm: 11 });
    expect(summariseLengths(lengths).spread).toBeCloseTo(Math.sqrt(11) / 15, 12);
    expect(summariseLengths([8])).toMatchObject({ meanMm: 8, smallestTenthMm: 8, spread: 0, cohorts: [{ count: 1 }] });
  });

  it('tells the cohorts of a colony by size and takes one brood for one', () => {
    const rates = { one: 0, two: 0, three: 0 };
    for (let seed = 1; seed <= 100; seed++) {
      const parts = (...of: number[][]) => summariseLengths(of.flat()).cohorts.length;
      if (parts(sample(14, 24, 0.12, seed * 77)) === 1) rates.one++;
      if (parts(sample(5, 12, 0.1, seed * 31), sample(12, 12, 0.1, seed * 53)) === 2) rates.two++;
      if (parts(sample(4, 10, 0.08, seed * 3), sample(9, 10, 0.08, seed * 5), sample(20, 10, 0.08, seed * 7)) === 3)
        rates.three++;
    }
    expect(rates.one).toBeGreaterThanOrEqual(97);
    expect(rates.two).toBeGreaterThanOrEqual(95);
    expect(rates.three).toBeGreaterThanOrEqual(95);
  });

  it('keeps every animal in one cohort, in order, whatever came in', () => {
    const lengths = fc.array(fc.double({ min: 0.5, max: 400, noNaN: true }), { minLength: 1, maxLength: 60 });
    fc.assert(
      fc.property(lengths, (given) => {
        const found = summariseLengths(given);
        expect(found.cohorts.reduce((sum, { count }) => sum + count, 0)).toBe(given.length);
        for (const [i, cohort] of found.cohorts.entries()) {
          expect(cohort.fromMm).toBeLessThanOrEqual(cohort.toMm);
          const before = found.cohorts[i - 1];
          if (before) expect(before.toMm).toBeLessThanOrEqual(cohort.fromMm);
        }
        expect(summariseLengths([...given].reverse())).toEqual(found);
      }),
    );
  });
});
