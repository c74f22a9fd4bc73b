import { lexicon } from './words';
import { addDays, houseDay, instantOf, startOfDay, type Day, type Instant, type TimeRange } from './houseDay';

/** When something was, as keepers say it, and how many words that took. */
export type WhenRead =
  { ok: true; used: number; range: TimeRange } | { ok: false; at: number; problem: 'outOfRange' | 'incomplete'; message: string };

/** What the reading of a time depends on. */
export interface WhenContext {
  now: Instant;
  timeZone: string;
}

const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
];
/** Parts of a day, by the clock of the house. */
const PARTS = lexicon<readonly [string, string]>({
  morning: ['06:00', '12:00'],
  afternoon: ['12:00', '18:00'],
  evening: ['18:00', '24:00'],
  night: ['18:00', '30:00'],
});
const CLOCKS = lexicon<string>({ noon: '12:00', midday: '12:00', midnight: '00:00' });
const AGO_MS = lexicon<number>({ minute: 60_000, min: 60_000, hour: 3_600_000, hr: 3_600_000, h: 3_600_000 });
/** A date without a year that lies ahead is last year's only when that is not much longer ago than this. */
const LAST_YEAR_DAYS = 183;

const startsWord = (list: readonly string[], word: string): number =>
  word.length >= 3 ? list.findIndex((name) => name.startsWith(word)) : -1;
const singular = (word: string) => word.replace(/s$/, '');
const weekdayOf = (day: Day) => new Date(`${day}T00:00:00Z`).getUTCDay();

