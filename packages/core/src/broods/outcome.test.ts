import fc from 'fast-check';
import { learnSexShift, findSexShift, type Cause } from '../stock';
import {
  clutchesByFemale,
  clutchRate,
  compareWays,
  daysToSaleBy,
  foldOutcome,
  poolSurvival,
  sizeByAge,
  worstSpan,
  type BroodMovement,
  type BroodOutcome,
} from './index';

const DAY_MS = 86_400_000;
const LAID = '2026-03-01T08:00:00.000Z';
const on = (day: number) => {
  const at = new Date(Date.parse(LAID) + day * DAY_MS).toISOString();
  return { from: at, to: at };
};
const goes = (count: number, cause: Cause, day: number): BroodMovement => ({
  males: 0,
  females: 0,
  unsexed: count,
  fromLotId: 'lot',
  toLotId: null,
  cause,
  at: on(day),
});
const birth = (count: number): BroodMovement => ({ ...goes(count, 'birth', 0), fromLotId: null, toLotId: 'lot' });
const brood = {
  id: 'brood',
  name: 'Brood',
  laid: on(0),
  hatched: on(5),
  freeSwimming: on(9),
  isBorn: false,
  saleDays: 60,
};
const fold = (movements: readonly BroodMovement[], nowDay = 200) =>
  foldOutcome(brood, movements, new Set(['lot']), on(nowDay).from);

/** A brood that was folded, with what stood around it. */
const outcome = (more: Partial<BroodOutcome>): BroodOutcome => ({
  ...fold([birth(100)]),
  eggPlan: null,
  fungus: null,
  container: null,
  tankCode: null,
  mothers: [],
  tempC: null,
  ph: null,
  ...more,
});
const kept = (swimming: number, eggPlan: BroodOutcome['eggPlan']) =>
  outcome({ eggPlan, counts: { laid: 100, fertile: 90, hatched: 85, swimming, day30: null, sale: null } });

describe('daysToSale', () => {
  const quick = outcome({
    ...fold([birth(100), goes(10, 'sale', 69), goes(30, 'gift', 79), goes(20, 'sale', 109)]),
    broodId: 'quick',
  });
  it('is when half of those sold had gone, counted from swimming, and nothing while none were', () => {
    expect(quick.daysToSale).toBe(70);
    expect(fold([birth(100), goes(10, 'unknown', 69)]).daysToSale).toBeNull();
    expect(
      foldOutcome({ ...brood, freeSwimming: null }, [birth(9), goes(9, 'sale', 40)], new Set(['lot']), on(60).from).daysToSale,
    ).toBeNull();
  });
  it('is compared by way over broods, the quickest first', () => {
    const others = [80, 120, 90].map((days) => outcome({ daysToSale: days, broodId: `slow ${days}` }));
    const ways = daysToSaleBy([quick, ...others, outcome({ daysToSale: null })], ({ broodId }) =>
      broodId === 'quick' ? 'bySize' : 'together',
    );
    expect(ways).toEqual([
      { way: 'bySize', days: 70, low: 70, high: 70, broods: 1 },
      { way: 'together', days: 90, low: 80, high: 120, broods: 3 },
    ]);
  });
});

