import fc from 'fast-check';
import {
  errorBand,
  findDisagreements,
  judgeProbe,
  METHODS,
  QUANTITIES,
  thinSeries,
  type BandedReading,
  type Sample,
} from '../index';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const NOW = '2026-03-10T08:00:00.000Z';
const ago = (ms: number) => new Date(Date.parse(NOW) - ms).toISOString();

describe('the error band of a reading', () => {
  it('is wider for a strip than for a calibrated meter, whatever is measured', () => {
    for (const quantity of QUANTITIES)
      expect([quantity, errorBand(quantity, 'strip', 5) > errorBand(quantity, 'meter', 5)]).toEqual([quantity, true]);
  });

  it('grows with the value where the test does, and never vanishes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...QUANTITIES),
        fc.constantFrom(...METHODS),
        fc.double({ min: 0, max: 1000, noNaN: true }),
        (quantity, method, value) => {
          const band = errorBand(quantity, method, value);
          expect(band).toBeGreaterThan(0);
          expect(errorBand(quantity, method, value + 1)).toBeGreaterThanOrEqual(band);
        },
      ),
    );
  });

  it('widens past the calibration, threefold at most, and not for strips and drops', () => {
    const at = (daysSince: number | null) => errorBand('ph', 'meter', 7, { daysSince, everyDays: 30 });
    expect(at(10)).toBe(0.1);
    expect(at(45)).toBeCloseTo(0.15);
    expect(at(400)).toBeCloseTo(0.3);
    expect(at(null)).toBeCloseTo(0.3);
    expect(errorBand('ph', 'strip', 7, { daysSince: null, everyDays: 30 })).toBe(0.5);
  });
});

describe('readings that contradict one another', () => {
  const reading = (id: string, value: number, agoMs: number, band = 0.1): BandedReading => ({
    id,
    quantity: 'ph',
    value,
    at: ago(agoMs),
    band,
  });

  it('lie further apart than both bands, within hours of the same water', () => {
    const found = findDisagreements([reading('a', 7.9, 2 * HOUR, 0.5), reading('b', 6.4, HOUR, 0.14)], []);
    expect(found).toMatchObject([{ earlier: { id: 'a' }, later: { id: 'b' } }]);
    expect(found[0]?.gap).toBeCloseTo(0.86);
  });

  it('do not, within the bands, a day apart, or with a change between', () => {
    expect(findDisagreements([reading('a', 7, 2 * HOUR), reading('b', 7.2, HOUR)], [])).toEqual([]);
    expect(findDisagreements([reading('a', 7.9, 30 * HOUR), reading('b', 6.4, HOUR)], [])).toEqual([]);
    expect(findDisagreements([reading('a', 7.9, 2 * HOUR), reading('b', 6.4, HOUR)], [ago(90 * MINUTE)])).toEqual([]);
  });
});

