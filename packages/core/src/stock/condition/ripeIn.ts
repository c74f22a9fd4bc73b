import { expectedAgeDays, type Figures } from '../../species';

/** When young breeders will be ripe, days from now. */
export interface RipeIn {
  fromDays: number;
  toDays: number;
  by: 'age' | 'length' | 'both';
}

/** Days of conditioning before a first spawning. General habit; a recipe says its own. */
export const FIRST_CONDITIONING_DAYS = 14;

/**
 * When animals that are too young or too small to breed will be ripe: when they are old enough and, grown on by their species' curve from
 * the length they have, long enough. Null when neither is known, or when they could be ripe already. Source: docs/sources.md#condition
 * @param facts - age in days and length in mm, each null where nobody knows it
 */
export function ripeIn(facts: { ageDays: number | null; lengthMm: number | null }, figures: Figures): RipeIn | null {
  const { ageDays, lengthMm } = facts;
  const byAge = ageDays === null ? null : figures.maturityDays.map((days) => days - ageDays);
  const age = lengthMm === null ? null : expectedAgeDays(figures, lengthMm);
  const ages = figures.maturityMm.map((mm) => expectedAgeDays(figures, mm));
  const byLength = age === null || ages.some((one) => one === null) ? null : ages.map((one) => (one ?? 0) - age);
  const known = [byAge, byLength].filter((one) => one !== null);
  if (known.length === 0) return null;
  const fromDays = Math.max(...known.map(([from]) => from ?? 0));
  const toDays = Math.max(...known.map(([, to]) => to ?? 0));
  if (fromDays <= 0) return null;
  return {
    fromDays: Math.ceil(fromDays),
    toDays: Math.ceil(Math.max(fromDays, toDays)),
    by: byAge && byLength ? 'both' : byAge ? 'age' : 'length',
  };
}
