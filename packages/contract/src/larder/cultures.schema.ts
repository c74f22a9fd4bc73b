import * as v from 'valibot';
import { CULTURE_FOODS, CULTURE_SIGNS } from '@freshet/core/larder';
import { Id, Instant, Name, Override } from '../values';

const number = (low: number, high: number, what: string) =>
  v.pipe(
    v.number('Give a number.'),
    v.minValue(low, `${what} is at least ${low}.`),
    v.maxValue(high, `${what} is at most ${high}.`),
  );
const maybe = <Schema extends v.GenericSchema>(schema: Schema) => v.optional(v.nullable(schema));

/** What a hatch is set with. */
export const HatchSetting = v.object({
  cystsG: v.pipe(
    v.number('How many grams of cysts?'),
    v.gtValue(0, 'Some cysts are needed.'),
    v.maxValue(50, 'More than 50 g in one vessel do not hatch: they use up the air. Is it grams?'),
  ),
  litres: number(0.1, 200, 'The vessel'),
  saltG: number(0, 10_000, 'Salt'),
  lit: v.boolean(),
  /** The tin it is taken from, where it stands on the shelf. */
  tinId: v.nullable(Id),
});

export const NewCulture = v.object({
  id: Id,
  cultureId: Id,
  food: v.picklist(CULTURE_FOODS),
  name: v.nullable(Name),
  tankId: v.nullable(Id),
  startedAt: Instant,
  /** A kind of the keeper's own. */
  kindId: maybe(Id),
  vesselL: maybe(
    v.pipe(
      v.number('How many litres?'),
      v.gtValue(0, 'A vessel holds something.'),
      v.maxValue(20_000, 'That is more than a pond.'),
    ),
  ),
  /** Where it stands, when in no tank. */
  place: maybe(v.pipe(v.string(), v.trim(), v.maxLength(60, 'At most 60 characters.'))),
  /** Temperature of that place, °C. */
  tempC: maybe(number(0, 45, 'The temperature')),
  /** The culture it is started from. */
  fromId: maybe(Id),
  hatch: maybe(HatchSetting),
  override: Override,
});

export const CULTURE_EVENTS = ['fed', 'ripe', 'looked', 'harvested', 'counted', 'renewed', 'ended'] as const;
export const CULTURE_ENDS = ['emptied', 'crashed', 'usedUp', 'thrown'] as const;

const eventFields = v.object({
  id: Id,
  cultureId: Id,
  kind: v.picklist(CULTURE_EVENTS),
  at: Instant,
  /** How dense, 0 nothing to 4 full. */
  density: maybe(
    v.pipe(
      v.number('0 to 4.'),
      v.integer('Whole steps, 0 to 4.'),
      v.minValue(0, 'Density goes from 0, nothing, to 4, full.'),
      v.maxValue(4, 'Density goes from 0, nothing, to 4, full.'),
    ),
  ),
  signs: v.optional(v.pipe(v.array(v.picklist(CULTURE_SIGNS)), v.maxLength(12))),
  /** Animals counted in a drop or square, per ml. */
  perMl: maybe(number(0, 1e7, 'A count')),
  /** Taken out, ml as it is given. */
  ml: maybe(v.pipe(v.number('How many ml?'), v.gtValue(0, 'Some must be taken.'), v.maxValue(1e6, 'That is more than a tank.'))),
  /** A hatch taken off and kept for later. */
  kept: maybe(v.picklist(['cold', 'warm'])),
  /** Nauplii in each drop that was counted, ml in all, and drops a ml. */
  drops: maybe(
    v.object({
      counts: v.pipe(
        v.array(number(0, 5000, 'A drop')),
        v.minLength(1, 'Count one drop at least.'),
        v.maxLength(20, 'At most 20 drops.'),
      ),
      ml: v.pipe(
        v.number('How many ml in all?'),
        v.gtValue(0, 'How many ml in all?'),
        v.maxValue(100_000, 'That is more than a tub.'),
      ),
      /** Of this pipette; null: as it was measured before. */
      perMl: v.nullable(number(2, 200, 'Drops a ml')),
    }),
  ),
  /** How it ended. */
  ended: maybe(v.picklist(CULTURE_ENDS)),
  /** What else was in the net. */
  byCatch: maybe(v.pipe(v.string(), v.trim(), v.maxLength(200, 'At most 200 characters.'))),
  override: Override,
});

