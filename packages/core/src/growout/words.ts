import type { Decision, Fault } from './keys';

/** What is wrong, in words. */
export const FAULT_WORDS: Record<Fault, string> = {
  spine: 'bent spine',
  gillCover: 'short gill cover',
  fins: 'fins',
  colour: 'colour',
  runt: 'left behind in growth',
  other: 'something else',
};

/** What happens to them, in words. */
export const DECISION_WORDS: Record<Decision, string> = {
  keep: 'hold back as breeders',
  sell: 'sell',
  retire: 'live out their lives here',
  giveAway: 'give away',
  end: 'humane end',
};
