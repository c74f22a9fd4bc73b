import * as v from 'valibot';

/** Reply to every write: the entry it made, and whether it had been made before. */
export const Written = v.object({ entryId: v.string(), replayed: v.boolean(), subjectId: v.nullable(v.string()) });
