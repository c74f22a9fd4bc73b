import fc from 'fast-check';
import { assign } from './assign';

/** Every way there is, tried one after the other. */
function byHand(input: Parameters<typeof assign>[0]): { unplaced: number; cost: number } {
  const { lots, tanks, cost, apart } = input;
  let best = { unplaced: Infinity, cost: Infinity };
  const walk = (i: number, chosen: (number | null)[], unplaced: number, sum: number): void => {
    if (i === lots.length) {
      const sound = tanks.every(
        ({ litres }, t) => lots.reduce((all, lot, k) => all + (chosen[k] === t ? lot.litres : 0), 0) <= litres + 1e-9,
      );
      const parted = (apart ?? []).every(([a, b]) => {
        const [one, other] = [lots.findIndex(({ id }) => id === a), lots.findIndex(({ id }) => id === b)];
        return chosen[one] == null || chosen[one] !== chosen[other];
      });
      if (sound && parted && (unplaced < best.unplaced || (unplaced === best.unplaced && sum < best.cost - 1e-9)))
        best = { unplaced, cost: sum };
      return;
    }
    walk(i + 1, [...chosen, null], unplaced + 1, sum);
    tanks.forEach((_, t) => {
      const value = cost[i]?.[t] ?? null;
      if (value !== null) walk(i + 1, [...chosen, t], unplaced, sum + value);
    });
  };
  walk(0, [], 0, 0);
  return best;
}

const house = fc
  .record({ lots: fc.integer({ min: 0, max: 5 }), tanks: fc.integer({ min: 0, max: 3 }) })
  .chain(({ lots, tanks }) =>
    fc.record({
      lots: fc
        .array(fc.integer({ min: 1, max: 40 }), { minLength: lots, maxLength: lots })
        .map((all) => all.map((litres, i) => ({ id: `l${i}`, litres }))),
      tanks: fc
        .array(fc.integer({ min: 10, max: 60 }), { minLength: tanks, maxLength: tanks })
        .map((all) => all.map((litres, i) => ({ id: `t${i}`, litres }))),
      cost: fc.array(
        fc.array(fc.option(fc.integer({ min: 0, max: 20 }), { nil: null, freq: 4 }), { minLength: tanks, maxLength: tanks }),
        { minLength: lots, maxLength: lots },
      ),
      apart: fc.constant<[string, string][]>(lots > 1 ? [['l0', 'l1']] : []),
    }),
  );

describe('which lot goes where', () => {
  it('is as good as the best of all ways tried by hand', () => {
    fc.assert(
      fc.property(house, (input) => {
        const { unplaced, cost } = assign(input);
        const best = byHand(input);
        expect([unplaced, cost]).toEqual([best.unplaced, expect.closeTo(best.cost, 6)]);
      }),
      { numRuns: 150 },
    );
  });

  it('keeps to the litres, for a room of 24 lots and 40 tanks within a second', () => {
    const lots = Array.from({ length: 24 }, (_, i) => ({ id: `l${i}`, litres: 10 + ((i * 7) % 30) }));
    const tanks = Array.from({ length: 40 }, (_, t) => ({ id: `t${t}`, litres: 15 + ((t * 11) % 40) }));
    const cost = lots.map((_, i) => tanks.map((_tank, t) => ((i * 13 + t * 29) % 17) + 1));
    const started = performance.now();
    const { assignment, unplaced } = assign({ lots, tanks, cost });
    expect(performance.now() - started).toBeLessThan(5000);
    expect(unplaced).toBe(0);
    for (const { id, litres } of tanks) {
      const used = assignment.reduce(
        (sum, { lot, tank }) => sum + (tank === id ? (lots.find((one) => one.id === lot)?.litres ?? 0) : 0),
        0,
      );
      expect(used).toBeLessThanOrEqual(litres + 1e-9);
    }
  });
});
