import type { Recipe } from '@freshet/core/spawning';
import { LEVER_WORDS } from '@freshet/core/spawning';
import { addDays, formatDay, formatDayRange, houseDay, type Day, type TimeRange } from '@freshet/core/time';

/** What is next for an attempt, in one sentence; null when it is over. */
export function nextSentence(
  attempt: {
    state: string;
    from: Day;
    conditioningFrom: Day | null;
    setUpOn: Day | null;
    triggerOn: Day | null;
    triggered: TimeRange | null;
    recipe: Recipe;
    broodIds: readonly string[];
  },
  { today, timeZone }: { today: Day; timeZone: string },
  triggerDays: readonly [number, number],
  firstLight: string | null,
): string | null {
  const { state, recipe, conditioningFrom, setUpOn, triggerOn, triggered } = attempt;
  const day = (on: Day) => formatDay(on, today);
  if (state === 'planned')
    return conditioningFrom && conditioningFrom > today
      ? `Condition them from ${day(conditioningFrom)}${recipe.diet ? `: ${recipe.diet}` : ''}.`
      : setUpOn
        ? `Set up and move the parents in on ${day(setUpOn)}.`
        : `The tank is reserved from ${day(attempt.from)}.`;
  if (state === 'conditioning') return `Conditioning goes on${setUpOn ? ` until ${day(setUpOn)}, then the parents go in` : ''}.`;
  if (state === 'set up')
    return triggerOn === null
      ? 'No trigger planned. Look at first light and log what you see.'
      : triggerOn > today
        ? `Let them settle; the trigger is on ${day(triggerOn)}.`
        : 'The trigger is due. Log it when you’ve done it.';
  if (state === 'triggered' && triggered) {
    const at = houseDay(triggered.to, timeZone);
    const [soon, late] = [addDays(at, Math.floor(triggerDays[0])), addDays(at, Math.ceil(triggerDays[1]))];
    const stop = recipe.stopAfterDays === null ? null : addDays(at, recipe.stopAfterDays);
    if (stop && stop <= today)
      return `No eggs by the decision day: ${recipe.nextLever ? `try ${LEVER_WORDS[recipe.nextLever].toLowerCase()}` : 'rest them, or change one thing'}, or end it.`;
    if (late < today) return 'Eggs are later than usual. Look once more, then decide.';
    return `Expect eggs ${formatDayRange(soon < today ? today : soon, late, today)}. Look at first light${firstLight ? ` (${firstLight})` : ''} and again at dusk.`;
  }
  if (state === 'spawning' || state === 'with a brood') return null;
  return null;
}
