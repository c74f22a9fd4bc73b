/** A calendar day of the house, `YYYY-MM-DD`. */
export type Day = string;
/** An instant, ISO 8601 in UTC with `Z`. */
export type Instant = string;
/** An uncertain instant: some time from `from` to `to`, both included; equal when it is known exactly. */
export interface TimeRange {
  from: Instant;
  to: Instant;
}

/** A moment that is known exactly, as the span it lies in. */
export const exactly = (at: Instant): TimeRange => ({ from: at, to: at });
/** When something happened, as the span it lies in. */
export const spanOf = (at: Instant | TimeRange): TimeRange => (typeof at === 'string' ? exactly(at) : at);
/** The middle of an uncertain instant. */
export const middleOf = ({ from, to }: TimeRange): Instant => new Date((Date.parse(from) + Date.parse(to)) / 2).toISOString();
/** An instant so many times 24 hours later, or earlier. */
export const plusDays = (at: Instant, days: number): Instant => new Date(Date.parse(at) + days * 86_400_000).toISOString();

const DAY_MS = 86_400_000;
/** Zones change their offset at quarters of an hour at the finest. */
const QUARTER_MS = 900_000;
const formatters = new Map<string, Intl.DateTimeFormat>();
const offsets = new Map<string, Map<number, number>>();

/** Offset of a zone from UTC as the platform's time-zone data has it, ms; slow. */
function lookUpOffset(instantMs: number, timeZone: string): number {
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
  const parts: Record<string, number> = {};
  for (const { type, value } of formatter.formatToParts(instantMs)) parts[type] = Number(value);
  const { year = 0, month = 1, day = 1, hour = 0, minute = 0 } = parts;
  return Date.UTC(year, month - 1, day, hour, minute) - Math.floor(instantMs / 60_000) * 60_000;
}

/** The same, looked up once for each quarter of an hour: a round asks for the day of thousands of instants. */
function offsetMs(instantMs: number, timeZone: string): number {
  let known = offsets.get(timeZone);
  if (!known) {
    known = new Map<number, number>();
    offsets.set(timeZone, known);
  }
  const quarter = Math.floor(instantMs / QUARTER_MS);
  let offset = known.get(quarter);
  if (offset !== undefined) return offset;
  offset = lookUpOffset(quarter * QUARTER_MS, timeZone);
  known.set(quarter, offset);
  return offset;
}

/** Wall-clock text of an instant, `YYYY-MM-DDTHH:MM…`. */
function wallClock(instant: Instant | number, timeZone: string): string {
  const ms = typeof instant === 'number' ? instant : Date.parse(instant);
  return new Date(ms + offsetMs(ms, timeZone)).toISOString();
}

/** The house's calendar day at an instant. @param timeZone - IANA name, such as Europe/Dublin */
export function houseDay(instant: Instant | number, timeZone: string): Day {
  return wallClock(instant, timeZone).slice(0, 10);
}

/** The house's wall-clock time at an instant, `HH:MM`. */
export function localTime(instant: Instant | number, timeZone: string): string {
  return wallClock(instant, timeZone).slice(11, 16);
}

/** The instant of a wall-clock time in the house; in the hour skipped in spring, the instant one hour later. */
export function instantOf(day: Day, time: string, timeZone: string): Instant {
  const wanted = Date.parse(`${day}T${time}:00Z`);
  let guess = wanted;
  for (let i = 0; i < 2; i++) {
    guess += wanted - Date.parse(`${wallClock(guess, timeZone).slice(0, 16)}:00Z`);
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