/** A time of the clock out of one or two words: "22:00", "6 pm", "6pm", "noon"; a bare hour only where one was asked for. */
function readClock(words: readonly string[], i: number, bare: boolean): { time: string; used: number; wrong?: boolean } | null {
  const word = words[i] ?? '';
  const named = CLOCKS[word];
  if (named) return { time: named, used: 1 };
  const match = /^(\d{1,2})(?:([:.h])(\d{2})?)?(am|pm)?$/.exec(word) ?? (bare ? /^(\d{1,2})()(\d{2})$/.exec(word) : null);
  if (!match) return null;
  const half = match[4] ?? (['am', 'pm'].includes(words[i + 1] ?? '') ? words[i + 1] : undefined);
  const used = match[4] === undefined && half ? 2 : 1;
  const separated = match[2] === ':' || (match[2] === '.' && bare) || match[2] === 'h';
  if (!bare && !half && !(separated && match[3])) return null;
  if (match[2] === '.' && !bare && !half) return null;
  const typed = Number(match[1]);
  const hour = half ? (typed % 12) + (half === 'pm' ? 12 : 0) : typed;
  const minute = Number(match[3] ?? 0);
  const wrong = hour > 23 || minute > 59 || (half !== undefined && (typed < 1 || typed > 12));
  return { time: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`, used, wrong };
}

/** A day out of some words: "yesterday", "Fri", "3 Dec", "Dec 3", "2026-11-22", "2 days ago". */
export function readDay(
  words: readonly string[],
  i: number,
  today: Day,
  towards: 'past' | 'ahead' = 'past',
): { day: Day; used: number } | null {
  const [word = '', next = '', third = ''] = words.slice(i, i + 3);
  if (word === 'today') return { day: today, used: 1 };
  if (word === 'yesterday') return { day: addDays(today, -1), used: 1 };
  if (/^\d{4}-\d{2}-\d{2}$/.test(word) && !Number.isNaN(Date.parse(`${word}T00:00:00Z`)))
    return addDays(word, 0) === word ? { day: word, used: 1 } : null;
  const last = word === 'last' ? 1 : 0;
  const weekday = startsWord(WEEKDAYS, last ? next : word);
  if (weekday >= 0) {
    if (towards === 'ahead' && !last) return { day: addDays(today, (weekday - weekdayOf(today) + 7) % 7), used: 1 };
    const back = (weekdayOf(today) - weekday + 7) % 7;
    return { day: addDays(today, -(last && back === 0 ? 7 : back)), used: 1 + last };
  }
  const number = (text: string) => (/^\d{1,2}(st|nd|rd|th)?$/.test(text) ? parseInt(text, 10) : null);
  if (singular(next) === 'day' && third === 'ago' && number(word) !== null)
    return { day: addDays(today, -Number(number(word))), used: 3 };
  const [dayOfMonth, month] =
    number(word) !== null && startsWord(MONTHS, next) >= 0
      ? [number(word), startsWord(MONTHS, next)]
      : number(next) !== null && startsWord(MONTHS, word) >= 0
        ? [number(next), startsWord(MONTHS, word)]
        : [null, -1];
  if (dayOfMonth === null || month < 0) return null;
  const withYear = /^20\d{2}$/.test(third);
  const of = (year: number) => `${year}-${String(month + 1).padStart(2, '0')}-${String(dayOfMonth).padStart(2, '0')}`;
  const real = (day: Day) => !Number.isNaN(Date.parse(`${day}T00:00:00Z`)) && addDays(day, 0) === day;
  const thisYear = Number(today.slice(0, 4));
  let day = of(withYear ? Number(third) : thisYear);
  if (!withYear && towards === 'ahead' && day < addDays(today, -LAST_YEAR_DAYS) && real(of(thisYear + 1))) day = of(thisYear + 1);
  if (
    !withYear &&
    towards === 'past' &&
    day > today &&
    real(of(thisYear - 1)) &&
    of(thisYear - 1) >= addDays(today, -LAST_YEAR_DAYS)
  )
    day = of(thisYear - 1);
  return real(day) ? { day, used: withYear ? 3 : 2 } : null;
}

/**
 * Reads when something was out of lower-case words, beginning at one of them: a clock ("22:00", "at 6", "6 pm"), a day ("yesterday",
 * "Fri", "3 Dec"), a part of one ("last night" is 18:00 to 06:00, "this morning"), a time ago, or a day with a clock. A whole day is
 * that day of the house; what would reach beyond now ends now. Null when the words say nothing of time.
 */
export function readWhen(words: readonly string[], from: number, { now, timeZone }: WhenContext): WhenRead | null {
  const today = houseDay(now, timeZone);
  const ahead = (at: number): WhenRead => ({ ok: false, at, problem: 'outOfRange', message: 'That is still ahead.' });
  const range = (start: Instant, end: Instant, used: number): WhenRead =>
    start > now ? ahead(from) : { ok: true, used, range: { from: start, to: end > now ? now : end } };
  const at = (day: Day, time: string): Instant => {
    const hour = Number(time.slice(0, 2));
    return hour >= 24
      ? instantOf(addDays(day, 1), `${String(hour - 24).padStart(2, '0')}${time.slice(2)}`, timeZone)
      : instantOf(day, time, timeZone);
  };

  const [word = '', next = '', third = ''] = words.slice(from, from + 3);
  if (word === 'now') return { ok: true, used: 1, range: { from: now, to: now } };
  const unit = AGO_MS[singular(next)];
  const count = word === 'an' || word === 'a' ? 1 : /^\d{1,3}$/.test(word) ? Number(word) : null;
  if (unit && third === 'ago' && count !== null) {
    const then = new Date(Date.parse(now) - count * unit).toISOString();
    return { ok: true, used: 3, range: { from: then, to: then } };
  }

  let i = from;
  let day: Day | null = null;
  let part: string | null = null;
  let clock: string | null = null;
  for (;;) {
    const here = words[i] ?? '';
    const follows = words[i + 1] ?? '';
    if (!day && part === null && (here === 'last' || here === 'this') && follows in PARTS) {
      part = follows;
      day = here === 'last' ? addDays(today, -1) : today;
      i += 2;
    } else if (part === null && (here === 'tonight' || here === 'overnight')) {
      part = here === 'tonight' ? 'evening' : 'night';
      day = here === 'tonight' ? today : addDays(today, -1);
      i += 1;
    } else if (day && part === null && here in PARTS) {
      part = here;
      i += 1;
    } else if (!clock && (here === 'at' || (here === 'on' && !day))) {
      const said = here === 'at' ? readClock(words, i + 1, true) : null;
      const on: ReturnType<typeof readDay> = readDay(words, i + 1, today);
      if (said?.wrong) return { ok: false, at: i + 1, problem: 'outOfRange', message: 'That is no time of the clock.' };
      if (said) [clock, i] = [said.time, i + 1 + said.used];
      else if (on && !day) [day, i] = [on.day, i + 1 + on.used];
      else
        return {
          ok: false,
          at: follows ? i + 1 : i,
          problem: 'incomplete',
          message: `After "${here}" a time is needed, such as 22:00 or Fri.`,
        };
    } else {
      const said: ReturnType<typeof readClock> = clock ? null : readClock(words, i, false);
      const on: ReturnType<typeof readDay> = day ? null : readDay(words, i, today);
      if (on) [day, i] = [on.day, i + on.used];
      else if (said?.wrong) return { ok: false, at: i, problem: 'outOfRange', message: 'That is no time of the clock.' };
      else if (said) [clock, i] = [said.time, i + said.used];
      else break;
    }
  }
  if (i === from) return null;
  const used = i - from;
  if (day && day > today) return ahead(from);
  if (clock) {
    // A clock beside "last night" is of the evening or of the morning after; alone it is the last time the clock showed it.
    const on: Day | null = day && part === 'night' && clock < '12:00' ? addDays(day, 1) : day;
    const instant = at(on ?? today, clock);
    if (!on && instant > now) return range(at(addDays(today, -1), clock), at(addDays(today, -1), clock), used);
    return range(instant, instant, used);
  }
  if (day && part) {
    const [start, end] = PARTS[part] ?? ['00:00', '24:00'];
    return range(at(day, start), at(day, end), used);
  }
  return day ? range(startOfDay(day, timeZone), startOfDay(addDays(day, 1), timeZone), used) : null;
}
