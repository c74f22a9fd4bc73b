import { headsWhenSeen, mixedPart, outline, shapeStream, type StreamFrame } from './streamShape';

const DAY_MS = 86_400_000;
const START = Date.parse('2026-03-01T08:00:00Z');
const at = (day: number) => new Date(START + day * DAY_MS).toISOString();
const frame: StreamFrame = {
  x: (ms) => (ms - START) / (DAY_MS / 10),
  nowMs: START + 30 * DAY_MS,
  perHead: 1,
  top: 10,
  gap: 20,
  forkPx: 15,
};
const point = (day: number, count: number, cause: 'birth' | 'split' | 'unknown' | 'death' = 'unknown', change = 0) => ({
  at: at(day),
  count,
  cause,
  change,
});

type Brood = Parameters<typeof shapeStream>[0];
const brood = (bands: Brood['stream']['bands']): Brood => ({ stream: { bands, alive: 0 } }) as unknown as Brood;
const height = (edge: { top: number; bottom: number } | undefined) => (edge ? edge.bottom - edge.top : -1);

describe('what others joined', () => {
  it('is drawn as its share of the band, from when they came, along the lower edge', () => {
    const points = [point(0, 60, 'birth', 60), point(10, 80)];
    const { bands } = shapeStream(brood([{ lotId: 'a', parentLotId: null, points, forecast: [], counted: null }]), frame);
    const [band] = bands;
    if (!band) throw new Error('no band');
    const part = mixedPart(band, 0.25, frame.x(START + 10 * DAY_MS));
    expect(part[0]?.x).toBe(frame.x(START + 10 * DAY_MS));
    for (const edge of part) {
      const whole = [...band.past, ...band.ahead].find(({ x, bottom }) => x >= edge.x && bottom === edge.bottom);
      expect(height(edge)).toBeCloseTo(height(whole) / 4, 6);
    }
    expect(mixedPart(band, 0, 0)).toEqual([]);
  });
});

describe('the headcount beside a stage', () => {
  it('is what was seen then: the eggs picked before count, the five that died that afternoon do not', () => {
    const points = [point(0, 110, 'birth', 110), point(1, 100), point(2, 95), point(2.3, 90, 'death', -5)];
    const seen = (stage: string, status: string, day: number) => ({ stage, status, earliest: at(day - 0.1), latest: at(day) });
    const page = (...windows: object[]) =>
      ({
        windows,
        stream: { alive: 90, bands: [{ lotId: 'a', parentLotId: null, points, forecast: [] }] },
      }) as unknown as Parameters<typeof headsWhenSeen>[0];
    const hatched = page(seen('hatch', 'observed', 2), seen('freeSwimming', 'predicted', 5));
    expect(headsWhenSeen(hatched, { stage: 'yolk', from: at(1.9) })).toBe(95);
    expect(headsWhenSeen(page(seen('freeSwimming', 'observed', 5)), { stage: 'fry', from: at(4.9) })).toBe(90);
    // Born young have no sighting of their own: those of the birth stand.
    expect(headsWhenSeen(page(), { stage: 'fry', from: at(0) })).toBe(110);
  });
});

describe('the shape of a stream', () => {
  const forked = shapeStream(
    brood([
      {
        lotId: 'a',
        parentLotId: null,
        counted: { at: at(20), low: 0.9, high: 1.2 },
        points: [point(0, 100, 'birth', 100), point(10, 80), point(19, 50, 'split', -30)],
        forecast: [
          { at: at(30), low: 50, mid: 50, high: 50 },
          { at: at(90), low: 20, mid: 28, high: 40 },
        ],
      },
      {
        lotId: 'b',
        parentLotId: 'a',
        points: [point(19, 30, 'split', 30), point(25, 28, 'death', -2)],
        forecast: [],
        counted: null,
      },
    ]),
    frame,
  );
  const [a, b] = forked.bands;

  it('is as thick as the headcount at every count', () => {
    const edge = (band: typeof a, day: number) => band?.past.findLast((one) => one.x <= day * 10 + 0.5);
    expect([0, 10].map((day) => height(edge(a, day)))).toEqual([100, 80]);
    expect(height(a?.past.at(-1))).toBeCloseTo(50, 6);
    expect(height(b?.past.at(-1))).toBeCloseTo(28, 6);
    expect(a?.past.at(-1)?.x).toBe(300);
  });

  it('forks without a gap: the child leaves from its parent’s lower edge', () => {
    const before = a?.past.findLast((one) => one.x <= 190 && height(one) > 79);
    expect(b?.past[0]).toMatchObject({ x: 190, bottom: before?.bottom });
    expect(height(b?.past[0])).toBeCloseTo(30, 6);
  });

  it('runs its bands in lanes of their own once they have forked', () => {
    const [last, child] = [a?.past.at(-1), b?.past.at(-1)];
    expect((last?.bottom ?? 0) + 10).toBeLessThan(child?.top ?? 0);
    expect(forked.bottom).toBeGreaterThanOrEqual(child?.bottom ?? Infinity);
  });

  it('opens its fan ahead of now, the low edge inside the high one', () => {
    expect(height(a?.ahead.at(-1))).toBe(20);
    expect(height(a?.fan.at(-1))).toBe(40);
    expect(a?.fan[0]?.x).toBe(300);
  });

  it('goes forward in time only', () => {
    for (const band of forked.bands)
      for (const [i, one] of band.past.entries())
        if (i > 0) expect(one.x).toBeGreaterThanOrEqual(band.past[i - 1]?.x ?? Infinity);
  });

  it('is an outline once there are two points, and nothing before', () => {
    expect(outline([])).toBe('');
    expect(
      outline([
        { x: 0, top: 0, bottom: 10 },
        { x: 5, top: 1, bottom: 9 },
      ]),
    ).toBe('M0.0 0.0L5.0 1.0L5.0 9.0L0.0 10.0Z');
  });
});
