import fc from 'fast-check';
import { assign } from './assignment';
import { pairings } from './pairings';
import { planPairings, type PairingCandidate } from './planPairings';

const costsOf = (males: number, females: number, values: fc.Arbitrary<number>) =>
  fc.array(fc.array(values, { minLength: females, maxLength: females }), { minLength: males, maxLength: males });

/** Every choice of exactly `wanted` pairs, by trying all. */
function* everyChoice(
  males: number,
  females: number,
  capacity: number,
  wanted: number,
): Generator<{ male: number; female: number }[]> {
  const load = new Array<number>(males).fill(0);
  function* walk(female: number, chosen: { male: number; female: number }[]): Generator<{ male: number; female: number }[]> {
    if (chosen.length === wanted) yield [...chosen].sort((a, b) => a.male - b.male || a.female - b.female);
    if (female === females || chosen.length === wanted) return;
    yield* walk(female + 1, chosen);
    for (let male = 0; male < males; male++) {
      if ((load[male] ?? 0) >= capacity) continue;
      load[male] = (load[male] ?? 0) + 1;
      yield* walk(female + 1, [...chosen, { male, female }]);
      load[male] = (load[male] ?? 0) - 1;
    }
  }
  yield* walk(0, []);
}

const order = (edges: { male: number; female: number }[]) =>
  edges.map(({ male, female }) => String.fromCharCode(65 + male, 65 + female)).join('');

describe('the cheapest choice of pairs', () => {
  it('is as cheap as the best of all that could be, and of equals the first', () => {
    // Costs in quarters, so that equals are many and sums exact.
    const quarters = fc.integer({ min: 0, max: 3 }).map((n) => n / 4);
    const problems = fc
      .tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 3 }))
      .chain(([males, females, capacity]) =>
        fc.tuple(
          costsOf(males, females, quarters),
          fc.constant(capacity),
          fc.integer({ min: 1, max: Math.min(females, males * capacity) }),
        ),
      );
    fc.assert(
      fc.property(problems, ([costs, capacity, wanted]) => {
        const females = costs[0]?.length ?? 0;
        const cost = (edges: { male: number; female: number }[]) =>
          edges.reduce((sum, { male, female }) => sum + (costs[male]?.[female] ?? 0), 0);
        const all = [...everyChoice(costs.length, females, capacity, wanted)];
        const least = Math.min(...all.map(cost));
        const first = all.filter((edges) => cost(edges) === least).sort((a, b) => (order(a) < order(b) ? -1 : 1))[0];
        const got = assign(
          costs,
          costs.map(() => capacity),
          wanted,
        );
        expect(got?.total).toBe(least);
        expect(got?.edges).toEqual(first);
      }),
      { numRuns: 300 },
    );
  });

  it('takes no pair that may not be', () => {
    expect(assign([[null, 0.2]], [2], 2)).toBeNull();
    expect(assign([[null, 0.2]], [2], 1)).toEqual({ edges: [{ male: 0, female: 1 }], total: 0.2 });
  });
});

const animal = (id: string, more: Partial<PairingCandidate> = {}): PairingCandidate => ({
  id,
  certainty: 1,
  isReady: true,
  ...more,
});

describe('the plan', () => {
  const kinship = {
    ids: ['m1', 'm2', 'f1', 'f2'],
    matrix: [
      [0.5, 0, 0, 0.1],
      [0, 0.5, 0.05, 0.3],
      [0, 0.05, 0.5, 0],
      [0.1, 0.3, 0, 0.5],
    ],
  };
  const limits = { matingsPerMale: 1, wanted: 2, minCertainty: 0.9, onlyReady: true, apart: [], keep: [] };
  const everybody = { males: [animal('m1'), animal('m2')], females: [animal('f1'), animal('f2')], kinship };

  it('without limits is the optimum, with the next best set and the price of one mating each', () => {
    const plan = planPairings({ ...everybody, limits });
    expect(plan.best).toEqual(pairings({ males: ['m1', 'm2'], females: ['f1', 'f2'], kinship, matingsPerMale: 1, wanted: 2 }));
    expect(plan.alternatives[0]?.pairs.map(({ male, female }) => male + female)).toEqual(['m1f1', 'm2f2']);
    expect(plan.prices).toEqual([
      { limit: 'matingsPerMale', pair: null, meanWithout: 0.05, costs: expect.closeTo(0.025, 12) as number },
    ]);
  });

  it('leaves out who is not sure or not ready, and says what that costs', () => {
    const plan = planPairings({
      ...everybody,
      males: [animal('m1', { certainty: 0.7 }), animal('m2')],
      limits: { ...limits, wanted: 1 },
    });
    expect(plan.best?.pairs).toEqual([{ male: 'm2', female: 'f1', offspringInbreeding: 0.05 }]);
    expect(plan.leftOut).toEqual([{ id: 'm1', why: 'sex' }]);
    expect(plan.prices).toEqual([{ limit: 'minCertainty', pair: null, meanWithout: 0, costs: 0.05 }]);
  });

  it('keeps a pair and keeps two apart, each with its price', () => {
    const kept = planPairings({ ...everybody, limits: { ...limits, keep: [['m2', 'f2']] } });
    expect(kept.best?.pairs.map(({ male, female }) => male + female)).toEqual(['m1f1', 'm2f2']);
    expect(kept.prices.find(({ limit }) => limit === 'keep')).toMatchObject({
      pair: ['m2', 'f2'],
      costs: expect.closeTo(0.075, 12) as number,
    });
    const apart = planPairings({ ...everybody, limits: { ...limits, apart: [['m2', 'f1']] } });
    expect(apart.best?.pairs.some(({ male, female }) => male === 'm2' && female === 'f1')).toBe(false);
  });

  it('proposes none above the inbreeding the keeper allows, and as many as can be had instead', () => {
    const pairsOf = (set: { pairs: readonly { male: string; female: string }[] } | null) =>
      set?.pairs.map(({ male, female }) => male + female);
    // m2 is kin to both: above four in a hundred nobody is left for him.
    const plan = planPairings({ ...everybody, limits: { ...limits, maxInbreeding: 0.04 } });
    expect([plan.best, plan.mostPairs, pairsOf(plan.fewer)]).toEqual([null, 1, ['m1f1']]);
    expect(plan.prices.find(({ limit }) => limit === 'maxInbreeding')).toMatchObject({ costs: null });
    expect(pairsOf(planPairings({ ...everybody, limits: { ...limits, maxInbreeding: 0.1 } }).best)).toEqual(['m1f2', 'm2f1']);
    // What the keeper keeps together is the keeper's own.
    const kept = planPairings({ ...everybody, limits: { ...limits, wanted: 1, maxInbreeding: 0.04, keep: [['m2', 'f2']] } });
    expect(pairsOf(kept.best)).toEqual(['m2f2']);
  });

  it('that cannot be says how many pairs could, and which limit stands in the way', () => {
    const plan = planPairings({ ...everybody, females: [animal('f1'), animal('f2', { isReady: false })], limits });
    expect(plan).toMatchObject({ best: null, mostPairs: 1, alternatives: [] });
    expect(plan.prices).toEqual([{ limit: 'onlyReady', pair: null, meanWithout: 0.07500000000000001, costs: null }]);
  });
});
