/** So many of a lot, as they come or of one sex. */
export function share(lot: { males: number; females: number; unsexed: number }, count: number, sex: string) {
  if (sex === 'males') return { males: count, females: 0, unsexed: 0 };
  if (sex === 'females') return { males: 0, females: count, unsexed: 0 };
  const unsexed = Math.min(lot.unsexed, count);
  const females = Math.min(lot.females, count - unsexed);
  // What is more than there are stays with a sex that is there, so that the answer names the field.
  return lot.males + lot.females === 0
    ? { males: 0, females: 0, unsexed: count }
    : { males: count - unsexed - females, females, unsexed };
}
