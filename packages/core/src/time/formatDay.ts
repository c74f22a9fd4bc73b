import { houseDay, localTime, type Day, type Instant, type TimeRange } from './houseDay';

const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const weekdayIndex = (day: Day) => new Date(`${day}T00:00:00Z`).getUTCDay();

/** Short weekday name of a day. */
export function weekday(day: Day): string {
  return WEEKDAYS[weekdayIndex(day)] ?? '';
}

/** True on Saturday and Sunday. */
export function isWeekend(day: Day): boolean {
  return [0, 6].includes(weekdayIndex(day));
}

/** A day as keepers write it, "Thu 4 Dec"; the year is added when it is not that of `today`. */
export function formatDay(day: Day, today: Day): string {
  const year = day.slice(0, 4) === today.slice(0, 4) ? '' : ` ${day.slice(0, 4)}`;
  return `${weekday(day)} ${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''}${year}`;
}

/** A window of days, "Thu 4 – Sat 6 Dec"; one day when both are equal. */
export function formatDayRange(from: Day, to: Day, today: Day): string {
  if (from === to) return formatDay(from, today);
  const sameMonth = from.slice(0, 7) === to.slice(0, 7);
  return `${sameMonth ? `${weekday(from)} ${Number(from.slice(8))}` : formatDay(from, today)} – ${formatDay(to, today)}`;
}

/** An instant in the house, "Thu 4 Dec 07:30". */
export function formatInstant(at: Instant, today: Day, timeZone: string): string {
  return `${formatDay(houseDay(at, timeZone), today)} ${localTime(at, timeZone)}`;
}

/** An instant or the span it lies in, "Mon 1 Dec 22:00 – Tue 2 Dec 07:00". */
export function formatInstantRange(range: TimeRange, today: Day, timeZone: string): string {
  if (range.from === range.to) return formatInstant(range.from, today, timeZone);
  const sameDay = houseDay(range.from, timeZone) === houseDay(range.to, timeZone);
  const end = sameDay ? localTime(range.to, timeZone) : formatInstant(range.to, today, timeZone);
  return `${formatInstant(range.from, today, timeZone)} – ${end}`;
}
