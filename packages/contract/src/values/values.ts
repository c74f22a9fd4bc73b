import * as v from 'valibot';

/** An id made by the client: UUIDv7 in lower case. */
export const Id = v.pipe(
  v.string(),
  v.regex(/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/, 'This is not an id.'),
);

/** Nothing in a fish room was logged before, or is planned beyond a lifetime. */
const FIRST_YEAR = 1950;
const LAST_YEAR = 2100;
const isWithinLifetime = (text: string) => Number(text.slice(0, 4)) >= FIRST_YEAR && Number(text.slice(0, 4)) <= LAST_YEAR;
const BEYOND = 'That is beyond a lifetime; look at the year.';

/** An instant, ISO 8601 in UTC with `Z`; brought to one form with milliseconds, so that instants compare as text. */
export const Instant = v.pipe(
  v.string(),
  v.regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,3})?)?Z$/, 'Give a date and time.'),
  v.check((text) => new Date(text).toJSON()?.startsWith(text.slice(0, 16)) ?? false, 'There’s no such date or time.'),
  v.check(isWithinLifetime, BEYOND),
  v.transform((text) => new Date(text).toISOString()),
);

/** A day of the house, `YYYY-MM-DD`. */
export const Day = v.pipe(
  v.string(),
  v.regex(/^\d{4}-\d{2}-\d{2}$/, 'Give a day.'),
  v.check((text) => new Date(`${text}T00:00:00Z`).toJSON()?.startsWith(text) ?? false, 'There’s no such day.'),
  v.check(isWithinLifetime, BEYOND),
);

/** Some time between two instants, both included. */
export const TimeRange = v.pipe(
  v.object({ from: Instant, to: Instant }),
  v.check((range) => range.from <= range.to, 'The first time must not be after the second.'),
);

/** When something happened: at an instant, or some time between two. */
export const When = v.union([Instant, TimeRange], 'Give a date and time.');

/** A number of animals. */
export const WholeCount = v.pipe(
  v.number('Give a number.'),
  v.integer('Animals come whole.'),
  v.minValue(0, 'A number of animals cannot be negative.'),
  v.maxValue(1_000_000, 'That is more than a million animals.'),
);

/** Animals by sex. */
export const Heads = v.object({ males: WholeCount, females: WholeCount, unsexed: WholeCount });

/** A name given by the keeper. */
export const Name = v.pipe(v.string(), v.trim(), v.minLength(1, 'A name is needed.'), v.maxLength(80, 'At most 80 characters.'));

/** A short code written on glass, such as A1.2. */
export const Code = v.pipe(
  v.string(),
  v.trim(),
  v.minLength(1, 'A code is needed.'),
  v.maxLength(8, 'At most 8 characters.'),
  v.regex(/^[\p{L}\p{N}][\p{L}\p{N}.\-/]*$/u, 'Letters, digits, dot, dash and slash only; no spaces.'),
);

/** Where something is, in words. */
export const PlaceWords = v.pipe(v.string(), v.trim(), v.minLength(1, 'Where is it?'), v.maxLength(60, 'At most 60 characters.'));

/** Free words. */
export const Note = v.pipe(v.string(), v.trim(), v.maxLength(2000, 'At most 2000 characters.'));

/** Why a warning is set aside; kept with the entry. */
export const Override = v.optional(
  v.object({ reason: v.pipe(v.string(), v.trim(), v.minLength(3, 'Say why in a few words.'), v.maxLength(300)) }),
);

/**
 * Which entry the form was filled from, so that what somebody changed meanwhile is not overwritten unseen: null when nothing had been
 * said yet. Left out, nothing is compared.
 */
export const Version = v.optional(v.nullable(Id));

export type OverrideInput = v.InferOutput<typeof Override>;

/** Money a house is kept in, ISO 4217. */
export const Currency = v.pipe(v.string(), v.trim(), v.toUpperCase(), v.regex(/^[A-Z]{3}$/, 'Three letters, such as EUR.'));
