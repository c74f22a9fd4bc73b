import * as v from 'valibot';
import { CULTURES, type CultureFood } from '@freshet/core/larder';
import { endpoint } from '../endpoints';
import { EVERYTHING, Written } from '../log';
import { Id, Instant, Name, Override } from '../values';

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

export const larderEndpoints = {
  cultures: endpoint({
    method: 'GET',
    path: '/api/cultures',
    summary: 'Running cultures and how ripe they are',
    role: 'viewer',
    reply: v.array(CultureReply),
  }),
  addCulture: endpoint({
    method: 'POST',
    path: '/api/cultures',
    summary: 'Start a culture or a hatch',
    role: 'sitter',
    body: NewCulture,
    reply: Written,
    touches: EVERYTHING,
  }),
  cultureEvent: endpoint({
    method: 'POST',
    path: '/api/culture-events',
    summary: 'Log a culture fed, ripe, harvested or ended',
    role: 'sitter',
    body: NewCultureEvent,
    reply: Written,
    touches: EVERYTHING,
  }),
};
