/** What is wrong with a young animal, by kind. */
export const FAULTS = ['spine', 'gillCover', 'fins', 'colour', 'runt', 'other'] as const;
export type Fault = (typeof FAULTS)[number];
export const FAULT_WORDS: Record<Fault, string> = {
  spine: 'bent spine',
  gillCover: 'short gill cover',
  fins: 'fins',
  colour: 'colour',
  runt: 'left behind in growth',
  other: 'something else',
};

/** What becomes of young that were looked at. */
export const DECISIONS = ['keep', 'sell', 'retire', 'giveAway', 'end'] as const;
export type Decision = (typeof DECISIONS)[number];
export const DECISION_WORDS: Record<Decision, string> = {
  keep: 'hold back as breeders',
  sell: 'sell',
  retire: 'live out their lives here',
  giveAway: 'give away',
  end: 'humane end',
};
