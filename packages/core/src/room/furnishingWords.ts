import type { Furnishing } from './furnishing';

export const FURNISHING_WORDS: Record<Furnishing, string> = {
  open: 'bare, nothing to hide in',
  liftOut: 'plants, mops, pipes or caves that lift out and can be searched',
  rock: 'shells, dense rock or roots; you’d have to take it apart to catch them',
};
