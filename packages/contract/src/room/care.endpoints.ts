import * as v from 'valibot';
import { CARE_KINDS } from '@freshet/core/room';
import { entries } from '../log';
import { Id, Instant, Note } from '../values';

/** Something given to a tank, done at it or seen in it; `what` says it in words. */
export const NewCare = v.object({
  id: Id,
  tankId: Id,
  care: v.picklist(CARE_KINDS),
  what: v.pipe(Note, v.minLength(2, 'Say what.')),
  amount: v.nullable(v.pipe(v.number(), v.finite(), v.gtValue(0), v.maxValue(100_000))),
  unit: v.nullable(v.pipe(v.string(), v.maxLength(12))),
  at: Instant,
});

/** What is logged here: who may, and which addresses show it. */
export const careEntries = entries({
  care: { role: 'sitter', words: 'fed, dyed, cleared out, looked, or a sign seen', touches: [] },
});

export const careEndpoints = {
  logCare: careEntries.care({
    path: '/api/care',
    summary: 'Log food, dye, a clearing out, a look, or a sign seen',
    body: NewCare,
  }),
};
