import fc from 'fast-check';
import { growthCurve, resolveSpecies, SHIPPED_SPECIES } from '../species';
import { growBrood, lengthBand, readyShares, shareOver, daysAhead, type AgedSample } from './broodGrowth';
import { lengthAt, type GrowthCurve } from './growth';

const species = (key: string) => {
  const profile = SHIPPED_SPECIES.find((one) => one.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile);
};
const { figures } = species('lemon-tetra');
const usual = growthCurve(figures);
const on = (pace: number): GrowthCurve => ({
  curve: 'gompertz',
  l0Mm: usual.start,
  lInfMm: usual.limit,
  kPerDay: usual.ratePerDay * pace,
});
const sample = (ageDays: number, meanMm: number, count = 12, spread = 0.12): AgedSample => ({
  ageDays,
  meanMm,
  smallestTenthMm: meanMm * 0.85,
  spread,
  count,
});
const mid = (samples: readonly AgedSample[], age: number, mm = figures.saleMm[0]) =>
  readyShares(growBrood(figures, samples, age), mm)[1]?.days;

describe('how a brood grows', () => {
  it('is the species’ own curve while nobody measured, with a band that a sample narrows', () => {
    const [alone, told] = [growBrood(figures, [], 40), growBrood(figures, [sample(40, lengthAt(on(1), 40))], 40)];
    expect(lengthBand(alone, 40).mid).toBeCloseTo(lengthAt(on(1), 40), 0);
    const width = (growth: typeof alone) => lengthBand(growth, 60).high - lengthBand(growth, 60).low;
    expect(width(told)).toBeLessThan(0.6 * width(alone));
    expect(daysAhead(told, figures)).toBeCloseTo(0, 0);
  });

  it('follows what was measured: slower young are ready later, faster ones sooner, on either curve', () => {
    for (const curve of ['gompertz', 'vonBertalanffy'] as const) {
      const ready = (pace: number) =>
        readyShares(
          growBrood(
            figures,
            [20, 35, 50].map((age) => sample(age, lengthAt(on(pace), age))),
            50,
            curve,
          ),
          figures.saleMm[0],
        )[1]?.days.mid ?? Infinity;
      expect(ready(0.7)).toBeGreaterThan(ready(1) + 5);
      expect(ready(1.3)).toBeLessThan(ready(1) - 3);
    }
  });

  it('tells of every brood the fast before the slow, the band about the middle, and is ready at once for what is reached', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 1.6, noNaN: true }),
        fc.integer({ min: 15, max: 80 }),
        fc.integer({ min: 0, max: 3 }),
        (pace, age, count) => {
          const samples = Array.from({ length: count }, (_, i) =>
            sample((age * (i + 1)) / count, lengthAt(on(pace), (age * (i + 1)) / count)),
          );
          const growth = growBrood(figures, samples, age);
          const shares = readyShares(growth, figures.saleMm[0]);
          for (const { days } of shares) {
            const [low, middle, high] = [days.low ?? Infinity, days.mid ?? Infinity, days.high ?? Infinity];
            expect(low <= middle && middle <= high).toBe(true);
          }
          const mids = shares.map(({ days }) => days.mid ?? Infinity);
          expect(mids).toEqual([...mids].sort((a, b) => a - b));
          expect(readyShares(growth, figures.fryMm[0] / 4).map(({ days }) => days.high)).toEqual([0, 0, 0]);
          expect(readyShares(growth, 10 * figures.adultMm[1]).map(({ days }) => days.low)).toEqual([null, null, null]);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('lets the newest sample count most: who stopped growing is not carried on by good weeks long ago', () => {
    const good = [sample(20, lengthAt(on(1), 20)), sample(30, lengthAt(on(1), 30))];
    const stopped = [...good, sample(75, lengthAt(on(1), 45))];
    expect(mid(stopped, 75)?.mid ?? Infinity).toBeGreaterThan(
      (mid([...good, sample(75, lengthAt(on(1), 75))], 75)?.mid ?? 0) + 10,
    );
  });

  it('says which share is over a length: half of it at the mean, fewer the longer', () => {
    const growth = growBrood(figures, [sample(60, 16)], 60);
    const mean = lengthAt(growth.middle, 60);
    expect(shareOver(growth, mean)).toBeCloseTo(0.5, 6);
    expect(shareOver(growth, mean * (1 + growth.cv))).toBeCloseTo(0.1587, 3);
  });
});
