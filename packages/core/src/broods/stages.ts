// Names alone: whoever only reads or writes them needs none of the sums.

/** The points of a brood's life at which it is counted. */
export const OUTCOME_STAGES = ['laid', 'fertile', 'hatched', 'swimming', 'day30', 'sale'] as const;
export type OutcomeStage = (typeof OUTCOME_STAGES)[number];

/** The spans between them in which animals are lost. */
export const LOSS_SPANS = ['eggs', 'yolk', 'fry', 'later'] as const;
export type LossSpan = (typeof LOSS_SPANS)[number];

/** What a holder of eggs or young goes through, in order. */
export const CARRIER_STEPS = ['carrying', 'eyed', 'attached', 'letGo'] as const;
export type CarrierStep = (typeof CARRIER_STEPS)[number];
