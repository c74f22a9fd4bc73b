import fc from 'fast-check';
import { betaQuantile, binomialBetween, logGamma, normalQuantile, regularisedGamma } from './index';
import { regularisedBeta } from './beta';

const share = fc.double({ min: 0.01, max: 0.99, noNaN: true });

describe('the gamma function', () => {
  it('is a factorial at whole numbers, and grows by its own argument everywhere', () => {
    let factorial = 1;
    for (let n = 1; n <= 20; n++) {
      expect(logGamma(n)).toBeCloseTo(Math.log(factorial), 10);
      factorial *= n;
    }
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 500, noNaN: true }), (x) => {
        expect(logGamma(x + 1) - logGamma(x)).toBeCloseTo(Math.log(x), 8);
      }),
    );
  });
});

describe('binomial sums', () => {
  it('agree with counting, add up to one, and tails are what is left', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 30 }), share, fc.nat(30), (n, p, k) => {
        let choose = 1;
        let counted = 0;
        for (let i = 0; i <= Math.min(k, n); i++) {
          counted += choose * p ** i * (1 - p) ** (n - i);
          choose = (choose * (n - i)) / (i + 1);
        }
        expect(binomialBetween(0, k, n, p)).toBeCloseTo(counted, 10);
        expect(binomialBetween(0, n, n, p)).toBeCloseTo(1, 10);
        expect(binomialBetween(0, k, n, p) + binomialBetween(k + 1, n, n, p)).toBeCloseTo(1, 10);
      }),
    );
  });

  it('come to the same by the incomplete beta, which takes over for large groups', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2900, max: 3100 }),
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (n, p, z) => {
          const k = Math.round(n * p + z * Math.sqrt(n * p * (1 - p)));
          expect(binomialBetween(0, k, n, p)).toBeCloseTo(regularisedBeta(1 - p, n - k, k + 1), 8);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('hold at the ends: a share of nothing and of all', () => {
    expect([
      binomialBetween(0, 0, 9, 0),
      binomialBetween(1, 9, 9, 0),
      binomialBetween(9, 9, 9, 1),
      binomialBetween(0, 8, 9, 1),
    ]).toEqual([1, 0, 1, 0]);
    expect(binomialBetween(5, 4, 9, 0.5)).toBe(0);
  });
});

describe('quantiles', () => {
  const shape = fc.double({ min: 0.5, max: 60, noNaN: true });
  it('of the beta lie where the chance says, and mirror each other', () => {
    fc.assert(
      fc.property(share, shape, shape, (p, a, b) => {
        const x = betaQuantile(p, a, b);
        expect(regularisedBeta(x, a, b)).toBeCloseTo(p, 8);
        expect(betaQuantile(1 - p, b, a)).toBeCloseTo(1 - x, 8);
      }),
    );
  });

  it('of the normal are the ones every table has', () => {
    for (const [p, z] of [
      [0.5, 0],
      [0.8413447460685429, 1],
      [0.975, 1.959963984540054],
      [0.999, 3.090232306167813],
    ] as const) {
      expect(normalQuantile(p)).toBeCloseTo(z, 8);
      expect(normalQuantile(1 - p)).toBeCloseTo(-z, 8);
    }
  });
});

describe('the incomplete gamma', () => {
  it('is an exponential for one, and follows its own recurrence', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 40, noNaN: true }), fc.double({ min: 0.01, max: 80, noNaN: true }), (a, x) => {
        expect(regularisedGamma(1, x)).toBeCloseTo(1 - Math.exp(-x), 10);
        expect(regularisedGamma(a, x) - regularisedGamma(a + 1, x)).toBeCloseTo(
          Math.exp(a * Math.log(x) - x - logGamma(a + 1)),
          8,
        );
      }),
    );
  });
});
