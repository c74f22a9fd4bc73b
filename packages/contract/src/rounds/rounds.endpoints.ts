import * as v from 'valibot';
import { LIFE_STAGES } from '@freshet/core/broods';
import { AlarmSchema, BarSchema, ChoreSchema, MealSchema, TickSchema } from '../agenda';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id, Instant, Override, TimeRange } from '../values';

const Stop = v.object({
  tankId: v.nullable(v.string()),
  code: v.string(),
  rackCode: v.string(),
  quarantine: v.boolean(),
  who: v.string(),
  detail: v.string(),
  stage: v.nullable(v.picklist([...LIFE_STAGES, 'breeders', 'culture'])),
  notes: v.array(v.string()),
  chores: v.array(ChoreSchema),
  meals: v.array(MealSchema),
});

export const RoundReply = v.object({
  day: Day,
  stops: v.array(Stop),
  rackMeals: v.array(
    v.object({
      rackCode: v.string(),
      walk: v.number(),
      words: v.string(),
      stops: v.array(v.object({ tankId: v.string(), keys: v.array(v.string()) })),
    }),
  ),
  alarms: v.array(AlarmSchema),
  walks: v.pipe(v.array(v.string()), v.readonly()),
  total: v.number(),
  done: v.number(),
  minutesLeft: v.number(),
});

export const HorizonReply = v.object({ today: Day, items: v.array(BarSchema) });

/** A chore done or left out. */
export const NewOutcome = v.object({
  id: Id,
  choreKey: v.pipe(v.string(), v.minLength(3), v.maxLength(200)),
  day: Day,
  status: v.picklist(['done', 'skipped']),
  text: v.pipe(v.string(), v.maxLength(200)),
  tankId: v.nullable(Id),
  amount: v.nullable(v.pipe(v.number(), v.minValue(0, 'An amount cannot be negative.'), v.maxValue(1e6, 'That is too much.'))),
  unit: v.nullable(v.pipe(v.string(), v.maxLength(20))),
  tick: v.nullable(TickSchema),
  /** What was seen of what was looked for. */
  answer: v.optional(v.nullable(v.picklist(['notYet', 'some', 'all']))),
  /** Between when it happened, as far as is known; since the last look when nothing is said. */
  seen: v.optional(v.nullable(TimeRange)),
  /** When it was done, which may be before it reached the server. */
  at: Instant,
  override: Override,
});

/** Chores ticked with one tap, as planned: of a meal, of a stop, of a rack. They stand and are undone as one entry. */
export const NewTicks = v.object({
  id: Id,
  outcomes: v.pipe(
    v.array(v.omit(NewOutcome, ['id', 'override'])),
    v.minLength(1, 'Nothing is left to tick.'),
    v.maxLength(200, 'At most 200 at once.'),
  ),
  at: Instant,
  override: Override,
});

/** One jotted line; `at` is when it was typed, so that a line sent late is read as it was meant. */
export const NewJot = v.object({
  id: Id,
  line: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(300)),
  at: Instant,
  override: Override,
});

/** What is logged here: who may, and which addresses show it. */
export const roundsEntries = entries({
  outcome: { role: 'sitter', words: 'chore ticked', touches: [...TOUCHES.all] },
  ticks: { role: 'sitter', words: 'chores ticked', touches: [...TOUCHES.all] },
  jot: { role: 'sitter', words: 'line jotted', touches: [...TOUCHES.all] },
});

export const roundsEndpoints = {
  round: endpoint({
    method: 'GET',
    path: '/api/rounds',
    summary: 'The round of a day, worked out now',
    role: 'viewer',
    query: v.object({ day: v.optional(Day) }),
    reply: RoundReply,
  }),
  outcome: roundsEntries.outcome({
    path: '/api/outcomes',
    summary: 'Log a chore done or skipped',
    body: NewOutcome,
  }),
  ticks: roundsEntries.ticks({
    path: '/api/ticks',
    summary: 'Log several chores done at once; those ticked already are left out',
    body: NewTicks,
  }),
  horizon: endpoint({
    method: 'GET',
    path: '/api/horizon',
    summary: 'The next three weeks',
    role: 'viewer',
    reply: HorizonReply,
  }),
  jot: roundsEntries.jot({
    path: '/api/jots',
    summary: 'Log one jotted line, whole or not at all',
    body: NewJot,
  }),
};
