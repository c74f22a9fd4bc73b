import { daysBetween, houseDay, localTime, type Day, type Instant, type TimeRange } from './houseDay';

const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
/** Short names of the months. */
export const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const weekdayIndex = (day: Day) => new Date(`${day}T00:00:00Z`).getUTCDay();

/** Short weekday name of a day. */
export function weekday(day: Day): string {
  return WEEKDAYS[weekdayIndex(day)] ?? '';
}

/** True on Saturday and Sunday. */
export function isWeekend(day: Day): boolean {
  return [0, 6].includes(weekdayIndex(day));
}

/** Beyond this a weekday says nothing and the year may be in doubt. */
const NEAR_DAYS = 183;
const isFar = (day: Day, today: Day) => Math.abs(daysBetween(today, day)) > NEAR_DAYS;

/** A day as keepers write it, "Thu 4 Dec"; with its year when it is more than half a year from `today`. */
export function formatDay(day: Day, today: Day): string {
  const year = isFar(day, today) ? ` ${day.slice(0, 4)}` : '';
  return `${weekday(day)} ${Number(day.slice(8))} ${MONTHS[Number(day.slice(5, 7)) - 1] ?? ''}${year}`;
}

/** A day without its weekday, "4 Dec", for what lies weeks away. */
export function formatDate(day: Day, today: Day): string {
  return formatDay(day, today).split(' ').slice(1).join(' ');
}

/** A window of days without weekdays, "17 Jan – 27 Feb". */
export function formatDateRange(from: Day, to: Day, today: Day): string {
  if (from === to) return formatDate(from, today);
  const first = from.slice(0, 7) === to.slice(0, 7) ? String(Number(from.slice(8))) : formatDate(from, today);
  return `${first} – ${formatDate(to, today)}`;
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
