import * as v from 'valibot';
import { CULTURES, type CultureFood } from '@freshet/core/larder';
import { FOODS } from '@freshet/core/species';
import { endpoint } from '../endpoints';
import { entries, TOUCHES } from '../log';
import { Day, Id, Instant, Name, Override } from '../values';

export const CULTURE_FOODS = Object.keys(CULTURES) as [CultureFood, ...CultureFood[]];

export const NewCulture = v.object({
  id: Id,
  cultureId: Id,
  food: v.picklist(CULTURE_FOODS),
  name: v.nullable(Name),
  tankId: v.nullable(Id),
  startedAt: Instant,
  override: Override,
});

export const NewCultureEvent = v.object({
  id: Id,
  cultureId: Id,
  kind: v.picklist(['fed', 'ripe', 'harvested', 'ended']),
  at: Instant,
  override: Override,
});

export const CultureReply = v.object({
  id: v.string(),
  name: v.string(),
  food: v.picklist(CULTURE_FOODS),
  tankId: v.nullable(v.string()),
  startedAt: v.string(),
  ripeSeenAt: v.nullable(v.string()),
  fedAt: v.nullable(v.string()),
  harvestedAt: v.nullable(v.string()),
  phase: v.picklist(['ripening', 'maybeRipe', 'ripe', 'overdue']),
  ripeFrom: v.string(),
  ripeBy: v.string(),
  lastDay: v.string(),
  feedDue: v.nullable(v.string()),
  ripeness: v.number(),
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

/** What is logged here: who may, and which addresses show it. */
export const larderEntries = entries({
  culture: { role: 'sitter', words: 'culture started', touches: [...TOUCHES.cultures] },
  cultureEvent: { role: 'sitter', words: 'culture fed, ripe, harvested or emptied', touches: [...TOUCHES.cultures] },
});

export const larderEndpoints = {
  cultures: endpoint({
    method: 'GET',
    path: '/api/cultures',
    summary: 'Running cultures and how ripe they are',
    role: 'viewer',
    reply: v.array(CultureReply),
  }),
  addCulture: larderEntries.culture({
    path: '/api/cultures',
    summary: 'Start a culture or a hatch',
    body: NewCulture,
  }),
  cultureEvent: larderEntries.cultureEvent({
    path: '/api/culture-events',
    summary: 'Log a culture fed, ripe, harvested or ended',
    body: NewCultureEvent,
  }),
  foodPlans: endpoint({
    method: 'GET',
    path: '/api/food-plans',
    summary: 'Which culture to start when, for every first feed',
    role: 'viewer',
    reply: v.array(FoodPlan),
  }),
};
