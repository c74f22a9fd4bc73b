import fc from 'fast-check';
import { stageTimes, type DevelopmentModel, type TemperatureReading } from './stageTimes';

const START = '2026-03-01T08:00:00.000Z';
const HOUR_MS = 3_600_000;
const at = (hours: number) => new Date(Date.parse(START) + hours * HOUR_MS).toISOString();

const model = fc.oneof(
  fc.record({
    kind: fc.constant('degreeDays' as const),
    baseC: fc.double({ min: 0, max: 15, noNaN: true }),
    degreeDays: fc
      .tuple(fc.double({ min: 5, max: 40, noNaN: true }), fc.double({ min: 0, max: 30, noNaN: true }))
      .map(([low, more]) => [low, low + more] as [number, number]),
  }),
  fc.record({
    kind: fc.constant('q10' as const),
    refC: fc.double({ min: 20, max: 28, noNaN: true }),
    q10: fc.double({ min: 1, max: 4, noNaN: true }),
    days: fc
      .tuple(fc.double({ min: 0.5, max: 6, noNaN: true }), fc.double({ min: 0, max: 4, noNaN: true }))
      .map(([low, more]) => [low, low + more] as [number, number]),
  }),
);
const readings = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 30 }), fc.double({ min: 16, max: 32, noNaN: true })), { minLength: 1, maxLength: 12 })
  .map((steps) => {
    let hour = -20;
    return steps.map(([gap, tempC]): TemperatureReading => ({ at: at((hour += gap)), tempC }));
  });

function temperatureAt(list: readonly TemperatureReading[], ms: number): number {
  const after = list.findIndex((reading) => Date.parse(reading.at) > ms);
  if (after === 0) return list[0]?.tempC ?? 0;
  if (after < 0) return list.at(-1)?.tempC ?? 0;
  const [a, b] = [list[after - 1], list[after]];
  if (!a || !b) return 0;
  return a.tempC + ((b.tempC - a.tempC) * (ms - Date.parse(a.at))) / (Date.parse(b.at) - Date.parse(a.at));
}

/** The slow answer: walks minute by minute. */
function walk(m: DevelopmentModel, list: readonly TemperatureReading[], wanted: number): number {
  const rate = (tempC: number) => (m.kind === 'degreeDays' ? Math.max(0, tempC - m.baseC) : m.q10 ** ((tempC - m.refC) / 10));
  let done = 0;
  const step = 60_000;
  for (let ms = Date.parse(START); ; ms += step) {
    done += (rate(temperatureAt(list, ms + step / 2)) * step) / 86_400_000;
    if (done >= wanted) return ms + step;
  }
}

describe('the times of a stage', () => {
  it('agree with walking minute by minute through the readings', () => {
    fc.assert(
      fc.property(model, readings, (m, list) => {
        const [low] = m.kind === 'degreeDays' ? m.degreeDays : m.days;
        const { earliest } = stageTimes({ model: m, startedAt: START, readings: list });
        expect(Math.abs(Date.parse(earliest) - walk(m, list, low))).toBeLessThan(5 * 60_000);
      }),
      { numRuns: 60 },
    );
  });

  it('come in order, and sooner in warmer water', () => {
    fc.assert(
      fc.property(model, readings, fc.double({ min: 0.1, max: 5, noNaN: true }), (m, list, more) => {
        const cool = stageTimes({ model: m, startedAt: START, readings: list });
        const warm = stageTimes({
          model: m,
          startedAt: START,
          readings: list.map((reading) => ({ ...reading, tempC: reading.tempC + more })),
        });
        expect(cool.latest === null || cool.earliest <= cool.latest).toBe(true);
        expect(Date.parse(warm.earliest)).toBeLessThanOrEqual(Date.parse(cool.earliest) + 1);
      }),
    );
  });

  it('are not changed by a reading that lies on the line between two others', () => {
    const m: DevelopmentModel = { kind: 'degreeDays', baseC: 12, degreeDays: [40, 60] };
    const two = [
      { at: at(0), tempC: 20 },
      { at: at(48), tempC: 28 },
    ];
    const three = [...two.slice(0, 1), { at: at(12), tempC: 22 }, ...two.slice(1)];
    const [a, b] = [
      stageTimes({ model: m, startedAt: START, readings: two }),
      stageTimes({ model: m, startedAt: START, readings: three }),
    ];
    expect(Math.abs(Date.parse(a.earliest) - Date.parse(b.earliest))).toBeLessThan(5);
  });
});
