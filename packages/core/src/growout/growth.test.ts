import fc from 'fast-check';
import { ageAt, crowdedOn, fit, lengthAt, readyOn, type GrowthCurve } from './growth';

const curve: fc.Arbitrary<GrowthCurve> = fc.record({
  curve: fc.constantFrom('gompertz' as const, 'vonBertalanffy' as const),
  lInfMm: fc.double({ min: 20, max: 90, noNaN: true }),
  kPerDay: fc.double({ min: 0.01, max: 0.06, noNaN: true }),
  l0Mm: fc.double({ min: 2, max: 6, noNaN: true }),
});

describe('a growth curve', () => {
  it('is found again from lengths on it, and age and length are each other’s way back', () => {
    fc.assert(
      fc.property(curve, (grown) => {
        const ages = [0, 10, 25, 45, 70, 100, 150];
        const found = fit({
          curve: grown.curve,
          points: ages.map((ageDays) => ({ ageDays, lengthMm: lengthAt(grown, ageDays) })),
          agesDays: [33, 120],
        });
        expect(found.lengthsMm[0]).toBeCloseTo(lengthAt(grown, 33), 2);
        expect(found.lengthsMm[1]).toBeCloseTo(lengthAt(grown, 120), 2);
        expect(ageAt(grown, lengthAt(grown, 40))).toBeCloseTo(40, 6);
        expect([ageAt(grown, grown.l0Mm / 2), ageAt(grown, grown.lInfMm)]).toEqual([0, null]);
      }),
      { numRuns: 40 },
    );
  });

  it('readies the fast before the slow, and never whom the curve does not reach', () => {
    fc.assert(
      fc.property(curve, fc.double({ min: 0.05, max: 0.2, noNaN: true }), (grown, cv) => {
        const saleMm = grown.lInfMm * 0.6;
        const { days } = readyOn({ ...grown, lengthMm: grown.l0Mm + 1, cv, saleMm, shares: [0.1, 0.5, 0.9] });
        const known = days.filter((day) => day !== null);
        expect(known).toEqual([...known].sort((a, b) => a - b));
        expect(readyOn({ ...grown, lengthMm: grown.l0Mm + 1, cv, saleMm: grown.lInfMm * 1.01, shares: [0.5] }).days).toEqual([
          null,
        ]);
      }),
    );
  });

  it('fills a tank sooner with more of them, and the load is the limit on that day', () => {
    fc.assert(
      fc.property(curve, fc.integer({ min: 20, max: 200 }), (grown, count) => {
        const input = {
          ...grown,
          lengthMm: grown.l0Mm,
          count,
          dailySurvival: 1,
          litres: 60,
          limit: { kind: 'mmPerLitre' as const, value: (count * grown.lInfMm * 0.7) / 60 },
        };
        const { days, loadNow } = crowdedOn(input);
        expect(loadNow).toBeCloseTo((count * grown.l0Mm) / 60, 6);
        expect(
          days === 0 || Math.abs((count * lengthAt(grown, days ?? 0)) / 60 - input.limit.value) < 1e-3 * input.limit.value,
        ).toBe(true);
        expect(crowdedOn({ ...input, count: count * 2 }).days ?? 0).toBeLessThanOrEqual(days ?? 0);
      }),
    );
  });
});
