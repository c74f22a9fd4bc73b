import fc from 'fast-check';
import { isUnsteady, steadiness } from './steadiness';

const NOW = '2026-03-12T08:00:00.000Z';
const at = (hoursAgo: number) => new Date(Date.parse(NOW) - hoursAgo * 3_600_000).toISOString();
const point = (hoursAgo: number, low: number, high = low) => ({ at: at(hoursAgo), low, high });

describe('steadiness', () => {
  it('is highest less lowest of the day and of the week, spikes included', () => {
    const points = [point(2, 24), point(20, 24.4, 25.6), point(30, 22), point(24 * 6, 26.1), point(24 * 8, 12)];
    const { day, week } = steadiness(points, NOW);
    expect(day).toBeCloseTo(1.6, 9);
    expect(week).toBeCloseTo(4.1, 9);
    expect(steadiness([point(2, 24)], NOW)).toEqual({ day: null, week: null });
  });

  it('asks more of a tank with young, and nothing where nothing is known', () => {
    const swing = (day: number | null) => ({ day, week: null });
    expect([isUnsteady('tempC', swing(1.6), true), isUnsteady('tempC', swing(1.6), false)]).toEqual([true, false]);
    expect([isUnsteady('tempC', swing(1.5), true), isUnsteady('tempC', swing(null), true)]).toEqual([false, false]);
    expect([isUnsteady('tdsPpm', swing(61), false), isUnsteady('tdsPpm', swing(31), true)]).toEqual([true, true]);
  });

  it('takes what is cooled at night on purpose for no fault, and nothing else for it', () => {
    const swing = { day: 5, week: 5 };
    expect([
      isUnsteady('tempC', swing, false),
      isUnsteady('tempC', swing, false, 3),
      isUnsteady('tempC', swing, true, 3),
    ]).toEqual([true, false, true]);
    expect(isUnsteady('tdsPpm', { day: 62, week: 62 }, false, 3)).toBe(true);
  });

  it('never falls as the span grows, and does not mind the order', () => {
    const some = fc.array(
      fc.record({ hoursAgo: fc.integer({ min: 0, max: 200 }), low: fc.double({ min: 10, max: 30, noNaN: true }) }),
      { minLength: 2, maxLength: 20 },
    );
    fc.assert(
      fc.property(some, (made) => {
        const points = made.map(({ hoursAgo, low }) => point(hoursAgo, low));
        const found = steadiness(points, NOW);
        expect(steadiness([...points].reverse(), NOW)).toEqual(found);
        if (found.day !== null) expect(found.week ?? -1).toBeGreaterThanOrEqual(found.day);
      }),
    );
  });
});
