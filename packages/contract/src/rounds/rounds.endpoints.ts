import * as v from 'valibot';
import { LIFE_STAGES } from '@freshet/core/broods';
import { TANK_STATES } from '@freshet/core/room';
import { COMPARED } from '@freshet/core/rounds';
import { FOODS } from '@freshet/core/stock';
import { endpoint } from '../endpoints';
import { CULTURE_FOODS } from '../larder';
import { EVERYTHING, Written } from '../log';
import { Day, Id, Instant } from '../values';

/** What "done" logs besides the chore. */
export const ChoreLogSchema = v.variant('kind', [
  v.object({ kind: v.picklist(['hatched', 'freeSwimming', 'white']), broodId: Id }),
  v.object({ kind: v.picklist(['cultureFed', 'cultureHarvested', 'cultureRipe']), cultureId: Id }),
  v.object({ kind: v.literal('cultureStarted'), food: v.picklist(CULTURE_FOODS) }),
  v.object({ kind: v.literal('temperature'), tankId: Id }),
  v.object({ kind: v.literal('triggered'), attemptId: Id }),
  v.object({ kind: v.picklist(['waterChange', 'filterFed']), tankId: Id }),
  v.object({ kind: v.literal('calibrated'), meterId: Id }),
]);

const Chore = v.object({
  key: v.string(),
  kind: v.picklist([
    'feed',
    'pickWhite',
    'change',
    'dye',
    'look',
    'removeAdults',
    'temperature',
    'startCulture',
    'setHatch',
    'feedCulture',
    'checkRipe',
    'harvest',
    'renewCulture',
    'trigger',
    'setUp',
    'waterChange',
    'feedFilter',
    'testWater',
    'calibrate',
    'condition',
    'score',
  ]),
  mark: v.picklist(['do', 'watch']),
  text: v.string(),
  amount: v.nullable(v.object({ value: v.number(), unit: v.string() })),
  amountText: v.string(),
  why: v.array(v.string()),
  caution: v.nullable(v.string()),
  overdue: v.boolean(),
  log: v.nullable(ChoreLogSchema),
  outcome: v.nullable(
    v.object({ entryId: v.string(), status: v.picklist(['done', 'skipped']), amount: v.nullable(v.number()), by: v.string() }),
  ),
});

const Stop = v.object({
  tankId: v.nullable(v.string()),
  code: v.string(),
  rackCode: v.string(),
  quarantine: v.boolean(),
  who: v.string(),
  detail: v.string(),
  stage: v.nullable(v.picklist([...LIFE_STAGES, 'breeders', 'culture'])),
  notes: v.array(v.string()),
  chores: v.array(Chore),
});

const Subject = v.object({ kind: v.picklist(['brood', 'tank', 'attempt', 'larder']), id: v.string() });

export const RoundReply = v.object({
  day: Day,
  stops: v.array(Stop),
  alarms: v.array(
    v.object({
      key: v.string(),
      severity: v.picklist(['now', 'soon']),
      title: v.string(),
      text: v.string(),
      subject: v.nullable(Subject),
    }),
  ),
  total: v.number(),
  done: v.number(),
  minutesLeft: v.number(),
});

export const HorizonReply = v.object({
  today: Day,
  items: v.array(
    v.object({
      key: v.string(),
      kind: v.picklist(['eggs', 'yolk', 'fry', 'growing', 'ready', 'breeders', 'culture', 'tank']),
      from: Day,
      to: Day,
      label: v.string(),
      predicted: v.boolean(),
      urgent: v.boolean(),
      subject: Subject,
    }),
  ),
});

export const FoodPlan = v.object({
  key: v.string(),
  broodId: v.nullable(v.string()),
  attemptId: v.nullable(v.string()),
  tankId: v.nullable(v.string()),
  from: Day,
  to: Day,
  status: v.picklist(['safe', 'single', 'start', 'late', 'shelf']),
  food: v.picklist(FOODS),
  label: v.string(),
  cultureIds: v.array(v.string()),
  startBy: v.nullable(Day),
  startFrom: v.nullable(Day),
  backUpBy: v.nullable(Day),
  title: v.string(),
  text: v.string(),
  why: v.array(v.string()),
});

