import fc from 'fast-check';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { decideBooking, type Booking } from './decideBooking';
import { birthWindow, developmentWindows, type WindowsInput } from './developmentWindows';

const species = (key: string) => {
  const profile = SHIPPED_SPECIES.find((candidate) => candidate.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile);
};
const LAID = { from: '2026-03-01T22:00:00.000Z', to: '2026-03-02T06:00:00.000Z' };
const DAY_MS = 86_400_000;
const input = (key: string, more: Partial<WindowsInput> = {}): WindowsInput => ({
  figures: species(key).figures,
  start: species(key).start,
  laid: LAID,
  readings: [],
  assumedTempC: 24,
  now: '2026-03-02T08:00:00.000Z',
  timeZone: 'Europe/Dublin',
  ...more,
});
const of = (stage: string, given: WindowsInput) => developmentWindows(given).find((window) => window.stage === stage);
const days = (from: string, to: string | null | undefined) => (Date.parse(to ?? '') - Date.parse(from)) / DAY_MS;

describe('windows of a clutch', () => {
  it('span from the shorter duration after the first moment to the longer after the last', () => {
    // Aspidoras hatch after 3 to 4.5 days at 24 °C.
    const hatch = of('hatch', input('sixray-aspidoras'));
    expect(days(LAID.from, hatch?.earliest)).toBeCloseTo(3, 5);
    expect(days(LAID.to, hatch?.latest)).toBeCloseTo(4.5, 5);
  });

  it('of a later stage are never before those of an earlier one, for any species and temperature', () => {
    const laidSpecies = SHIPPED_SPECIES.map(({ key }) => key).filter((key) => species(key).start !== 'born');
    fc.assert(
      fc.property(fc.constantFrom(...laidSpecies), fc.double({ min: 17, max: 30, noNaN: true }), (key, tempC) => {
        const windows = developmentWindows(input(key, { readings: [{ at: LAID.from, tempC }] }));
        const hatch = windows.find((window) => window.stage === 'hatch');
        for (const window of windows) {
          expect(window.why.formula.length).toBeGreaterThan(10);
          expect(window.why.source).toMatch(/^docs\/sources\.md#/);
          if (window.earliest && window.latest) expect(window.earliest <= window.latest).toBe(true);
          if (window.earliest && hatch?.earliest) expect(window.earliest >= hatch.earliest).toBe(true);
        }
      }),
    );
  });

  it('narrow when the hatch was seen, and count from it', () => {
    const seen = { from: '2026-03-05T07:00:00.000Z', to: '2026-03-05T07:00:00.000Z' };
    const before = of('freeSwimming', input('sixray-aspidoras'));
    const after = of('freeSwimming', input('sixray-aspidoras', { hatched: seen, now: '2026-03-05T08:00:00.000Z' }));
    expect(days(seen.from, after?.earliest)).toBeCloseTo(2.5, 5);
    expect(days(after?.earliest ?? '', after?.latest)).toBeLessThan(days(before?.earliest ?? '', before?.latest));
  });

  it('warn of a temperature outside what eggs need', () => {
    const hatch = of('hatch', input('sixray-aspidoras', { readings: [{ at: LAID.from, tempC: 31 }] }));
    expect(hatch?.why.notes.join(' ')).toMatch(/31 °C was logged; eggs need/);
  });

  it('of young that swim have no yolk to wait for; first feed is what was seen', () => {
    const swim = { from: '2026-03-08T07:00:00.000Z', to: '2026-03-08T07:00:00.000Z' };
    const windows = developmentWindows(
      input('sixray-aspidoras', {
        hatched: { from: '2026-03-05T07:00:00.000Z', to: '2026-03-05T07:00:00.000Z' },
        freeSwimming: swim,
        now: '2026-03-09T08:00:00.000Z',
      }),
    );
    expect(windows.map((window) => [window.stage, window.status])).toEqual([
      ['hatch', 'observed'],
      ['freeSwimming', 'observed'],
      ['firstFeed', 'observed'],
    ]);
  });

  it('of a livebearer are one: when the next brood is due', () => {
    const window = birthWindow({ ...input('humpback-limia'), since: LAID });
    const interval = species('humpback-limia').figures.interval;
    expect(window?.earliest && days(LAID.from, window.earliest)).toBeGreaterThan((interval?.days[0] ?? 0) * 0.8);
    expect(birthWindow({ ...input('sixray-aspidoras'), since: LAID })).toBeNull();
  });
});

describe('booking a tank', () => {
  const booking = (id: string, from: number, length: number | null): Booking => ({
    id,
    name: id,
    tankId: 'T',
    from: `2026-03-${String(from).padStart(2, '0')}`,
    to: length === null ? null : `2026-03-${String(Math.min(31, from + length)).padStart(2, '0')}`,
  });

  it('clashes exactly when two share a day', () => {
    const arbitrary = fc.tuple(fc.integer({ min: 1, max: 28 }), fc.option(fc.integer({ min: 0, max: 10 })));
    fc.assert(
      fc.property(arbitrary, arbitrary, ([fromA, lengthA], [fromB, lengthB]) => {
        const [a, b] = [booking('a', fromA, lengthA), booking('b', fromB, lengthB)];
        const held = (one: Booking) =>
          new Set(
            Array.from({ length: 31 }, (_, i) => `2026-03-${String(i + 1).padStart(2, '0')}`).filter(
              (day) => day >= one.from && (one.to === null || day <= one.to),
            ),
          );
        const shared = [...held(a)].some((day) => held(b).has(day));
        expect(decideBooking(a, [b]).ok).toBe(!shared);
        expect(decideBooking(b, [a]).ok).toBe(!shared);
      }),
    );
  });

  it('does not clash with itself, nor in another tank', () => {
    const a = booking('a', 1, null);
    expect(decideBooking(a, [a, { ...booking('b', 1, null), tankId: 'U' }])).toEqual({ ok: true });
  });
});
