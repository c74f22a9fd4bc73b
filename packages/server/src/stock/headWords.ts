import type { Heads } from '@freshet/core/stock';

/** "2 males, 3 females" */
export function headWords(heads: Heads): string {
  const parts = [
    heads.males && `${heads.males} ${heads.males === 1 ? 'male' : 'males'}`,
    heads.females && `${heads.females} ${heads.females === 1 ? 'female' : 'females'}`,
    heads.unsexed && `${heads.unsexed}${heads.males + heads.females > 0 ? ' unsexed' : ''}`,
  ].filter(Boolean);
  return parts.join(', ') || 'none';
}
