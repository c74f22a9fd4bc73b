import fc from 'fast-check';
import { learn } from './learn';
import { learnHatch, type HatchSample } from './learnHatch';

const FIGURES = { developmentZeroC: 11, hatch: { atC: 24, days: [3, 6] as const } };
const DAY_MS = 86_400_000;
const LAID_MS = Date.parse('2026-03-01T08:00:00Z');
const iso = (ms: number) => new Date(ms).toISOString();
const exactly = (ms: number) => ({ from: iso(ms), to: iso(ms) });
const around = (ms: number, days: number) => ({ from: iso(ms - (days * DAY_MS) / 2), to: iso(ms + (days * DAY_MS) / 2) });
/** A brood that needed some days at 24 °C, kept at another temperature. */
const sample = (daysAt24: number, meanTempC = 24, more: Partial<HatchSample> = {}): HatchSample => ({
  laid: exactly(LAID_MS),
  hatched: exactly(LAID_MS + ((daysAt24 * 13) / (meanTempC - 11)) * DAY_MS),
  meanTempC,
  ...more,
});
const days = (of: readonly number[]) =>
  learnHatch(
    FIGURES,
    of.map((one) => sample(one)),
  )?.duration.days ?? [0, 0];

describe('what a breeder’s own broods teach of the hatch', () => {
  it('is nothing before there is one, and a first one draws the window towards itself', () => {
    expect(learnHatch(FIGURES, [])).toBeNull();
    const [low, high] = days([3.5]);
    expect(learnHatch(FIGURES, [sample(3.5)])?.broods).toBe(1);
    expect(low).toBeLessThan(3.5);
    expect(high).toBeLessThan(6);
    expect(high).toBeGreaterThan(3.5);
  });

  it('is what `learn` makes of the days at the figure’s temperature, whatever they were kept at', () => {
    const kept = [3.9, 4, 4.1, 4.3].map((one, i) => sample(one, [21, 24, 27, 22][i]));
    const { low, high } = learn({ window: [3, 6], durations: [3.9, 4, 4.1, 4.3] });
    const found = learnHatch(FIGURES, kept)?.duration.days ?? [0, 0];
    expect(found[0]).toBeCloseTo(low, 6);
    expect(found[1]).toBeCloseTo(high, 6);
  });

  it('is narrower than the starting point after five that agree, and holds them all', () => {
    const [low, high] = days([3.9, 4, 4.1, 4, 4.05]);
    expect(high - low).toBeLessThan(2);
    expect(low).toBeLessThan(3.9);
    expect(high).toBeGreaterThan(4.1);
  });

  it('lies in order, above nothing, for any broods', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.5, max: 14, noNaN: true }), { minLength: 1, maxLength: 12 }), (of) => {
        const learned = learnHatch(
          FIGURES,
          of.map((one) => sample(one)),
        );
        if (!learned) return;
        const [low, high] = learned.duration.days;
        expect(low).toBeGreaterThan(0);
        expect(high).toBeGreaterThan(low);
      }),
    );
  });

  it('marks an odd one and goes on using it', () => {
    const learned = learnHatch(
      FIGURES,
      [4, 4.1, 3.9, 4.05, 4, 9].map((one) => sample(one)),
    );
    expect(learned).toMatchObject({ broods: 6, odd: 1 });
    expect(learned?.duration.days[1]).toBeGreaterThan(days([4, 4.1, 3.9, 4.05, 4])[1]);
  });

  it('is never narrower than how exactly they were seen', () => {
    const seen = sample(4, 24, { laid: around(LAID_MS, 1), hatched: around(LAID_MS + 4 * DAY_MS, 1.4) });
    const [low = 0, high = 0] =
      learnHatch(
        FIGURES,
        Array.from({ length: 30 }, () => seen),
      )?.duration.days ?? [];
    expect(high - low).toBeCloseTo(2.4, 6);
  });

  it('counts none that was too cold to tell, too vague, or hatched before it was laid', () => {
    const with_ = (third: HatchSample) => learnHatch(FIGURES, [sample(4), sample(4.1), third])?.broods ?? 0;
    const at = (meanTempC: number) => learnHatch(FIGURES, [sample(4, 24, { meanTempC })])?.broods ?? 0;
    expect([at(12), at(11), at(10)]).toEqual([0, 0, 0]);
    const hatched = (width: number) => ({ hatched: around(LAID_MS + 4 * DAY_MS, width) });
    expect([with_(sample(4, 24, hatched(1.5))), with_(sample(4, 24, hatched(1.6)))]).toEqual([3, 2]);
    const laid = (width: number) => ({ laid: around(LAID_MS, width) });
    expect([with_(sample(4, 24, laid(1.5))), with_(sample(4, 24, laid(1.6)))]).toEqual([3, 2]);
    expect(with_(sample(4, 24, { laid: exactly(LAID_MS + 9 * DAY_MS) }))).toBe(2);
  });

  it('is nothing for species without a hatch', () => {
    expect(learnHatch({ ...FIGURES, hatch: null }, [sample(4), sample(4), sample(4)])).toBeNull();
  });
});
