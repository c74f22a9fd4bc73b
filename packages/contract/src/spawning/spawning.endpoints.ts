import * as v from 'valibot';
import { ATTEMPT_STATES, SIGNS, type AttemptRecord } from '@freshet/core/spawning';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id, Name, Note, Override, TimeRange } from '../values';
import { NewRecipe, RecipeReply, RecipeSchema, RecipeVersion } from './recipe.schema';

const Tag = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(30, 'At most 30 characters.'));

export const NewAttempt = v.pipe(
  v.object({
    id: Id,
    attemptId: Id,
    speciesKey: v.pipe(v.string(), v.minLength(1, 'Choose a species.')),
    name: Name,
    tankId: v.pipe(v.string(), v.minLength(1, 'Choose a tank.'), Id),
    sires: v.array(Id),
    dams: v.array(Id),
    from: Day,
    to: v.nullable(Day),
    conditioningFrom: v.nullable(Day),
    setUpOn: v.nullable(Day),
    triggerOn: v.nullable(Day),
    recipe: RecipeSchema,
    /** The version or shipped recipe it follows. */
    recipeRef: v.optional(v.nullable(v.pipe(v.string(), v.maxLength(80))), null),
    /** The keeper's own marks for what may matter. */
    tags: v.optional(v.pipe(v.array(Tag), v.maxLength(8, 'At most eight.')), []),
    note: v.nullable(Note),
    override: Override,
  }),
  v.forward(
    v.partialCheck(
      [['from'], ['to']],
      ({ from, to }) => to === null || to >= from,
      'The tank must not fall free before it is taken.',
    ),
    ['to'],
  ),
  v.forward(
    v.partialCheck(
      [['from'], ['setUpOn']],
      ({ from, setUpOn }) => setUpOn === null || setUpOn >= from,
      'Reserve the tank before the fish move in.',
    ),
    ['setUpOn'],
  ),
  v.forward(
    v.partialCheck(
      [['from'], ['setUpOn'], ['triggerOn']],
      ({ from, setUpOn, triggerOn }) => triggerOn === null || triggerOn >= (setUpOn ?? from),
      'The trigger comes after the set-up.',
    ),
    ['triggerOn'],
  ),
);

/** What was done to set spawning off; a change of water is logged with it. */
export const NewTrigger = v.object({
  id: Id,
  attemptId: Id,
  at: TimeRange,
  what: v.pipe(Note, v.minLength(2, 'Say what was done.')),
  change: v.optional(
    v.nullable(
      v.object({
        litres: v.pipe(v.number('Give the litres.'), v.gtValue(0, 'More than nothing.'), v.maxValue(1e6, 'That is too much.')),
        waterId: v.nullable(Id),
        /** Of the new water. */
        tempC: v.nullable(v.pipe(v.number(), v.minValue(0, 'Water is 0 to 45 °C.'), v.maxValue(45, 'Water is 0 to 45 °C.'))),
      }),
    ),
    null,
  ),
  /** How much cooler (below 0) or warmer the tank got, K; null when not said. */
  stepC: v.optional(v.nullable(v.pipe(v.number(), v.minValue(-20), v.maxValue(20))), null),
  pressure: v.optional(v.nullable(v.picklist(['falling', 'steady', 'rising'])), null),
  override: Override,
});

/** A sign of settling seen at an attempt. */
export const NewSettling = v.object({ id: Id, attemptId: Id, sign: v.picklist(SIGNS), at: TimeRange, note: v.nullable(Note) });

/** An attempt's days moved. */
export const NewAttemptDays = v.object({
  id: Id,
  attemptId: Id,
  conditioningFrom: v.nullable(Day),
  from: Day,
  setUpOn: v.nullable(Day),
  triggerOn: v.nullable(Day),
  to: v.nullable(Day),
  override: Override,
});

export const EndAttempt = v.object({
  id: Id,
  attemptId: Id,
  outcome: v.picklist(['spawned', 'failed', 'given up']),
  on: Day,
  note: v.nullable(Note),
});

/** A stage's window with its explanation, as core gives it. */
export const StageWindowSchema = v.object({
  stage: v.picklist(['hatch', 'yolkEnd', 'freeSwimming', 'firstFeed']),
  status: v.picklist(['observed', 'predicted', 'overdue', 'notReached']),
  earliest: v.nullable(v.string()),
  latest: v.nullable(v.string()),
  why: v.object({
    inputs: v.array(v.object({ label: v.string(), value: v.string() })),
    formula: v.string(),
    source: v.string(),
    notes: v.array(v.string()),
  }),
});

