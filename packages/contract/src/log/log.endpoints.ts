import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { Id, Instant } from '../values';
import { SNAPSHOT, TOUCHES } from './entries';
import { Written } from './written';

/** One line of the log. */
export const Entry = v.object({
  id: v.string(),
  kind: v.string(),
  text: v.string(),
  tankId: v.nullable(v.string()),
  from: v.string(),
  to: v.string(),
  by: v.string(),
  reason: v.nullable(v.string()),
  undone: v.boolean(),
  /** Kinds of entries it also is: what a tick or a jotted line logged. */
  parts: v.array(v.string()),
  /** False when this keeper may not take it back, or nobody can any more. */
  canUndo: v.boolean(),
  recordedAt: Instant,
});

/** Takes an entry back; itself an entry. */
export const Undo = v.object({ id: Id, entryId: Id });

export const logEndpoints = {
  entries: endpoint({
    method: 'GET',
    path: '/api/entries',
    summary: 'The log, newest first, a page at a time',
    role: 'viewer',
    query: v.object({
      /** Only what is about this tank, lot, brood, spawning, culture or buyer. */
      aboutId: v.optional(Id),
      /** Only entries before this one, for the next page. */
      before: v.optional(Id),
      limit: v.optional(v.pipe(v.string(), v.transform(Number), v.integer(), v.minValue(1), v.maxValue(200))),
    }),
    reply: v.array(Entry),
  }),
  undo: endpoint({
    method: 'POST',
    path: '/api/undos',
    summary: 'Take an entry back',
    role: 'sitter',
    body: Undo,
    reply: Written,
    touches: [...SNAPSHOT, ...TOUCHES.all, ...TOUCHES.species],
  }),
};
