import type { BreederLimits } from './breederCondition';

/** Animals of one species that share a tank. */
export interface Company {
  males: number;
  females: number;
  unsexed: number;
  litres: number;
  floorM2: number;
  /** Hiding places; null where nobody counted. */
  shelters: number | null;
}

/** One thing about a tank's company, with the figure. */
export interface CompanyCheck {
  what: 'ratio' | 'volume' | 'floor' | 'shelters';
  isMet: boolean;
  words: string;
}

const few = (value: number) => (value < 10 ? String(Math.round(value * 10) / 10) : String(Math.round(value)));

/**
 * Do the sexes, the room and the hiding places of a tank suit the species? Each check with its figure, for as many animals as are
 * there or would be there after a change. Source: docs/sources.md#condition
 */
export function checkCompany(company: Company, limits: BreederLimits): CompanyCheck[] {
  const { males, females, unsexed, litres, floorM2, shelters } = company;
  const all = males + females + unsexed;
  const checks: CompanyCheck[] = [];
  const [low, high] = limits.femalesPerMale;
  if (males + females > 0) {
    const ratio = males > 0 ? females / males : Infinity;
    checks.push({
      what: 'ratio',
      isMet: males > 0 && females > 0 && ratio >= low && ratio <= high,
      words:
        males === 0 || females === 0
          ? `Only ${males === 0 ? 'females' : 'males'} here.`
          : `${few(ratio)} females to a male; ${low === high ? low : `${low} to ${high}`} suits them.`,
    });
  }
  const most = (litres / 100) * limits.perHundredL;
  checks.push({
    what: 'volume',
    isMet: all <= most,
    words: `${all} in ${few(litres)} L; at most about ${few(Math.floor(most))}.`,
  });
  const floor = floorM2 * limits.perM2;
  checks.push({
    what: 'floor',
    isMet: all <= floor,
    words: `${all} on ${few(floorM2 * 10_000)} cm² of floor; at most about ${few(Math.floor(floor))}.`,
  });
  if (limits.sheltersEach > 0 && shelters !== null)
    checks.push({
      what: 'shelters',
      isMet: shelters >= all * limits.sheltersEach,
      words: `${shelters} hiding places for ${all}; at least ${Math.ceil(all * limits.sheltersEach)}.`,
    });
  return checks;
}