export const Attempt = v.object({
  id: v.string(),
  name: v.string(),
  speciesKey: v.string(),
  tankId: v.string(),
  tankCode: v.string(),
  from: v.string(),
  to: v.nullable(v.string()),
  conditioningFrom: v.nullable(v.string()),
  setUpOn: v.nullable(v.string()),
  triggerOn: v.nullable(v.string()),
  triggered: v.nullable(v.object({ from: v.string(), to: v.string() })),
  triggerNote: v.nullable(v.string()),
  recipe: RecipeReply,
  recipeRef: v.nullable(v.string()),
  tags: v.array(v.string()),
  state: v.picklist(ATTEMPT_STATES),
  /** The females rest until then after their last clutch; null before one. */
  restUntil: v.nullable(v.string()),
  /** What was done and seen, oldest first. */
  events: v.array(
    v.object({
      id: v.string(),
      kind: v.picklist(['triggered', 'ended', 'settling']),
      from: v.string(),
      to: v.string(),
      words: v.string(),
      sign: v.nullable(v.picklist(SIGNS)),
    }),
  ),
  parents: v.array(v.object({ lotId: v.string(), role: v.picklist(['sire', 'dam']), label: v.string() })),
  outcome: v.nullable(v.string()),
  note: v.nullable(v.string()),
  /** Expected inbreeding of the young, 0..1, and first light by the house's lamp or sun, HH:MM; of one attempt alone. */
  inbreeding: v.nullable(v.number()),
  firstLight: v.nullable(v.string()),
  broodIds: v.array(v.string()),
});

/** One attempt as evidence. */
export const EvidenceRecord = v.object({
  id: v.string(),
  name: v.string(),
  speciesKey: v.string(),
  begunAt: v.string(),
  recipe: RecipeReply,
  factors: v.record(v.string(), v.nullable(v.union([v.boolean(), v.number()]))),
  spawnedAfterDays: v.nullable(v.number()),
  waitedDays: v.number(),
  isEnded: v.boolean(),
  eggs: v.nullable(v.number()),
  fertile: v.nullable(v.number()),
  hatched: v.nullable(v.number()),
  swimming: v.nullable(v.number()),
}) satisfies v.GenericSchema<unknown, AttemptRecord>;

/** What is logged here: who may, and which addresses show it. */
export const spawningEntries = entries({
  attempt: { role: 'keeper', words: 'attempt', touches: [...TOUCHES.spawns] },
  trigger: { role: 'sitter', words: 'trigger', touches: [...TOUCHES.spawns] },
  settling: { role: 'sitter', words: 'sign of settling', touches: [...TOUCHES.spawns] },
  attemptDays: { role: 'keeper', words: 'days of a spawning moved', touches: [...TOUCHES.spawns] },
  recipe: { role: 'keeper', words: 'recipe', touches: [...TOUCHES.spawns] },
  attemptEnd: { role: 'keeper', words: 'spawning ended', touches: [...TOUCHES.spawns] },
});

export const spawningEndpoints = {
  attempts: endpoint({
    method: 'GET',
    path: '/api/attempts',
    summary: 'Spawning attempts, newest first, a page at a time',
    role: 'viewer',
    query: v.object({
      speciesKey: v.optional(v.pipe(v.string(), v.maxLength(40))),
      /** Only those before this attempt in the list, for the next page. */
      before: v.optional(Id),
      limit: v.optional(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(1), v.maxValue(200))),
    }),
    reply: v.object({
      attempts: v.array(Attempt),
      /** Last of this page when there are more; asks for the next one. */
      next: v.nullable(v.string()),
    }),
  }),
  attempt: endpoint({
    method: 'GET',
    path: '/api/attempts/:attemptId',
    summary: 'One spawning attempt',
    role: 'viewer',
    reply: Attempt,
  }),
  evidence: endpoint({
    method: 'GET',
    path: '/api/evidence',
    summary: 'Attempts as evidence, newest first: what was done, what stood around it, what came of it',
    role: 'viewer',
    query: v.object({
      speciesKey: v.optional(v.pipe(v.string(), v.maxLength(40))),
      limit: v.optional(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(1), v.maxValue(5000))),
      /** Only the last that spawned of each species. */
      newestSpawned: v.optional(v.literal('true')),
    }),
    reply: v.array(EvidenceRecord),
  }),
  recipes: endpoint({
    method: 'GET',
    path: '/api/recipes',
    summary: 'Recipes of the house, every version, newest first',
    role: 'viewer',
    reply: v.array(RecipeVersion),
  }),
  saveRecipe: spawningEntries.recipe({
    path: '/api/recipes',
    summary: 'Keep a recipe, or the next version of one',
    body: NewRecipe,
  }),
  logSettling: spawningEntries.settling({
    path: '/api/settlings',
    summary: 'Log a sign of settling',
    body: NewSettling,
  }),
  moveAttempt: spawningEntries.attemptDays({
    path: '/api/attempt-days',
    summary: 'Move the days of an attempt',
    body: NewAttemptDays,
  }),
  addAttempt: spawningEntries.attempt({
    path: '/api/attempts',
    summary: 'Plan or begin a spawning attempt',
    body: NewAttempt,
  }),
  trigger: spawningEntries.trigger({
    path: '/api/triggers',
    summary: 'Log what was done to set spawning off',
    body: NewTrigger,
  }),
  endAttempt: spawningEntries.attemptEnd({
    path: '/api/attempt-ends',
    summary: 'End an attempt; its tank falls free',
    body: EndAttempt,
  }),
};
