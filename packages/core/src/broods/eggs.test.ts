import fc from 'fast-check';
import { completeRecipe } from '../spawning';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import {
  changesToTrace,
  fallBacks,
  keepingOf,
  larvalSalt,
  leafDose,
  mixtures,
  recentEggLosses,
  rollingBatch,
  wettingDays,
  type BroodMovement,
} from './index';

const species = (key: string) => {
  const profile = SHIPPED_SPECIES.find((candidate) => candidate.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile);
};
const exactly = (at: string) => ({ from: at, to: at });
const on = (day: number) => new Date(Date.parse('2026-03-01T08:00:00.000Z') + day * 86_400_000).toISOString();
const booked = (unsexed: number, cause: BroodMovement['cause'], day: number): BroodMovement => ({
  males: 0,
  females: 0,
  unsexed,
  cause,
  fromLotId: cause === 'birth' ? null : 'lot',
  toLotId: cause === 'birth' ? 'lot' : null,
  at: exactly(on(day)),
});

describe('ways out of trouble with a clutch', () => {
  const whiptail = species('red-lizard-whiptail');
  const left = keepingOf(
    completeRecipe({ eggPlan: 'leaveWithParents', fungus: 'flow', trigger: 'stable', dailyChangeFraction: 0 }),
  );
  const boxed = keepingOf(completeRecipe({ eggPlan: 'pullEggs', fungus: 'flow', trigger: 'stable', dailyChangeFraction: 0.3 }));
  const losses = (...movements: BroodMovement[]) => recentEggLosses([booked(100, 'birth', 0), ...movements], on(5));
  const offered = (...args: Parameters<typeof fallBacks>) => fallBacks(...args).map(({ label }) => label);

  it('are offered for a guard that kicks eggs out, for eaters, and for fungus that spreads', () => {
    expect(offered(left, whiptail, losses(booked(4, 'kickedOut', 4)))).toEqual([
      'Pull the rest to a tumbler',
      'Pull the rest to a box',
      'Let him learn',
    ]);
    expect(offered(left, whiptail, losses(booked(2, 'eaten', 4)))).toContain('Let them learn');
    expect(offered(boxed, whiptail, losses(booked(9, 'infertile', 4)))).toEqual(['Dye them', 'Move them to a tumbler']);
  });

  it('are not offered for few white eggs, for what is long ago, where none applies, or for carried eggs', () => {
    expect(offered(boxed, whiptail, losses(booked(7, 'infertile', 4)))).toEqual([]);
    expect(offered(left, whiptail, losses(booked(30, 'kickedOut', 1)))).toEqual([]);
    expect(offered(boxed, whiptail, losses(booked(5, 'kickedOut', 4)))).toEqual([]);
    expect(offered(left, species('green-babaulti'), losses(booked(5, 'eaten', 4)))).toEqual([]);
    expect(offered(left, species('lemon-tetra'), losses(booked(5, 'eaten', 4)))).not.toContain('Let them learn');
  });
});

describe('sums for eggs', () => {
  it('count the changes that leave a twentieth of a dye', () => {
    expect(changesToTrace(0.5)).toBe(5);
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.9, noNaN: true }), (share) => {
        const n = changesToTrace(share);
        expect((1 - share) ** n).toBeLessThanOrEqual(0.05 + 1e-12);
        expect((1 - share) ** (n - 1)).toBeGreaterThan(0.05);
      }),
    );
  });

  it('give at least one cone and one leaf', () => {
    expect(leafDose(2)).toEqual({ cones: 1, leaves: 1 });
    expect(leafDose(54)).toEqual({ cones: 5, leaves: 1 });
  });

  it('salt larvae up in equal steps, and back by changes that leave what they say', () => {
    const { up, down } = larvalSalt({ litres: 4, toGPerL: 26, hours: 24, steps: 4 });
    expect(up.map(({ atHours, gPerL, addG }) => [atHours, gPerL, addG])).toEqual([
      [0, 6.5, 26],
      [8, 13, 26],
      [16, 19.5, 26],
      [24, 26, 26],
    ]);
    // 26 → 19.5 changes a quarter, 19.5 → 13 a third, 13 → 6.5 a half, 6.5 → 2.6 three fifths.
    expect(down.map(({ changeLitres }) => Number(changeLitres.toFixed(3)))).toEqual([1, 1.333, 2, 2.4]);
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 200, noNaN: true }),
        fc.integer({ min: 15, max: 35 }),
        fc.integer({ min: 1, max: 8 }),
        (litres, toGPerL, steps) => {
          const table = larvalSalt({ litres, toGPerL, hours: 24, steps });
          expect(table.up.reduce((sum, { addG }) => sum + addG, 0)).toBeCloseTo(litres * toGPerL, 6);
          const end = table.down.reduce((salt, { changeLitres }) => salt * (1 - changeLitres / litres), toGPerL);
          expect(end).toBeCloseTo(toGPerL / 10, 6);
        },
      ),
    );
  });
});

