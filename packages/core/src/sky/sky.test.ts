import fc from 'fast-check';
import { moon, MOON_PHASES, sun } from './index';

const DAY = 86_400_000;
const dateOf = (day: number) => new Date(Date.UTC(2020, 0, 1) + day * DAY).toISOString().slice(0, 10);
const day = fc.integer({ min: 0, max: 365 * 12 });
const longitude = fc.double({ min: -180, max: 180, noNaN: true });
/** Below the polar circles the sun rises and sets every day. */
const latitude = fc.double({ min: -60, max: 60, noNaN: true });
const ms = (time: string | null) => Date.parse(time!);

describe('the day of the sun', () => {
  it('runs from dawn to dusk in order, and its middle is near local noon', () => {
    fc.assert(
      fc.property(day, latitude, longitude, (at, north, east) => {
        const { day: kind, civilDawn, sunrise, sunset, civilDusk } = sun({ date: dateOf(at), latitude: north, longitude: east });
        expect(kind).toBe('normal');
        expect(ms(sunrise)).toBeLessThan(ms(sunset));
        if (civilDawn) expect(ms(civilDawn)).toBeLessThan(ms(sunrise));
        if (civilDusk) expect(ms(civilDusk)).toBeGreaterThan(ms(sunset));
        const noon = Date.parse(`${dateOf(at)}T12:00:00Z`) - (east / 15) * 3_600_000;
        expect(Math.abs((ms(sunrise) + ms(sunset)) / 2 - noon)).toBeLessThan(25 * 60_000);
      }),
      { numRuns: 60 },
    );
  });

  it('is as long north as the night is south of the equator, near enough', () => {
    const hours = (date: string, north: number) => {
      const { sunrise, sunset } = sun({ date, latitude: north, longitude: 0 });
      return (ms(sunset) - ms(sunrise)) / 3_600_000;
    };
    for (const date of ['2026-06-21', '2026-11-24', '2027-02-02']) {
      // Light bends around the horizon, so both together have a little more than a day.
      const both = hours(date, 50) + hours(date, -50);
      expect(both).toBeGreaterThan(24);
      expect(both).toBeLessThan(24.6);
    }
    expect(hours('2026-06-21', 52)).toBeGreaterThan(16.5);
    expect(hours('2026-12-21', 52)).toBeLessThan(8);
  });

  it('has no end and no beginning beyond the polar circle', () => {
    expect(sun({ date: '2026-06-21', latitude: 78, longitude: 15 })).toMatchObject({
      day: 'polarDay',
      sunrise: null,
      sunset: null,
    });
    expect(sun({ date: '2026-12-21', latitude: 78, longitude: 15 })).toMatchObject({
      day: 'polarNight',
      sunrise: null,
      sunset: null,
    });
  });
});

describe('the moon', () => {
  const at = (time: number, north = 0, east = 0) => moon({ at: new Date(time).toISOString(), latitude: north, longitude: east });
  const FROM = Date.UTC(2026, 0, 1);

  it('goes through its phases in order, each month in 29 to 30 days', () => {
    const names = Array.from({ length: 24 * 120 }, (_, hour) => at(FROM + hour * 3_600_000).phaseName);
    const changes = names.flatMap((name, hour) => (hour > 0 && name !== names[hour - 1] ? [{ name, hour }] : []));
    for (let i = 1; i < changes.length; i++) {
      const [before, now] = [changes[i - 1]!, changes[i]!];
      expect(MOON_PHASES.indexOf(now.name)).toBe((MOON_PHASES.indexOf(before.name) + 1) % MOON_PHASES.length);
    }
    const full = changes.filter(({ name }) => name === 'fullMoon').map(({ hour }) => hour / 24);
    expect(full.length).toBeGreaterThanOrEqual(3);
    for (let i = 1; i < full.length; i++) {
      expect(full[i]! - full[i - 1]!).toBeGreaterThan(28.5);
      expect(full[i]! - full[i - 1]!).toBeLessThan(30.5);
    }
  });

  it('is lit most when full and hardly when new, wherever it is seen from', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3000 }), latitude, longitude, (hours, north, east) => {
        const { illuminatedFraction, phaseName } = at(FROM + hours * 3_600_000, north, east);
        expect(illuminatedFraction).toBeCloseTo(at(FROM + hours * 3_600_000).illuminatedFraction, 10);
        if (phaseName === 'fullMoon') expect(illuminatedFraction).toBeGreaterThan(0.93);
        if (phaseName === 'newMoon') expect(illuminatedFraction).toBeLessThan(0.07);
        if (phaseName.endsWith('Quarter')) expect(Math.abs(illuminatedFraction - 0.5)).toBeLessThan(0.25);
      }),
      { numRuns: 80 },
    );
  });

  it('refuses a day that there is not', () => {
    expect(() => moon({ at: '2026-02-31T08:00:00Z', latitude: 0, longitude: 0 })).toThrow('is no time');
    expect(() => sun({ date: '24.11.2026', latitude: 0, longitude: 0 })).toThrow('is no time');
    expect(() => sun({ date: '1949-12-31', latitude: 0, longitude: 0 })).toThrow('1950');
  });
});
