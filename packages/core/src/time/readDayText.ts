import { addDays, houseDay, localTime, type Day } from './houseDay';
import { readDay, readWhen, type WhenContext } from './readWhen';

/** A day as typed: the last such day where things are logged, the next where they are planned. */
export type Towards = 'past' | 'ahead';

const wordsOf = (text: string): string[] =>
  text
    .trim()
    .toLowerCase()
    // "2026-11-24T07:30", "24/Nov", "Fri, 3 Dec"
    .replace(/(\d)t(\d)/, '$1 $2')
    .split(/[\s,/]+/)
    .filter(Boolean);

/** A day out of what was typed: "Fri", "3 Dec", "tomorrow", "in 2 weeks", "2026-11-24"; a weekday before a date is no contradiction. Null for anything else. */
export function readDayText(text: string, today: Day, towards: Towards): Day | null {
  const words = wordsOf(text);
  const [first = '', second = '', third = ''] = words;
  if (words.length === 1 && first === 'tomorrow') return addDays(today, 1);
  if (words.length === 3 && first === 'in' && /^\d{1,3}$/.test(second)) {
    const unit = { day: 1, days: 1, week: 7, weeks: 7 }[third];
    return unit ? addDays(today, Number(second) * unit) : null;
  }
  const whole = readDay(words, 0, today, towards);
  if (whole && whole.used === words.length) return whole.day;
  // "Tue 24 Nov": the date says it, the weekday only confirms.
  const dated = whole?.used === 1 ? readDay(words, 1, today, towards) : null;
  return dated && dated.used + 1 === words.length ? dated.day : null;
}

/** A day and a time out of what was typed, as wall-clock text `YYYY-MM-DDTHH:MM`; null when it says no moment. */
export function readMomentText(text: string, context: WhenContext): string | null {
  const words = wordsOf(text);
  const weekday = words.length > 2 && readDay(words, 0, houseDay(context.now, context.timeZone), 'past')?.used === 1;
  for (const list of weekday ? [words, words.slice(1)] : [words]) {
    const read = list.length > 0 ? readWhen(list, 0, context) : null;
    if (!read?.ok || read.used !== list.length) continue;
    const { from, to } = read.range;
    // A whole day or a part of one is no moment: a clock is needed.
    if (from === to) return `${houseDay(to, context.timeZone)}T${localTime(to, context.timeZone)}`;
  }
  return null;
}
