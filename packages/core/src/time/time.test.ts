import fc from 'fast-check';
import {
  addDays,
  dayNumber,
  daysBetween,
  formatDateRange,
  formatDay,
  formatDayRange,
  formatInstantRange,
  houseDay,
  instantOf,
  isWeekend,
  lapse,
  localTime,
  readDayText,
  readMomentText,
  startOfDay,
  weekday,
} from './index';

const DUBLIN = 'Europe/Dublin';

describe('the house’s day', () => {
  it('is not that of UTC: late in the evening west of Greenwich, early in the morning in summer', () => {
    expect(houseDay('2026-07-01T23:30:00Z', DUBLIN)).toBe('2026-07-02');
    expect(houseDay('2026-12-01T23:30:00Z', DUBLIN)).toBe('2026-12-01');
    expect(houseDay('2026-12-01T03:00:00Z', 'America/New_York')).toBe('2026-11-30');
  });

  it('begins an hour late or early where the clocks change', () => {
    const hours = (day: string) =>
      (Date.parse(startOfDay(addDays(day, 1), DUBLIN)) - Date.parse(startOfDay(day, DUBLIN))) / 3_600_000;
    expect(hours('2026-03-29')).toBe(23);
    expect(hours('2026-10-25')).toBe(25);
    expect(hours('2026-06-01')).toBe(24);
  });

  it('and the wall clock lead back to the same instant', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: Date.parse('2020-01-01'), max: Date.parse('2035-01-01') }),
        fc.constantFrom(DUBLIN, 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland'),
        (ms, zone) => {
          const minute = Math.floor(ms / 60_000) * 60_000;
          const back = Date.parse(instantOf(houseDay(minute, zone), localTime(minute, zone), zone));
          // In the hour that comes twice in autumn either of the two is right.
          expect(Math.abs(back - minute) % 3_600_000).toBe(0);
          expect(Math.abs(back - minute)).toBeLessThanOrEqual(3_600_000);
          expect(localTime(back, zone)).toBe(localTime(minute, zone));
        },
      ),
    );
  });
});

describe('days', () => {
  it('add up over months, years and leap days', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(daysBetween('2026-11-24', '2026-12-15')).toBe(21);
    fc.assert(
      fc.property(fc.integer({ min: 10_000, max: 30_000 }), fc.integer({ min: -5000, max: 5000 }), (number, count) => {
        const day = addDays('1970-01-01', number);
        expect(dayNumber(day)).toBe(number);
        expect(daysBetween(day, addDays(day, count))).toBe(count);
      }),
    );
  });

  it('know their names', () => {
    expect(weekday('2026-11-24')).toBe('Tue');
    expect(['2026-11-27', '2026-11-28', '2026-11-29', '2026-11-30'].map(isWeekend)).toEqual([false, true, true, false]);
  });
});

describe('showing days', () => {
  const today = '2026-11-24';
  it('leaves the year out while it is in no doubt', () => {
    expect(formatDay('2026-12-04', today)).toBe('Fri 4 Dec');
    expect(formatDay('2027-02-04', today)).toBe('Thu 4 Feb');
    expect(formatDay('2025-11-24', today)).toBe('Mon 24 Nov 2025');
  });

  it('writes windows as keepers do', () => {
    expect(formatDayRange('2026-12-03', '2026-12-05', today)).toBe('Thu 3 – Sat 5 Dec');
    expect(formatDayRange('2026-11-30', '2026-12-02', today)).toBe('Mon 30 Nov – Wed 2 Dec');
    expect(formatDayRange('2026-12-03', '2026-12-03', today)).toBe('Thu 3 Dec');
    expect(formatDateRange('2027-01-17', '2027-02-27', today)).toBe('17 Jan – 27 Feb');
    expect(formatInstantRange({ from: '2026-11-23T22:00:00Z', to: '2026-11-24T07:00:00Z' }, today, DUBLIN)).toBe(
      'Mon 23 Nov 22:00 – Tue 24 Nov 07:00',
    );
    expect(formatInstantRange({ from: '2026-11-24T06:00:00Z', to: '2026-11-24T07:00:00Z' }, today, DUBLIN)).toBe(
      'Tue 24 Nov 06:00 – 07:00',
    );
  });
});

describe('a day as typed', () => {
  const TUESDAY = '2026-11-24';
  it.each([
    ['Fri', 'ahead', '2026-11-27'],
    ['Fri', 'past', '2026-11-20'],
    ['tue', 'ahead', '2026-11-24'],
    ['Tue 24 Nov', 'past', '2026-11-24'],
    ['3 Dec', 'ahead', '2026-12-03'],
    ['Dec 3', 'ahead', '2026-12-03'],
    ['5 Jan', 'ahead', '2027-01-05'],
    ['28 Oct', 'past', '2026-10-28'],
    ['tomorrow', 'ahead', '2026-11-25'],
    ['in 2 weeks', 'ahead', '2026-12-08'],
    ['yesterday', 'past', '2026-11-23'],
    ['2026-11-20', 'past', '2026-11-20'],
    ['3 Dec 2025', 'past', '2025-12-03'],
    ['31 Feb', 'ahead', null],
    ['soon', 'ahead', null],
    ['Fri at 6', 'past', null],
    ['', 'past', null],
  ] as const)('%s (%s) is %s', (text, towards, day) => {
    expect(readDayText(text, TUESDAY, towards)).toBe(day);
  });

  it('with a time is a moment of the house, and a whole day is none', () => {
    const context = { now: '2026-11-24T07:12:00.000Z', timeZone: 'Europe/Dublin' };
    const read = (text: string) => readMomentText(text, context);
    expect(read('yesterday 22:00')).toBe('2026-11-23T22:00');
    expect(read('Fri at 6')).toBe('2026-11-20T06:00');
    expect(read('Tue 24 Nov 06:50')).toBe('2026-11-24T06:50');
    expect(read('2026-11-22T18:30')).toBe('2026-11-22T18:30');
    expect(read('at 6')).toBe('2026-11-24T06:00');
    expect([read('yesterday'), read('nonsense'), read('25:00')]).toEqual([null, null, null]);
  });
});

describe('a lapse', () => {
  it('is told in hours below a day', () => {
    expect(lapse([0.25, 4])).toBe('6 hours to 4 days');
    expect(lapse([0.5, 0.75])).toBe('12 to 18 hours');
    expect(lapse([1, 1])).toBe('1 day');
    expect(lapse([2.4, 5])).toBe('2.5 to 5 days');
  });
});
