// Names alone, apart from sums: the first page fetches the schemas that list them.

/** What stands in a tank, as one who must catch animals in it sees it. */
export const FURNISHINGS = ['open', 'liftOut', 'rock'] as const;
export type Furnishing = (typeof FURNISHINGS)[number];

export const FURNISHING_WORDS: Record<Furnishing, string> = {
  open: 'bare, nothing to hide in',
  liftOut: 'plants, mops, pipes or caves that lift out and can be searched',
  rock: 'shells, dense rock or roots; you’d have to take it apart to catch them',
};