/** What lives in a tank now. */
export const TankLife = v.object({
  tankId: v.string(),
  code: v.string(),
  litres: v.number(),
  tempC: v.nullable(v.object({ value: v.number(), at: v.string() })),
  stage: v.nullable(v.picklist([...LIFE_STAGES, 'breeders', 'culture'])),
  heads: v.number(),
  lots: v.array(
    v.object({
      id: v.string(),
      speciesKey: v.string(),
      speciesName: v.string(),
      mark: v.string(),
      males: v.number(),
      females: v.number(),
      unsexed: v.number(),
      broodId: v.nullable(v.string()),
      /** When it came into this tank. */
      since: v.nullable(v.string()),
      stage: v.picklist([...LIFE_STAGES, 'breeders']),
    }),
  ),
  broods: v.array(v.object({ id: v.string(), name: v.string(), stage: v.picklist(LIFE_STAGES) })),
  attempts: v.array(
    v.object({ id: v.string(), name: v.string(), from: v.string(), to: v.nullable(v.string()), hasBrood: v.boolean() }),
  ),
  cultures: v.array(v.object({ id: v.string(), name: v.string() })),
  /** Open attempts to which eggs seen here could belong. */
  clutchAttempts: v.number(),
  readiness: v.object({
    state: v.picklist(TANK_STATES),
    since: v.nullable(Day),
    ready: v.boolean(),
    hindrances: v.array(v.object({ what: v.string(), remedy: v.string() })),
    notes: v.array(v.string()),
    expected: v.nullable(v.object({ from: Day, to: Day, basis: v.picklist(['zeros', 'curve', 'usual', 'rest']) })),
  }),
  /** Null when it is not in quarantine; `endsOn` is null while nobody arrived. */
  quarantine: v.nullable(v.object({ endsOn: v.nullable(Day) })),
  nitrate: v.nullable(v.object({ ppm: v.number(), at: v.string() })),
  lastChange: v.nullable(v.string()),
  /** Share of what it carries that its broods take up, 1 is full; null when no brood feeds there. */
  crowding: v.nullable(v.number()),
  /** When it is next free; null when nothing says. */
  freeOn: v.nullable(Day),
});

/** What to know before a lot goes to another tank. */
export const Transfer = v.object({
  rows: v.array(
    v.object({
      quantity: v.picklist(COMPARED),
      source: v.nullable(v.number()),
      target: v.nullable(v.number()),
      differs: v.boolean(),
    }),
  ),
  floatMinutes: v.nullable(v.number()),
  drip: v.nullable(v.object({ hours: v.number(), finalLitres: v.number(), limitedBy: v.picklist(COMPARED), why: v.string() })),
  warnings: v.array(
    v.object({
      kind: v.picklist([
        'eats',
        'parentage',
        'quarantine',
        'notReady',
        'crowded',
        'temperature',
        'unknownWater',
        'proven',
        'company',
      ]),
      text: v.string(),
    }),
  ),
});
const Litres = v.pipe(
  v.string(),
  v.transform(Number),
  v.number(),
  v.gtValue(0, 'More than nothing.'),
  v.maxValue(1000, 'At most 1000 L.'),
);

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
  log: v.nullable(ChoreLogSchema),
  /** When it was done, which may be before it reached the server. */
  at: Instant,
});

/** One jotted line; `at` is when it was typed, so that a line sent late is read as it was meant. */
export const NewJot = v.object({ id: Id, line: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(300)), at: Instant });

export const roundsEndpoints = {
  round: endpoint({
    method: 'GET',
    path: '/api/rounds',
    summary: 'The round of a day, worked out now',
    role: 'viewer',
    query: v.object({ day: v.optional(Day) }),
    reply: RoundReply,
  }),
  outcome: endpoint({
    method: 'POST',
    path: '/api/outcomes',
    summary: 'Log a chore done or skipped',
    role: 'sitter',
    body: NewOutcome,
    reply: Written,
    touches: EVERYTHING,
  }),
  tankLife: endpoint({
    method: 'GET',
    path: '/api/rounds/tanks',
    summary: 'What lives in every tank',
    role: 'viewer',
    reply: v.array(TankLife),
  }),
  transfer: endpoint({
    method: 'GET',
    path: '/api/transfer',
    summary: 'Two tanks side by side for a lot that is to go from one to the other: waters, float and drip, warnings',
    role: 'viewer',
    query: v.object({ lotId: Id, toTankId: Id, bagLitres: v.optional(Litres), dripLitresPerHour: v.optional(Litres) }),
    reply: Transfer,
  }),
  foodPlans: endpoint({
    method: 'GET',
    path: '/api/rounds/food-plans',
    summary: 'Which culture to start when, for every first feed',
    role: 'viewer',
    reply: v.array(FoodPlan),
  }),
  horizon: endpoint({
    method: 'GET',
    path: '/api/horizon',
    summary: 'The next three weeks',
    role: 'viewer',
    reply: HorizonReply,
  }),
  jot: endpoint({
    method: 'POST',
    path: '/api/jots',
    summary: 'Log one jotted line, whole or not at all',
    role: 'sitter',
    body: NewJot,
    reply: Written,
    touches: EVERYTHING,
  }),
};
