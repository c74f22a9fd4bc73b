/** A calendar day of the house, `YYYY-MM-DD`. */
export type Day = string;
/** An instant, ISO 8601 in UTC with `Z`. */
export type Instant = string;
/** An uncertain instant: some time from `from` to `to`, both included; equal when it is known exactly. */
export interface TimeRange {
  from: Instant;
  to: Instant;
}

const DAY_MS = 86_400_000;
const formatters = new Map<string, Intl.DateTimeFormat>();

function wallClock(instantMs: number, timeZone: string) {
  let formatter = formatters.get(timeZone);
  if (!formatter) {
    formatter = new Intl.DateTimeFormat('en-GB', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    });
    formatters.set(timeZone, formatter);
  }
  const parts: Record<string, string> = {};
  for (const { type, value } of formatter.formatToParts(instantMs)) parts[type] = value;
  const { year = '', month = '', day = '', hour = '', minute = '' } = parts;
  return { day: `${year}-${month}-${day}`, hour, minute };
}

/** The house's calendar day at an instant. @param timeZone - IANA name, such as Europe/Dublin */
export function houseDay(instant: Instant | number, timeZone: string): Day {
  return wallClock(typeof instant === 'number' ? instant : Date.parse(instant), timeZone).day;
}

/** The house's wall-clock time at an instant, `HH:MM`. */
export function localTime(instant: Instant | number, timeZone: string): string {
  const { hour, minute } = wallClock(typeof instant === 'number' ? instant : Date.parse(instant), timeZone);
  return `${hour}:${minute}`;
}

/** The instant of a wall-clock time in the house; in the hour skipped in spring, the instant one hour later. */
export function instantOf(day: Day, time: string, timeZone: string): Instant {
  const wanted = Date.parse(`${day}T${time}:00Z`);
  let guess = wanted;
  for (let i = 0; i < 2; i++) {
    const shown = wallClock(guess, timeZone);
    guess += wanted - Date.parse(`${shown.day}T${shown.hour}:${shown.minute}:00Z`);
  }
  return new Date(guess).toISOString();
}

/** The instant at which a day begins in the house. */
export function startOfDay(day: Day, timeZone: string): Instant {
  return instantOf(day, '00:00', timeZone);
}

/** Whole days since 1970-01-01. */
export function dayNumber(day: Day): number {
  return Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
}

/** The day `count` days later (earlier when negative). */
export function addDays(day: Day, count: number): Day {
  return new Date(Date.parse(`${day}T00:00:00Z`) + count * DAY_MS).toISOString().slice(0, 10);
}

/** Whole days from one day to another; negative when `to` is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return dayNumber(to) - dayNumber(from);
}
