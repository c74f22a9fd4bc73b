import fc from 'fast-check';
import { compare, factors, rate, screen, type Tried } from './index';
import type { Tally } from './rate';

const tally = (most: number) =>
  fc
    .integer({ min: 0, max: most })
    .chain((trials) => fc.record({ successes: fc.integer({ min: 0, max: trials }), trials: fc.constant(trials) }));
const flipped = ({ successes, trials }: Tally): Tally => ({ successes: trials - successes, trials });

describe('a rate', () => {
  it('lies within its band, which lies within 0 and 1', () => {
    fc.assert(
      fc.property(tally(400), (some) => {
        const { mean, low95, high95 } = rate(some);
        expect(low95).toBeGreaterThanOrEqual(0);
        expect(high95).toBeLessThanOrEqual(1);
        expect(low95).toBeLessThan(mean);
        expect(mean).toBeLessThan(high95);
      }),
    );
  });

  it('of failures is what is left of that of successes', () => {
    fc.assert(
      fc.property(tally(200), (some) => {
        const [one, other] = [rate(some), rate(flipped(some))];
        expect(one.mean).toBeCloseTo(1 - other.mean, 10);
        expect(one.low95).toBeCloseTo(1 - other.high95, 7);
      }),
    );
  });

  it('is surer the more was counted, and moves up with each success', () => {
    fc.assert(
      fc.property(tally(60), (some) => {
        const wide = (one: Tally) => rate(one).high95 - rate(one).low95;
        if (some.trials > 3) expect(wide({ successes: some.successes * 9, trials: some.trials * 9 })).toBeLessThan(wide(some));
        const more = rate({ successes: some.successes + 1, trials: some.trials + 1 });
        expect(more.low95).toBeGreaterThan(rate(some).low95);
        expect(more.mean).toBeGreaterThan(rate(some).mean);
      }),
    );
  });

  it('holds the truth as often as it says: some 95 of 100 draws', () => {
    for (const truth of [0.15, 0.5, 0.8]) {
      let held = 0;
      // Each possible draw of forty, by how likely it is.
      let likely = (1 - truth) ** 40;
      for (let successes = 0; successes <= 40; successes++) {
        const { low95, high95 } = rate({ successes, trials: 40 });
        if (low95 <= truth && truth <= high95) held += likely;
        likely *= ((40 - successes) / (successes + 1)) * (truth / (1 - truth));
      }
      expect(held).toBeGreaterThan(0.92);
      expect(held).toBeLessThan(0.985);
    }
  });

  it('refuses more successes than trials', () => {
    expect(() => rate({ successes: 3, trials: 2 })).toThrow('more successes than trials');
  });
});

