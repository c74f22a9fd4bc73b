import * as v from 'valibot';
import { EGG_PLANS, FUNGUS_SCHOOLS, TRIGGER_SCHOOLS } from '@freshet/core/spawning';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id, Name, Note, Override, TimeRange } from '../values';

export const RecipeSchema = v.pipe(
  v.object({
    eggPlan: v.picklist(EGG_PLANS),
    fungus: v.picklist(FUNGUS_SCHOOLS),
    trigger: v.picklist(TRIGGER_SCHOOLS),
    dailyChangeFraction: v.pipe(v.number('Give a share.'), v.minValue(0, 'Not below 0 %.'), v.maxValue(1, 'Not above 100 %.')),
    dyeMgPerL: v.nullable(v.pipe(v.number(), v.gtValue(0, 'Above 0 mg/L.'), v.maxValue(100, 'At most 100 mg/L.'))),
    dyeStockPercent: v.nullable(v.pipe(v.number(), v.gtValue(0, 'Above 0 %.'), v.maxValue(100, 'At most 100 %.'))),
  }),
  v.forward(
    v.partialCheck(
      [['fungus'], ['dyeMgPerL'], ['dyeStockPercent']],
      (recipe) => recipe.fungus !== 'dye' || (recipe.dyeMgPerL !== null && recipe.dyeStockPercent !== null),
      'Dye needs its target in mg/L and its stock strength in %, both from the label.',
    ),
    ['dyeMgPerL'],
  ),
);

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
);

export const NewTrigger = v.object({ id: Id, attemptId: Id, at: TimeRange, what: Note, override: Override });

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
  recipe: v.object({
    eggPlan: v.picklist(EGG_PLANS),
    fungus: v.picklist(FUNGUS_SCHOOLS),
    trigger: v.picklist(TRIGGER_SCHOOLS),
    dailyChangeFraction: v.number(),
    dyeMgPerL: v.nullable(v.number()),
    dyeStockPercent: v.nullable(v.number()),
  }),
  parents: v.array(v.object({ lotId: v.string(), role: v.picklist(['sire', 'dam']), label: v.string() })),
  outcome: v.nullable(v.string()),
  note: v.nullable(v.string()),
  broodIds: v.array(v.string()),
});

/** What is logged here: who may, and which addresses show it. */
export const spawningEntries = entries({
  attempt: { role: 'keeper', words: 'attempt', touches: [...TOUCHES.spawns] },
  trigger: { role: 'sitter', words: 'trigger', touches: [...TOUCHES.spawns] },
  attemptEnd: { role: 'keeper', words: 'attempt ended', touches: [...TOUCHES.spawns] },
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