describe('foldOutcome', () => {
  it('counts by stage, with those sold alive as kept and white ones lost as eggs', () => {
    const found = fold([
      birth(100),
      goes(12, 'infertile', 6),
      goes(8, 'fungus', 3),
      goes(5, 'eaten', 7),
      goes(30, 'sale', 20),
      goes(3, 'jumped', 50),
    ]);
    expect(found.counts).toEqual({ laid: 100, fertile: 88, hatched: 92, swimming: 75, day30: 75, sale: 72 });
    expect(found.alive).toBe(42);
    expect(found.losses).toEqual([
      { cause: 'infertile', span: 'eggs', count: 12 },
      { cause: 'fungus', span: 'eggs', count: 8 },
      { cause: 'eaten', span: 'yolk', count: 5 },
      { cause: 'jumped', span: 'later', count: 3 },
    ]);
  });

  it('says nothing of what is not reached yet', () => {
    expect(fold([birth(100)], 20).counts).toMatchObject({ swimming: 100, day30: null, sale: null });
    expect(
      foldOutcome({ ...brood, hatched: null, freeSwimming: null }, [birth(40)], new Set(['lot']), on(3).from).counts,
    ).toEqual({
      laid: 40,
      fertile: null,
      hatched: null,
      swimming: null,
      day30: null,
      sale: null,
    });
  });

  it('never counts more at a later point, and its events stay within the stock', () => {
    const some = fc.array(
      fc.record({
        count: fc.integer({ min: 1, max: 20 }),
        day: fc.integer({ min: 0, max: 120 }),
        cause: fc.constantFrom<Cause>('death', 'sale', 'fungus', 'eaten', 'gift', 'unknown'),
      }),
      { maxLength: 10 },
    );
    fc.assert(
      fc.property(some, (steps) => {
        const found = fold([birth(250), ...steps.map(({ count, cause, day }) => goes(count, cause, day))]);
        const { laid, hatched, swimming, day30, sale } = found.counts;
        const line = [laid, hatched, swimming, day30, sale].map((count) => count ?? -1);
        expect([...line].sort((a, b) => b - a)).toEqual(line);
        const curve = poolSurvival([outcome({ ...found })]);
        expect(curve.every(({ survival }) => survival >= 0 && survival <= 1)).toBe(true);
        const gone = found.events.reduce((sum, { deaths, removedAlive }) => sum + deaths + removedAlive, 0);
        expect(found.alive + gone).toBe(250);
      }),
    );
  });
});

describe('clutchRate', () => {
  it('is wider the more the clutches differ, and lets one clutch say little', () => {
    const even = clutchRate(Array.from({ length: 6 }, () => ({ successes: 70, trials: 100 })));
    const uneven = clutchRate([30, 95, 50, 99, 60, 86].map((successes) => ({ successes, trials: 100 })));
    const lone = clutchRate([{ successes: 70, trials: 100 }]);
    const width = (rate: typeof even) => (rate ? rate.high95 - rate.low95 : 0);
    expect([even?.mean, uneven?.mean, lone?.mean]).toEqual([0.7, 0.7, 0.7]);
    expect(width(uneven)).toBeGreaterThan(3 * width(even));
    expect(width(lone)).toBeGreaterThan(0.4);
    expect(clutchRate([])).toBeNull();
  });

  it('holds the truth in about 95 of 100 houses whose clutches differ', () => {
    let state = 12345;
    const uniform = () => (state = (state * 48271) % 2147483647) / 2147483647;
    let held = 0;
    for (let house = 0; house < 400; house++) {
      const clutches = Array.from({ length: 8 }, () => {
        // A clutch's own share around 0.6, as scattered as two dozen eggs would be.
        const share = Array.from({ length: 24 }, () => (uniform() < 0.6 ? 1 : 0)).reduce<number>((sum, one) => sum + one, 0) / 24;
        const successes = Array.from({ length: 80 }, () => (uniform() < share ? 1 : 0)).reduce<number>(
          (sum, one) => sum + one,
          0,
        );
        return { successes, trials: 80 };
      });
      const rate = clutchRate(clutches);
      if (rate && rate.low95 <= 0.6 && rate.high95 >= 0.6) held++;
    }
    expect(held / 400).toBeGreaterThan(0.88);
    expect(held / 400).toBeLessThan(0.99);
  });
});

