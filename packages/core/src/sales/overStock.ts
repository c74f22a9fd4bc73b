import { formatNumber } from '../units';
import { totalHeads } from '../stock';
import type { SalesView } from './facts';
import { READY_WEEKS, readyList, type ReadyList } from './readyList';

const HALF_YEAR_WEEKS = 26;

/** How a species' young stand against what buyers took. */
export interface OverStock {
  speciesKey: string;
  speciesName: string;
  /** Of sale size now or within sixteen weeks, not promised. */
  coming: number;
  /** Heads a week that went so far; null where none ever did. */
  perWeek: number | null;
  /** Weeks that those coming last at that pace, and with the young of one more clutch. */
  weeks: number | null;
  weeksWithClutch: number | null;
  /** Young of sale size that a clutch gives, as is likeliest. */
  perClutch: number;
  /** Clutches in half a year that the buyers bear. */
  clutchesBorne: number | null;
  words: string;
}

/**
 * What is likely to be left over, told before the spawning: those of sale size now or within sixteen weeks, and the young of a clutch,
 * against the pace at which heads went. Source: docs/sources.md#over-stock
 */
export function overStockOf(view: SalesView, speciesKey: string, list: ReadyList = readyList(view)): OverStock | null {
  const species = view.species.get(speciesKey);
  if (!species) return null;
  const { clutch, survivalToSale } = species.figures;
  const perClutch = Math.round(Math.sqrt(clutch[0] * clutch[1]) * Math.sqrt(survivalToSale[0] * survivalToSale[1]));
  const coming = list.rows
    .filter((row) => row.speciesKey === speciesKey)
    .reduce((sum, row) => sum + (row.weeks.at(-1)?.mid ?? row.now.mid), 0);
  const pace = view.sales.pace.find((one) => one.speciesKey === speciesKey);
  const perWeek = pace && pace.heads > 0 && pace.weeks > 0 ? pace.heads / pace.weeks : null;
  const inWeeks = (heads: number) => (perWeek === null ? null : heads / perWeek);
  const clutchesBorne = perWeek === null ? null : Math.floor((perWeek * HALF_YEAR_WEEKS) / Math.max(1, perClutch));
  const name = species.commonName.toLowerCase();
  const weeks = inWeeks(coming);
  const weeksWithClutch = inWeeks(coming + perClutch);
  const lasts = (count: number | null) => {
    const whole = Math.max(1, Math.round(count ?? 0));
    return whole === 1 ? 'a week' : `${formatNumber(whole)} weeks`;
  };
  const words =
    perWeek === null || pace === undefined
      ? coming === 0
        ? `No buyer for ${name} yet. A new spawn would add about ${perClutch}.`
        : `You have ${coming} ${name} for sale in the next ${READY_WEEKS} weeks and no buyer yet. A new spawn would add about ${perClutch}.`
      : `${coming === 0 ? 'Nothing to sell now.' : `${coming} ${name} for sale in the next ${READY_WEEKS} weeks will last about ${lasts(weeks)}.`} One more spawn (about ${perClutch} fish) would last ${lasts(coming === 0 ? inWeeks(perClutch) : weeksWithClutch)}. ${
          clutchesBorne === 0
            ? 'Your buyers can’t take a whole spawn in half a year.'
            : `Your buyers can take about ${clutchesBorne === 1 ? 'one spawn' : `${clutchesBorne} spawns`} in half a year.`
        }`;
  return {
    speciesKey,
    speciesName: species.commonName,
    coming,
    perWeek,
    weeks,
    weeksWithClutch,
    perClutch,
    clutchesBorne,
    words,
  };
}

/** Species of which more live or come than half a year's pace takes, the longest first. */
export function overStocked(view: SalesView, list: ReadyList = readyList(view)): OverStock[] {
  const keys = new Set(view.stock.lots.filter((lot) => totalHeads(lot) > 0 && lot.broodId !== null).map((lot) => lot.speciesKey));
  return [...keys]
    .flatMap((key) => overStockOf(view, key, list) ?? [])
    .filter(({ coming, weeks }) => coming > 0 && (weeks === null || weeks > HALF_YEAR_WEEKS))
    .sort((a, b) => (b.weeks ?? Infinity) - (a.weeks ?? Infinity) || b.coming - a.coming);
}
