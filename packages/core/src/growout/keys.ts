// Names alone, apart from their words and sums: the first page fetches the schemas that list them.

/** More classes of size cannot be kept apart. */
export const MOST_CLASSES = 6;

/** What is wrong with a young animal, by kind. */
export const FAULTS = ['spine', 'gillCover', 'fins', 'colour', 'runt', 'other'] as const;
export type Fault = (typeof FAULTS)[number];
/** What becomes of young that were looked at. */
export const DECISIONS = ['keep', 'sell', 'retire', 'giveAway', 'end'] as const;
export type Decision = (typeof DECISIONS)[number];
