/** How often in days: "every day", "every 3 days". */
export const everyDays = (days: number): string => (days === 1 ? 'every day' : `every ${days} days`);

/** How often in a day: "once a day", "3 × a day". */
export const timesADay = (times: number): string => (times === 1 ? 'once a day' : `${times} × a day`);

/** Names in a row: "a, b and c". */
export const inARow = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** Words with a capital, as a sentence begins. */
export const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words and what they mean, without those every object knows ("constructor"). */
export const lexicon = <T>(words: Record<string, T>): Readonly<Record<string, T>> =>
  Object.assign(Object.create(null) as Record<string, T>, words);

/** A span of days in words, hours where it is shorter than a day: "6 hours to 4 days", "3 to 5 days". */
export function lapse([from, to]: readonly [number, number]): string {
  const say = (days: number) =>
    days < 1 ? { value: Math.max(1, Math.round(days * 24)), unit: 'hour' } : { value: Math.round(days * 2) / 2, unit: 'day' };
  const [low, high] = [say(from), say(to)];
  const end = `${high.value} ${high.unit}${high.value === 1 ? '' : 's'}`;
  if (low.value === high.value && low.unit === high.unit) return end;
  return `${low.value}${low.unit === high.unit ? '' : ` ${low.unit}${low.value === 1 ? '' : 's'}`} to ${end}`;
}