describe('a rolling batch', () => {
  const forktail = species('forktail-blue-eye');
  const batch = (days: readonly number[], females: number, now: number) =>
    rollingBatch(
      days.map((day) => ({ at: exactly(on(day)), picked: 6 })),
      females,
      forktail,
      [{ at: on(0), tempC: 25 }],
      on(now),
      'Europe/Dublin',
    );

  it('hatches picking by picking, each as long after it as the first', () => {
    const { picks } = batch([0, 1, 2.5], 3, 3);
    const first = picks[0];
    for (const { at, hatch } of picks) {
      const gap = (Date.parse(at.from) - Date.parse(first?.at.from ?? '')) / 3_600_000;
      const later = (Date.parse(hatch?.from ?? '') - Date.parse(first?.hatch?.from ?? '')) / 3_600_000;
      expect(Math.abs(later - gap)).toBeLessThan(1);
    }
  });

  it('tells eggs a female and day, and is full after a week or at two hundred', () => {
    expect(batch([0, 1, 2, 3], 2, 3)).toMatchObject({ days: 4, eggs: 24, perFemaleAndDay: 3, isFull: false });
    expect(batch([0, 1], 0, 2).perFemaleAndDay).toBeNull();
    expect(batch([0, 8], 2, 8).isFull).toBe(true);
    expect(batch([0], 2, 9).isFull).toBe(true);
  });
});

describe('eggs in peat', () => {
  it('may be wetted from the shortest rest of the last egg to the longest of the first', () => {
    const notho = species('rachows-nothobranch');
    const laid = { from: '2026-03-01T08:00:00.000Z', to: '2026-03-08T08:00:00.000Z' };
    // 150 days after 8 March; 240 and 300 days after 1 March.
    expect(wettingDays({ laid }, notho, 'Europe/Dublin')).toEqual({
      from: '2026-08-05',
      to: '2026-10-27',
      goodUntil: '2026-12-26',
    });
  });
});

describe('a lot of two parentages', () => {
  const move = (fromLotId: string | null, toLotId: string | null, unsexed: number): BroodMovement => ({
    males: 0,
    females: 0,
    unsexed,
    cause: fromLotId === null ? 'birth' : toLotId === null ? 'unknown' : 'merge',
    fromLotId,
    toLotId,
    at: exactly(on(1)),
  });
  const shares = (lot: string, moves: readonly BroodMovement[]) =>
    Object.fromEntries(
      [...(mixtures(moves, (lotId) => lotId).get(lot) ?? [])].map(([source, heads]) => [source, Number(heads.toFixed(3))]),
    );

  it('loses of each by its share, and a split carries the shares on', () => {
    const moves = [move(null, 'a', 30), move('b', 'a', 10), move('a', null, 20), move('a', 'c', 4)];
    expect(shares('a', moves)).toEqual({ a: 12, b: 4 });
    expect(shares('c', moves)).toEqual({ a: 3, b: 1 });
  });

  it('holds as many as were booked, whatever came and went', () => {
    const steps = fc.array(
      fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.constantFrom('a', 'b', 'c', null), fc.double({ min: 0, max: 1, noNaN: true })),
    );
    fc.assert(
      fc.property(steps, (list) => {
        const heads: Record<string, number> = { a: 100, b: 60, c: 40 };
        const moves = [move(null, 'a', 100), move(null, 'b', 60), move(null, 'c', 40)];
        for (const [from, to, share] of list) {
          const gone = Math.floor((heads[from] ?? 0) * share);
          if (gone === 0 || from === to) continue;
          heads[from] = (heads[from] ?? 0) - gone;
          if (to) heads[to] = (heads[to] ?? 0) + gone;
          moves.push(move(from, to, gone));
        }
        const made = mixtures(moves, (lotId) => lotId);
        for (const lot of ['a', 'b', 'c'])
          expect([...(made.get(lot)?.values() ?? [])].reduce((sum, one) => sum + one, 0)).toBeCloseTo(heads[lot] ?? 0, 6);
      }),
    );
  });
});