describe('two shares compared', () => {
  it('keeps its digits where one share is far narrower than the other', () => {
    // By hand: 1 - E[F(y)] with F(y) of Beta(0.5, 3.5) near 0 as y^0.5 (1 - 5y/6) / (0.5 B(0.5, 3.5)) and y of Beta(1.5, 199999.5).
    const { probability } = compare({ a: { successes: 0, trials: 3 }, b: { successes: 1, trials: 200_000 } });
    expect(probability).toBeCloseTo(0.99486, 6);
    expect(compare({ a: { successes: 1, trials: 200_000 }, b: { successes: 0, trials: 3 } }).probability).toBeCloseTo(
      1 - probability,
      6,
    );
  });

  it('are either one the greater: both chances make one, and alike they are even', () => {
    fc.assert(
      fc.property(tally(80), tally(80), (a, b) => {
        expect(compare({ a, b }).probability + compare({ a: b, b: a }).probability).toBeCloseTo(1, 6);
        expect(compare({ a, b: a }).probability).toBeCloseTo(0.5, 6);
        expect(compare({ a: flipped(a), b: flipped(b) }).probability).toBeCloseTo(1 - compare({ a, b }).probability, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('lean further to one side with each of its successes', () => {
    const b = { successes: 12, trials: 30 };
    const chances = Array.from({ length: 31 }, (_, successes) => compare({ a: { successes, trials: 30 }, b }).probability);
    expect([...chances].sort((one, other) => one - other)).toEqual(chances);
    expect(chances[0]).toBeLessThan(0.001);
    expect(chances[30]).toBeGreaterThan(0.999);
  });
});

describe('many factors at once', () => {
  const arm = tally(25);
  const some = fc.array(fc.record({ with: arm, without: arm }), { minLength: 1, maxLength: 8 });
  const named = (arms: { with: Tally; without: Tally }[]) => arms.map((one, i) => ({ name: `factor ${i}`, ...one }));

  it('are judged alike in any order, and no q lies below its p', () => {
    fc.assert(
      fc.property(some, (arms) => {
        const told = screen({ factors: named(arms) }).factors;
        const back = screen({ factors: named(arms).reverse() }).factors.reverse();
        expect(back).toEqual(told);
        for (const { p, q, claim } of told) {
          if (p === null) expect([q, claim]).toEqual([null, false]);
          else expect(q).toBeGreaterThanOrEqual(p * (1 - 1e-12));
        }
      }),
    );
  });

  it('of equal split are no surprise, of opposite outcome are one; a stricter level claims no more', () => {
    const alike = { with: { successes: 6, trials: 12 }, without: { successes: 6, trials: 12 } };
    const opposite = { with: { successes: 12, trials: 12 }, without: { successes: 0, trials: 12 } };
    const [same, unlike] = screen({ factors: named([alike, opposite]) }).factors;
    expect(same).toMatchObject({ p: 1, claim: false });
    expect(unlike!.p).toBeLessThan(1e-5);
    expect(unlike!.claim).toBe(true);
    fc.assert(
      fc.property(some, (arms) => {
        const claims = (level: number) => screen({ factors: named(arms), level }).factors.filter(({ claim }) => claim).length;
        expect(claims(0.01)).toBeLessThanOrEqual(claims(0.2));
      }),
    );
  });
});

describe('factors beside one another', () => {
  const attempt = fc.record({
    success: fc.boolean(),
    factors: fc.record({
      peat: fc.option(fc.boolean()),
      rain: fc.boolean(),
      warmth: fc.option(fc.double({ min: 20, max: 30, noNaN: true })),
    }),
  });
  const attempts = fc.array(attempt, { minLength: 6, maxLength: 40 });
  const effects = (some: readonly Tried[]) =>
    Object.fromEntries(factors({ attempts: some }).factors.map((one) => [one.name, one]));

  it('weigh the same in any order of attempts, and the other way about when success is failure', () => {
    fc.assert(
      fc.property(attempts, (some) => {
        const [told, back] = [effects(some), effects([...some].reverse())];
        const turned = effects(some.map((one) => ({ ...one, success: !one.success })));
        for (const [name, { logOdds }] of Object.entries(told)) {
          if (logOdds === null) {
            expect(turned[name]!.logOdds).toBeNull();
            continue;
          }
          expect(back[name]!.logOdds).toBeCloseTo(logOdds, 6);
          expect(turned[name]!.logOdds).toBeCloseTo(-logOdds, 6);
          expect(turned[name]!.probPositive).toBeCloseTo(1 - told[name]!.probPositive!, 6);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('say the same of a temperature in either unit', () => {
    fc.assert(
      fc.property(attempts, (some) => {
        const inFahrenheit = some.map((one) => ({
          ...one,
          factors: { ...one.factors, warmth: one.factors.warmth === null ? null : one.factors.warmth * 1.8 + 32 },
        }));
        const [celsius, fahrenheit] = [effects(some).warmth!.logOdds, effects(inFahrenheit).warmth!.logOdds];
        if (celsius === null) expect(fahrenheit).toBeNull();
        else expect(fahrenheit).toBeCloseTo(celsius, 5);
      }),
      { numRuns: 40 },
    );
  });

  it('tell what stood beside every success, and nothing of what never changed', () => {
    const some = Array.from({ length: 24 }, (_, i) => ({ success: i % 2 === 0, factors: { rain: i % 2 === 0, lid: true } }));
    const { rain, lid } = effects(some);
    expect(rain!.probPositive).toBeGreaterThan(0.99);
    expect(lid).toMatchObject({ logOdds: null, sd: null, probPositive: null });
    expect(() => factors({ attempts: some.slice(0, 1) })).toThrow('two attempts');
    expect(() =>
      factors({
        attempts: [
          { success: true, factors: { rain: 1 } },
          { success: false, factors: { rain: true } },
        ],
      }),
    ).toThrow('a flag in one attempt');
  });
});
