/** What is given to a tank, done at it or seen in it, besides what has a log of its own. */
export const CARE_KINDS = ['fed', 'dyed', 'clearedOut', 'looked', 'sign', 'note'] as const;
export type CareKind = (typeof CARE_KINDS)[number];

/** A care in words; `what` is food, dye, what was looked for, or what was seen. */
export const CARE_WORDS: Record<CareKind, (what: string) => string> = {
  fed: (what) => `fed ${what}`,
  dyed: (what) => `dyed, ${what}`,
  clearedOut: (what) => `cleared out, ${what}`,
  looked: (what) => `${what}: nothing yet`,
  sign: (what) => `seen: ${what}`,
  note: (what) => `note: ${what}`,
};