export const NewCultureEvent = v.pipe(
  eventFields,
  v.forward(
    v.partialCheck(
      [['kind'], ['density'], ['signs'], ['perMl']],
      ({ kind, density, signs, perMl }) => kind !== 'looked' || density != null || (signs ?? []).length > 0 || perMl != null,
      'Say how dense it is, or tick a sign.',
    ),
    ['density'],
  ),
  v.forward(
    v.partialCheck([['kind'], ['drops']], ({ kind, drops }) => kind !== 'counted' || drops != null, 'Count one drop at least.'),
    ['drops'],
  ),
);

const days = (most: number) =>
  v.pipe(v.number('Give days.'), v.minValue(0, 'Not below 0.'), v.maxValue(most, `At most ${most} days.`));

/** A kind of culture of the keeper's own. */
export const NewCultureKind = v.pipe(
  v.object({
    id: Id,
    kindId: Id,
    name: Name,
    /** What it is given in place of, and grows as. */
    standsFor: v.picklist(CULTURE_FOODS),
    ripeFrom: days(400),
    ripeTo: days(400),
    lastsDays: v.pipe(days(3650), v.minValue(1, 'At least a day.')),
    feedEveryDays: days(120),
    feed: v.pipe(v.string(), v.trim(), v.maxLength(80, 'At most 80 characters.')),
    sign: v.pipe(v.string(), v.trim(), v.minLength(1, 'How does a ripe one look?'), v.maxLength(120, 'At most 120 characters.')),
    atC: number(4, 35, 'The temperature'),
    vesselL: v.pipe(
      v.number('How many litres?'),
      v.gtValue(0, 'A vessel holds something.'),
      v.maxValue(20_000, 'That is more than a pond.'),
    ),
  }),
  v.forward(
    v.partialCheck([['ripeFrom'], ['ripeTo']], ({ ripeFrom, ripeTo }) => ripeFrom <= ripeTo, 'Not before the earliest.'),
    ['ripeTo'],
  ),
);

const Banded = v.object({ mean: v.number(), low90: v.number(), high90: v.number() });

export const CultureReply = v.object({
  id: v.string(),
  name: v.string(),
  food: v.picklist(CULTURE_FOODS),
  /** Name of a kind of the keeper's own. */
  kindName: v.nullable(v.string()),
  tankId: v.nullable(v.string()),
  place: v.nullable(v.string()),
  vesselL: v.number(),
  tempC: v.number(),
  fromId: v.nullable(v.string()),
  startedAt: v.string(),
  ripeSeenAt: v.nullable(v.string()),
  fedAt: v.nullable(v.string()),
  harvestedAt: v.nullable(v.string()),
  renewedAt: v.nullable(v.string()),
  kept: v.nullable(v.picklist(['cold', 'warm'])),
  phase: v.picklist(['ripening', 'maybeRipe', 'ripe', 'overdue']),
  ripeFrom: v.string(),
  ripeBy: v.string(),
  lastDay: v.string(),
  feedDue: v.nullable(v.string()),
  ripeness: v.number(),
  sign: v.string(),
  feed: v.string(),
  feedEveryDays: v.number(),
  batch: v.boolean(),
  signs: v.array(v.picklist(CULTURE_SIGNS)),
  hatch: v.nullable(v.object({ from: v.string(), by: v.string(), bestUntil: v.string(), goodUntil: v.string() })),
  setWith: v.nullable(HatchSetting),
  /** Most that a full vessel holds, ml as it is given. */
  fullMl: v.number(),
  density: v.nullable(v.number()),
  /** What its own looks have taught; null for hatches. */
  learned: v.nullable(
    v.object({
      ratePerDay: Banded,
      doublingDays: Banded,
      fullness: Banded,
      sustainableMlPerDay: Banded,
      share: v.number(),
      everyDays: v.number(),
      mayTakeMl: v.number(),
      nextInDays: v.number(),
      looks: v.number(),
    }),
  ),
  risks: v.array(v.object({ level: v.picklist(['watch', 'high']), words: v.string(), remedy: v.string() })),
  /** What to do with it so that its kind never dies out. */
  step: v.nullable(v.object({ action: v.picklist(['split', 'renew', 'empty', 'thin']), day: v.string(), why: v.string() })),
  looks: v.array(
    v.object({
      at: v.string(),
      density: v.nullable(v.number()),
      perMl: v.nullable(v.number()),
      signs: v.array(v.picklist(CULTURE_SIGNS)),
    }),
  ),
  harvests: v.array(v.object({ at: v.string(), ml: v.nullable(v.number()) })),
});

/** A culture in its family: who was started from whom, those that ended too. */
export const CultureKin = v.object({
  id: v.string(),
  name: v.string(),
  fromId: v.nullable(v.string()),
  startedAt: v.string(),
  endedAt: v.nullable(v.string()),
  ended: v.nullable(v.picklist(CULTURE_ENDS)),
});
