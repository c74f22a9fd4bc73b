import fc from 'fast-check';
import { learnHatch, type HatchSample } from './learnHatch';

const FIGURES = { developmentZeroC: 11, hatch: { atC: 24, days: [3, 6] as const } };
const DAY_MS = 86_400_000;
const LAID_MS = Date.parse('2026-03-01T08:00:00Z');
const iso = (ms: number) => new Date(ms).toISOString();
const exactly = (ms: number) => ({ from: iso(ms), to: iso(ms) });
/** A brood that needed some days at 24 °C, kept at another temperature. */
const sample = (daysAt24: number, meanTempC = 24, more: Partial<HatchSample> = {}): HatchSample => ({
  laid: exactly(LAID_MS),
  hatched: exactly(LAID_MS + ((daysAt24 * 13) / (meanTempC - 11)) * DAY_MS),
  meanTempC,
  ...more,
});

describe('what a breeder’s own broods teach of the hatch', () => {
  it('is nothing before there are three', () => {
    expect(learnHatch(FIGURES, [])).toBeNull();
    expect(learnHatch(FIGURES, [sample(4), sample(4.1)])).toBeNull();
    expect(learnHatch(FIGURES, [sample(4), sample(4.1), sample(3.9)])?.broods).toBe(3);
  });

  it('lies around them, says on how many it rests, and is narrower than the starting point', () => {
    const learned = learnHatch(
      FIGURES,
      [3.9, 4, 4.1, 4, 4.05].map((days) => sample(days)),
    );
    const [low = 0, high = 0] = learned?.duration.days ?? [];
    expect(learned?.broods).toBe(5);
    expect(low).toBeLessThan(3.9);
    expect(high).toBeGreaterThan(4.1);
    expect(high - low).toBeLessThan(1);
  });

  it('is the same whatever temperature they were kept at', () => {
    const cool = learnHatch(
      FIGURES,
      [3.9, 4, 4.1].map((days) => sample(days, 21)),
    );
    const warm = learnHatch(
      FIGURES,
      [3.9, 4, 4.1].map((days) => sample(days, 27)),
    );
    expect(cool?.duration.days[0]).toBeCloseTo(warm?.duration.days[0] ?? 0, 6);
    expect(cool?.duration.days[1]).toBeCloseTo(warm?.duration.days[1] ?? 0, 6);
  });

  it('is never wider than the starting point, and never before laying', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.5, max: 12, noNaN: true }), { maxLength: 12 }), (days) => {
        const learned = learnHatch(
          FIGURES,
          days.map((one) => sample(one)),
        );
        if (!learned) return;
        const [low, high] = learned.duration.days;
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high - low).toBeLessThan(3);
      }),
    );
  });

  it('leaves out what was seen too vaguely, and waits for more when they scatter', () => {
    const vague = { laid: { from: iso(LAID_MS - 3 * DAY_MS), to: iso(LAID_MS) } };
    expect(learnHatch(FIGURES, [sample(4), sample(4), sample(4, 24, vague)])).toBeNull();
    expect(learnHatch(FIGURES, [sample(2), sample(5), sample(8)])).toBeNull();
  });

  it('is never narrower than how exactly they were seen, however well they agree', () => {
    const overnight = sample(4, 24, { laid: { from: iso(LAID_MS - DAY_MS / 4), to: iso(LAID_MS + DAY_MS / 4) } });
    const width = (samples: HatchSample[]) => {
      const [low = 0, high = 0] = learnHatch(FIGURES, samples)?.duration.days ?? [];
      return high - low;
    };
    expect(width([overnight, overnight, overnight, overnight])).toBeCloseTo(0.5, 6);
    expect(width([sample(4), sample(4), sample(4)])).toBeCloseTo(0, 6);
  });

  it('is the mean and Student’s 90 % prediction interval, worked by hand', () => {
    // Mean 4.2; variance 0.04 of three, 0.08 / 3 of four; t 2.920 and 2.353.
    const of = (days: number[]) =>
      learnHatch(
        FIGURES,
        days.map((one) => sample(one)),
      )?.duration.days ?? [];
    const three = 2.92 * Math.sqrt(0.04 * (4 / 3));
    expect(of([4, 4.2, 4.4]).map((day) => day.toFixed(6))).toEqual([4.2 - three, 4.2 + three].map((day) => day.toFixed(6)));
    const four = 2.353 * Math.sqrt((0.08 / 3) * 1.25);
    expect(of([4, 4.2, 4.4, 4.2]).map((day) => day.toFixed(6))).toEqual([4.2 - four, 4.2 + four].map((day) => day.toFixed(6)));
    // Thirty: beyond the list the normal's 1.645.
    const thirty = 1.645 * Math.sqrt((30 * 0.01) / 29) * Math.sqrt(31 / 30);
    const [low = 0, high = 0] = of(Array.from({ length: 30 }, (_, i) => (i % 2 === 0 ? 4 : 4.2)));
    expect([low.toFixed(6), high.toFixed(6)]).toEqual([(4.1 - thirty).toFixed(6), (4.1 + thirty).toFixed(6)]);
  });

  it('is no narrower than half of both windows they were seen in', () => {
    const around = (ms: number, days: number) => ({ from: iso(ms - (days * DAY_MS) / 2), to: iso(ms + (days * DAY_MS) / 2) });
    const seen = sample(4, 24, { laid: around(LAID_MS, 0.2), hatched: around(LAID_MS + 4 * DAY_MS, 0.6) });
    const [low = 0, high = 0] = learnHatch(FIGURES, [seen, seen, seen])?.duration.days ?? [];
    expect([low.toFixed(6), high.toFixed(6)]).toEqual(['3.600000', '4.400000']);
  });

  it('counts none that was too cold to tell, too vague, or hatched before it was laid', () => {
    const with_ = (third: HatchSample) => learnHatch(FIGURES, [sample(4), sample(4.1), third])?.broods ?? 0;
    const hatched = (days: number) => ({
      hatched: { from: iso(LAID_MS + (4 - days / 2) * DAY_MS), to: iso(LAID_MS + (4 + days / 2) * DAY_MS) },
    });
    expect(with_(sample(4, 12.5))).toBe(3);
    const at = (meanTempC: number) => with_(sample(4, 24, { meanTempC }));
    expect([at(12), at(11), at(10)]).toEqual([0, 0, 0]);
    expect([with_(sample(4, 24, hatched(1.5))), with_(sample(4, 24, hatched(1.6)))]).toEqual([3, 0]);
    expect(with_(sample(4, 24, { laid: exactly(LAID_MS + 9 * DAY_MS) }))).toBe(0);
    const laid = (days: number) => ({
      laid: { from: iso(LAID_MS - (days / 2) * DAY_MS), to: iso(LAID_MS + (days / 2) * DAY_MS) },
    });
    expect([with_(sample(4, 24, laid(1.5))), with_(sample(4, 24, laid(1.6)))]).toEqual([3, 0]);
  });

  it('is nothing for species without a hatch', () => {
    expect(learnHatch({ ...FIGURES, hatch: null }, [sample(4), sample(4), sample(4)])).toBeNull();
  });
});