describe('a probe', () => {
  const every = (minutes: number, hours: number, value: (hoursAgo: number) => number): Sample[] =>
    Array.from({ length: (hours * 60) / minutes + 1 }, (_, i) => hours * HOUR - i * minutes * MINUTE).map((agoMs) => ({
      at: ago(agoMs),
      value: value(agoMs / HOUR),
    }));
  const wave = (hoursAgo: number) => 25 + 0.2 * Math.sin(hoursAgo * 3);
  const judge = (samples: Sample[], more: Partial<Parameters<typeof judgeProbe>[0]> = {}) =>
    judgeProbe({ samples, wantedC: [23, 27], changes: [], byHand: null, now: NOW, ...more }).map(({ fault }) => fault);

  it('is sound while it moves a little within the range', () => {
    expect(judge(every(5, 7, wave))).toEqual([]);
    expect(judge([])).toEqual([]);
  });

  it('is silent after half an hour, stuck after six hours at one value', () => {
    expect(judge(every(5, 7, wave).filter(({ at }) => at < ago(31 * MINUTE)))).toEqual(['silent']);
    expect(judge(every(5, 7, wave).filter(({ at }) => at < ago(29 * MINUTE)))).toEqual([]);
    expect(judge(every(5, 7, () => 25.03))).toEqual(['stuck']);
    expect(judge(every(5, 5, () => 25.03))).toEqual([]);
    expect(judge(every(5, 7, (hoursAgo) => (hoursAgo > 5.5 ? 25.13 : 25.03)))).toEqual([]);
  });

  it('is not stuck for telling one tenth all night in a steady tank; a whole day of it is not the water', () => {
    expect(judge(every(5, 23, () => 25))).toEqual([]);
    expect(judge(every(5, 25, (hoursAgo) => (hoursAgo > 20 ? 25.1 : 25)))).toEqual([]);
    expect(judge(every(5, 25, () => 25))).toEqual(['stuck']);
    // One that told hundredths before it stopped is stuck at a tenth like at any other value.
    expect(judge(every(5, 25, (hoursAgo) => (hoursAgo > 9 ? wave(hoursAgo) : 25)))).toEqual(['stuck']);
  });

  it('says since when the water is out of range, and is quiet over an empty tank', () => {
    const falling = every(5, 7, (hoursAgo) => 26 - (7 - hoursAgo) * 0.6);
    const [verdict] = judgeProbe({ samples: falling, wantedC: [23, 27], changes: [], byHand: null, now: NOW });
    expect(verdict).toMatchObject({ fault: 'outOfRange' });
    // 22.5 °C, half a degree below the range, is passed after 5 h 50 min.
    expect(Math.abs(Date.parse(verdict?.since ?? '') - Date.parse(ago(70 * MINUTE)))).toBeLessThanOrEqual(5 * MINUTE);
    expect(judge(falling, { wantedC: null })).toEqual([]);
  });

  it('changes too fast by two degrees in two hours, unless water was changed', () => {
    const jump = every(5, 7, (hoursAgo) => (hoursAgo < 1 ? 26.2 : 24.1) + 0.01 * Math.sin(hoursAgo * 40));
    expect(judge(jump)).toEqual(['changingFast']);
    expect(judge(jump, { changes: [ago(HOUR)] })).toEqual([]);
    expect(judge(jump, { changes: [ago(7 * HOUR)] })).toEqual(['changingFast']);
  });

  it('drifts when a hand within the hour says otherwise by a degree', () => {
    expect(judge(every(5, 7, wave), { byHand: { at: ago(HOUR), value: 23.9 } })).toEqual(['drifting']);
    expect(judge(every(5, 7, wave), { byHand: { at: ago(HOUR), value: 24.6 } })).toEqual([]);
    expect(judge(every(5, 7, wave), { byHand: { at: ago(9 * HOUR), value: 20 } })).toEqual([]);
  });
});

describe('a thinned series', () => {
  it('keeps count, mean and every extreme, and is what a slow count of each stretch gives', () => {
    const samples = fc.array(
      fc.record({ minutes: fc.integer({ min: 0, max: 3000 }), value: fc.double({ min: 0, max: 40, noNaN: true }) }),
      { maxLength: 80 },
    );
    fc.assert(
      fc.property(samples, fc.integer({ min: 1, max: 200 }), (points, stepMinutes) => {
        const series = points
          .sort((a, b) => a.minutes - b.minutes)
          .map(({ minutes, value }) => ({ at: new Date(minutes * MINUTE).toISOString(), value }));
        const buckets = thinSeries(series, stepMinutes * MINUTE);
        const slow = new Map<number, number[]>();
        for (const { minutes, value } of points) {
          const key = Math.floor(minutes / stepMinutes);
          slow.set(key, [...(slow.get(key) ?? []), value]);
        }
        expect(buckets.map(({ count }) => count)).toEqual([...slow.values()].map((values) => values.length));
        for (const [i, [key, values]] of [...slow].entries()) {
          expect(buckets[i]?.at).toBe(new Date(key * stepMinutes * MINUTE).toISOString());
          expect(buckets[i]?.low).toBe(Math.min(...values));
          expect(buckets[i]?.high).toBe(Math.max(...values));
          expect(buckets[i]?.mean).toBeCloseTo(values.reduce((a, b) => a + b, 0) / values.length, 9);
        }
      }),
    );
  });
});
