import * as v from 'valibot';
import { ALARM_TOPICS, type Alarm, type Bar, type Chore, type Meal, type Tick } from '@freshet/core/agenda';

/** What ticking a chore logs besides the chore: which kinds there are is known to the areas that registered them. */
export const TickSchema = v.object({
  kind: v.pipe(v.string(), v.regex(/^[a-zA-Z]{2,40}$/, 'Not a kind of tick.')),
  id: v.nullable(v.pipe(v.string(), v.maxLength(80))),
  what: v.nullable(v.pipe(v.string(), v.maxLength(80))),
}) satisfies v.GenericSchema<Tick>;

/** A chore as it is shown. */
export const ChoreSchema = v.object({
  key: v.string(),
  kind: v.string(),
  way: v.picklist(['do', 'watch']),
  seconds: v.number(),
  covers: v.pipe(v.array(v.string()), v.readonly()),
  asks: v.nullable(
    v.object({ label: v.string(), of: v.picklist(['temperature', 'count', 'sighting']), unit: v.string(), needed: v.boolean() }),
  ),
  text: v.string(),
  amount: v.nullable(v.object({ value: v.number(), unit: v.string() })),
  amountText: v.string(),
  more: v.string(),
  meal: v.boolean(),
  why: v.array(v.string()),
  caution: v.nullable(v.string()),
  walk: v.number(),
  overdue: v.boolean(),
  tick: v.nullable(TickSchema),
  outcome: v.nullable(
    v.object({ entryId: v.string(), status: v.picklist(['done', 'skipped']), amount: v.nullable(v.number()), by: v.string() }),
  ),
}) satisfies v.GenericSchema<Chore>;

/** What one tank is fed on one walk. */
export const MealSchema = v.object({
  walk: v.number(),
  words: v.string(),
  keys: v.array(v.string()),
}) satisfies v.GenericSchema<Meal>;

export const SubjectSchema = v.object({
  kind: v.picklist(['brood', 'tank', 'attempt', 'larder', 'growout', 'species', 'order']),
  id: v.string(),
});

export const AlarmSchema = v.object({
  key: v.string(),
  cause: v.optional(v.string()),
  about: v.optional(
    v.object({
      topic: v.picklist(ALARM_TOPICS),
      part: v.string(),
    }),
  ),
  severity: v.picklist(['now', 'soon']),
  title: v.string(),
  text: v.string(),
  subject: v.nullable(SubjectSchema),
}) satisfies v.GenericSchema<Alarm>;

export const BarSchema = v.object({
  key: v.string(),
  kind: v.picklist(['eggs', 'yolk', 'fry', 'growing', 'ready', 'breeders', 'culture', 'tank']),
  rank: v.number(),
  from: v.string(),
  to: v.string(),
  label: v.string(),
  predicted: v.boolean(),
  urgent: v.boolean(),
  subject: SubjectSchema,
}) satisfies v.GenericSchema<Bar>;
