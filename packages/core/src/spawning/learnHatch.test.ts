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

  it('is nothing for species without a hatch', () => {
    expect(learnHatch({ ...FIGURES, hatch: null }, [sample(4), sample(4), sample(4)])).toBeNull();
  });
});
