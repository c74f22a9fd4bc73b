import type { Recipe } from './recipeFields';
import { LEVER_WORDS } from './schools';
import type { AttemptState, Sign } from './signs';

/** What a sign asks for next, in a sentence; null when nothing but to wait. */
export function afterSign(sign: Sign, recipe: Pick<Recipe, 'nextLever'>, isTriggered: boolean): string | null {
  switch (sign) {
    case 'hiding':
      return 'She’s afraid of him. Give her more cover or a divider, and wait with the trigger until she eats in the open.';
    case 'fighting':
      return 'Part them today with a divider or take the weaker one out; try again after a week, or with another mate.';
    case 'pairFormed':
      return 'Leave the pair and take the others out; note which two they are.';
    case 'caveTaken':
      return 'A cave is taken. Leave the tank in peace and don’t lift the cave for a week.';
    case 'colour':
    case 'chasing':
      return isTriggered
        ? 'They’re ready. Look for eggs at first light and at dusk.'
        : 'They’re ready. Go ahead with the trigger.';
    case 'nothing':
      return recipe.nextLever
        ? `If there are no eggs by the decision day: ${LEVER_WORDS[recipe.nextLever].toLowerCase()}.`
        : null;
    case 'cleaning':
    case 'tubes':
    case 'nestBuilt':
      return 'Eggs could come within a day or two. Look at first light and dusk, feed lightly, change nothing.';
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
