import * as v from 'valibot';
import { endpoint } from '../endpoints';
import { Id, Instant } from '../values';

/** Prefixes that any log entry may change. */
export const EVERYTHING = [
  '/api/rounds',
  '/api/horizon',
  '/api/room',
  '/api/tanks',
  '/api/lots',
  '/api/attempts',
  '/api/broods',
  '/api/cultures',
  '/api/entries',
  '/api/waters',
  '/api/meters',
  '/api/probes',
  '/api/transfer',
  '/api/pedigree',
  '/api/genes',
  '/api/sexing',
] as const;

/** Reply to every write: the entry it made, and whether it had been made before. */
export const Written = v.object({ entryId: v.string(), replayed: v.boolean(), subjectId: v.nullable(v.string()) });

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
  recordedAt: Instant,
});

/** Takes an entry back; itself an entry. */
export const Undo = v.object({ id: Id, entryId: Id });

export const logEndpoints = {
  entries: endpoint({
    method: 'GET',
    path: '/api/entries',
    summary: 'The log, newest first',
    role: 'viewer',
    query: v.object({
      tankId: v.optional(Id),
      subjectId: v.optional(Id),
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
    touches: EVERYTHING,
  }),
};
