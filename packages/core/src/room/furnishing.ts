// Names alone, apart from sums: the first page fetches the schemas that list them.

/** What stands in a tank, as one who must catch animals in it sees it. */
export const FURNISHINGS = ['open', 'liftOut', 'rock'] as const;
export type Furnishing = (typeof FURNISHINGS)[number];