describe('which way keeps more', () => {
  it('finds a way that does, and stays unsure of two that are alike', () => {
    const ways = compareWays(
      [
        ...[80, 85, 78, 82].map((count) => kept(count, 'pullEggs')),
        ...[40, 52, 45, 38].map((count) => kept(count, 'leaveWithParents')),
      ],
      ({ eggPlan }) => eggPlan,
      'laid',
      'swimming',
    );
    expect(ways.map(({ way }) => way)).toEqual(['pullEggs', 'leaveWithParents']);
    expect(ways[0]?.likelyBetter).toBeGreaterThan(0.99);
    const alike = compareWays(
      [...[60, 72, 66].map((count) => kept(count, 'pullEggs')), ...[64, 70, 65].map((count) => kept(count, 'tumbler'))],
      ({ eggPlan }) => eggPlan,
      'laid',
      'swimming',
    );
    expect(alike.every(({ likelyBetter }) => likelyBetter !== null && likelyBetter > 0.1 && likelyBetter < 0.9)).toBe(true);
    expect(compareWays([kept(80, 'pullEggs')], ({ eggPlan }) => eggPlan, 'laid', 'swimming')).toMatchObject([
      { likelyBetter: null },
    ]);
  });

  it('counts the living of a young brood as watched until today, not as safe for ever', () => {
    // Of an old brood half are lost on day 60; a young one of as many, ten days old, cannot have lost any on that day yet.
    const old = outcome({ ...fold([birth(100), goes(50, 'death', 60)], 90) });
    const young = outcome({ ...fold([birth(100)], 10), broodId: 'young' });
    expect(poolSurvival([old, young])).toMatchObject([{ day: 60, atRisk: 100, deaths: 50, survival: 0.5 }]);
    // What it lost until then counts.
    const losing = outcome({ ...fold([birth(100), goes(20, 'death', 4)], 10), broodId: 'losing' });
    expect(poolSurvival([old, losing]).map(({ day, atRisk }) => [day, atRisk])).toEqual([
      [4, 200],
      [60, 100],
    ]);
  });

  it('names the span in which most is lost', () => {
    const lost = (span: 'eggs' | 'yolk', count: number) => outcome({ losses: [{ cause: 'death', span, count }] });
    expect(worstSpan([lost('eggs', 10), lost('yolk', 30)])).toEqual({ span: 'yolk', share: 0.75 });
    expect(worstSpan([outcome({ losses: [] })])).toBeNull();
  });
});

describe('broods by female', () => {
  const of = (day: number, lotId: string, females = 1, others: BroodOutcome['mothers'] = []) =>
    outcome({
      broodId: `${lotId}${day}`,
      laid: on(day),
      mothers: [{ lotId, label: lotId, bornOn: '2025-09-01', females }, ...others],
    });

  it('counts only what can be of no other, a year from first to last', () => {
    const found = clutchesByFemale([
      of(0, 'A'),
      of(100, 'A'),
      of(200, 'A'),
      of(10, 'B'),
      of(20, 'group', 4),
      of(30, 'A', 1, of(0, 'B').mothers),
    ]);
    expect(found).toMatchObject([
      { lotId: 'A', clutches: 3, perYear: expect.closeTo(3.6525, 9) as number },
      { lotId: 'B', clutches: 1, perYear: null },
    ]);
  });

  it('gives sizes by the age of the mother, a share each of several', () => {
    expect(sizeByAge([of(0, 'A'), of(20, 'group', 4)]).map(({ ageDays, size }) => [ageDays, size])).toEqual([
      [181, 100],
      [201, 25],
    ]);
  });
});

describe('learnSexShift', () => {
  it('bends the published curve where own broods lie, and leaves it elsewhere', () => {
    const published = findSexShift('kribensis');
    const found = learnSexShift(published, 'ph', [{ value: 6.9, males: 20, females: 0 }]);
    expect(found?.points.map(([x]) => x)).toEqual([5, 6, 7, 8]);
    expect(found?.points.map(([, share]) => share)).toEqual([0.85, 0.65, expect.closeTo((0.4 * 20 + 20) / 40, 12), 0.15]);
    expect(found).toMatchObject({ broods: 1, animals: 20 });
  });

  it('draws a curve of its own from four broods that differ, and none from fewer', () => {
    const broods = [24, 25, 28, 30].map((value, i) => ({ value, males: 4 + i * 4, females: 16 - i * 4 }));
    expect(learnSexShift(null, 'tempC', broods.slice(0, 3))).toBeNull();
    expect(
      learnSexShift(
        null,
        'tempC',
        broods.map((one) => ({ ...one, value: 25 })),
      ),
    ).toBeNull();
    const shares = learnSexShift(null, 'tempC', broods)?.points.map(([, share]) => share) ?? [];
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });
});
