import * as v from 'valibot';

export const ORIGINS = ['wild', 'imported', 'local', 'ownBrood'] as const;

/** A living lot as lists show it. */
export const Lot = v.object({
  id: v.string(),
  speciesKey: v.string(),
  speciesName: v.string(),
  name: v.nullable(v.string()),
  line: v.nullable(v.string()),
  generation: v.nullable(v.string()),
  grade: v.nullable(v.string()),
  marks: v.nullable(v.string()),
  permit: v.nullable(v.string()),
  bornOn: v.nullable(v.string()),
  isProven: v.boolean(),
  isRetired: v.boolean(),
  origin: v.picklist(ORIGINS),
  acquiredFrom: v.nullable(v.string()),
  tankId: v.nullable(v.string()),
  tankCode: v.nullable(v.string()),
  broodId: v.nullable(v.string()),
  since: v.string(),
  males: v.number(),
  females: v.number(),
  unsexed: v.number(),
  ageDays: v.nullable(v.number()),
  /** Chance of a male by its newest assessment; null when never looked at. */
  pMale: v.nullable(v.number()),
  /** Newest condition score, its change in about a week, and when it was given. */
  score: v.nullable(v.object({ value: v.number(), trend: v.nullable(v.number()), at: v.string() })),
  /** Of breeders; null for young of a brood that are not grown. */
  readiness: v.nullable(v.picklist(['ready', 'notReady', 'unknown'])),
  /** What is missing, in words. */
  missing: v.array(v.string()),
  isDueForReplacement: v.boolean(),
  /** Entry that last described it; null while it is as it was recorded. */
  version: v.nullable(v.string()),
});
