/** Whether young counted by class account for those that were booked. */
export type SortingDecision = { ok: true; missing: number } | { ok: false; field: 'classes' | 'rest'; message: string };

/**
 * Classes must add up to what was booked, or it is said what became of the rest. More than booked can only be a wrong count.
 * @param rest - `wrongCount`, a cause of loss, or null when nothing was said
 */
export function decideSorting(booked: number, classes: readonly { heads: number }[], rest: string | null): SortingDecision {
  const counted = classes.reduce((sum, { heads }) => sum + heads, 0);
  const missing = booked - counted;
  if (counted === 0) return { ok: false, field: 'classes', message: 'Count at least one fish.' };
  if (missing !== 0 && rest === null)
    return {
      ok: false,
      field: 'classes',
      message: `${counted} counted, ${booked} in the log: ${Math.abs(missing)} ${missing > 0 ? 'are missing' : 'too many'}. Count again, or say below what happened to them.`,
    };
  if (missing < 0 && rest !== 'wrongCount')
    return { ok: false, field: 'rest', message: `${-missing} more than in the log, so an earlier count was wrong.` };
  return { ok: true, missing };
}
