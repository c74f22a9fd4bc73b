import type { Likelihood } from './sexing';

/** Animals of a known sex in which a trait was looked for. */
export interface TraitTally {
  malesSeen: number;
  malesLooked: number;
  femalesSeen: number;
  femalesLooked: number;
}

/** The shipped figure counts as much as this many animals of each sex. */
export const STARTING_WEIGHT = 10;

/**
 * A trait's figures as this house has learned them: the starting point counts as ten animals of each sex, and every animal
 * whose sex came out since adds one. Source: docs/sources.md#sexing
 * @returns the figures, and on how many of the house's own animals they rest
 */
export function learnTrait(start: Likelihood, tally: TraitTally): Likelihood & { animals: number } {
  const share = (from: number, seen: number, looked: number) => (from * STARTING_WEIGHT + seen) / (STARTING_WEIGHT + looked);
  return {
    pIfMale: share(start.pIfMale, tally.malesSeen, tally.malesLooked),
    pIfFemale: share(start.pIfFemale, tally.femalesSeen, tally.femalesLooked),
    animals: tally.malesLooked + tally.femalesLooked,
  };
}
