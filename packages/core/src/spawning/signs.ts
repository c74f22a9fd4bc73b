/** What is seen of a pair or group that settles, before there are eggs. */
export const SIGNS = [
  'hiding',
  'colour',
  'chasing',
  'cleaning',
  'caveTaken',
  'nestBuilt',
  'tubes',
  'pairFormed',
  'fighting',
  'nothing',
] as const;
export type Sign = (typeof SIGNS)[number];

export const SIGN_WORDS: Record<Sign, string> = {
  hiding: 'She hides',
  colour: 'In colour',
  chasing: 'Chasing',
  cleaning: 'Cleaning a site',
  caveTaken: 'Cave taken',
  nestBuilt: 'Nest built',
  tubes: 'Tubes showing',
  pairFormed: 'A pair has formed',
  fighting: 'Fighting in earnest',
  nothing: 'Nothing yet',
};

/** Where an attempt stands. */
export const ATTEMPT_STATES = [
  'planned',
  'conditioning',
  'set up',
  'triggered',
  'spawning',
  'with a brood',
  'resting',
  'spawned',
  'failed',
  'given up',
] as const;
export type AttemptState = (typeof ATTEMPT_STATES)[number];
