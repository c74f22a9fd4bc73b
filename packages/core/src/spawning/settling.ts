import type { Recipe } from './recipeFields';
import { LEVER_WORDS } from './schools';
import type { AttemptState, Sign } from './signs';

/** What a sign asks for next, in a sentence; null when nothing but to wait. */
export function afterSign(sign: Sign, recipe: Pick<Recipe, 'nextLever'>, isTriggered: boolean): string | null {
  switch (sign) {
    case 'hiding':
      return 'She does not stand him: give her more cover or a divider, and wait with the trigger until she feeds in the open.';
    case 'fighting':
      return 'Part them today with a divider or take the weaker one out; try again after a week, or with another mate.';
    case 'pairFormed':
      return 'Leave the pair and take the others out; note which two they are.';
    case 'caveTaken':
      return 'A cave is taken: leave the tank quiet, and do not lift the cave for a week.';
    case 'colour':
    case 'chasing':
      return isTriggered
        ? 'They are ripe: look for eggs at first light and at dusk.'
        : 'They are ripe: the trigger may go ahead.';
    case 'nothing':
      return recipe.nextLever ? `If nothing is seen by the decision day: ${LEVER_WORDS[recipe.nextLever].toLowerCase()}.` : null;
    case 'cleaning':
    case 'tubes':
    case 'nestBuilt':
      return 'Eggs may be there within a day or two: look at first light and at dusk, feed lightly, change nothing.';
  }
}

/** Where an attempt stands on a day, from what was planned and logged. */
export function attemptState(
  attempt: {
    from: string;
    conditioningFrom: string | null;
    setUpOn: string | null;
    triggered: boolean;
    clutches: number;
    alive: number;
    outcome: string | null;
    /** The parents of one that spawned rest until then; null where nobody does. */
    restUntil?: string | null;
  },
  today: string,
): AttemptState {
  if (attempt.outcome === 'spawned' && attempt.restUntil && attempt.restUntil > today) return 'resting';
  if (attempt.outcome) return attempt.outcome as AttemptState;
  if (attempt.clutches > 0) return attempt.alive > 0 ? 'with a brood' : 'spawning';
  if (attempt.triggered) return 'triggered';
  if (attempt.from > today || (attempt.setUpOn ?? '') > today)
    return attempt.conditioningFrom && attempt.conditioningFrom <= today ? 'conditioning' : 'planned';
  return 'set up';
}
