/** Why animals died or left, as keepers name it. */
export const LOSS_CAUSES = [
  'death',
  'unknown',
  'fungus',
  'kickedOut',
  'eaten',
  'jumped',
  'deformed',
  'moult',
  'fought',
  'heat',
  'cold',
  'drained',
  'cull',
  'sale',
  'gift',
] as const;
export type LossCause = (typeof LOSS_CAUSES)[number];

/** What became of animals, behind their number: "2 jumped out". */
export const LOSS_WORDS: Record<LossCause, string> = {
  death: 'dead',
  unknown: 'gone',
  fungus: 'lost to fungus',
  kickedOut: 'kicked out by the guardian',
  eaten: 'eaten',
  jumped: 'jumped out',
  deformed: 'deformed',
  moult: 'dead in the moult',
  fought: 'killed in a fight',
  heat: 'lost to heat',
  cold: 'lost to cold',
  drained: 'drained away',
  cull: 'culled',
  sale: 'sold',
  gift: 'given away',
};

/** Why animals came, went or were counted anew. */
export const CAUSES = [
  'acquired',
  'birth',
  'countCorrection',
  'infertile',
  'move',
  'split',
  'merge',
  'sexing',
  'undo',
  ...LOSS_CAUSES,
] as const;
export type Cause = (typeof CAUSES)[number];

/** What became of animals that any cause took away; eggs are picked. */
export const causeWords = (cause: Cause): string =>
  cause === 'infertile' ? 'white eggs picked' : ((LOSS_WORDS as Partial<Record<Cause, string>>)[cause] ?? 'lost');
