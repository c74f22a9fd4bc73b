import type { Day } from '../time';
import { formatMoney } from './money';

/** How many months back it is told what went. */
const TAKINGS_MONTHS = 24;
const LEAST_MONTHS = 12;
const HALF = 6;

/** What a buyer took of a species in a month. */
export interface Taking {
  buyerId: string;
  speciesKey: string;
  speciesName: string;
  /** As 2026-03. */
  month: string;
  heads: number;
  /** All together. */
  cents: number;
}

/** How many of a species went in each month, and for how much. */
export interface SpeciesTakings {
  speciesKey: string;
  speciesName: string;
  /** Oldest first. */
  months: { month: string; heads: number; meanCents: number | null }[];
  heads: number;
  /** How the last six months stand beside the six before. */
  words: string;
}

/** The month so many months before that of a day. */
function monthBack(today: Day, back: number): string {
  const months = Number(today.slice(0, 4)) * 12 + Number(today.slice(5, 7)) - 1 - back;
  return `${Math.floor(months / 12)}-${String((months % 12) + 1).padStart(2, '0')}`;
}

/** The months told of, oldest first. */
export const takingsMonths = (today: Day): string[] =>
  Array.from({ length: TAKINGS_MONTHS }, (_, i) => monthBack(today, TAKINGS_MONTHS - 1 - i));

/** Mean of what was paid for one; gifts have no price. */
const meanOf = (parts: readonly { heads: number; cents: number }[]): number | null => {
  const paid = parts.filter(({ cents }) => cents > 0);
  const heads = paid.reduce((sum, part) => sum + part.heads, 0);
  return heads === 0 ? null : paid.reduce((sum, part) => sum + part.cents, 0) / heads;
};

/**
 * Popularity and price of each species over the last two years, those of which most went first. The two halves of a year are set beside each
 * other as they are: the seasons differ, and few sales are no trend, which the words leave to the reader.
 * @param takings - of the buyers that are asked after
 */
export function takingsBySpecies(takings: readonly Taking[], today: Day, currency: string): SpeciesTakings[] {
  const all = takingsMonths(today);
  // Before anything was sold there is nothing to draw; a year is told all the same, for its seasons.
  const first = all.findIndex((month) => takings.some((one) => one.month === month));
  const months = all.slice(first < 0 ? -LEAST_MONTHS : Math.min(first, TAKINGS_MONTHS - LEAST_MONTHS));
  const kinds = new Map(takings.map(({ speciesKey, speciesName }) => [speciesKey, speciesName]));
  return [...kinds]
    .map(([speciesKey, speciesName]): SpeciesTakings => {
      const own = takings.filter((one) => one.speciesKey === speciesKey && months.includes(one.month));
      const within = (of: readonly string[]) => {
        const parts = own.filter(({ month }) => of.includes(month));
        return { heads: parts.reduce((sum, { heads }) => sum + heads, 0), mean: meanOf(parts) };
      };
      const lately = within(months.slice(-HALF));
      const before = within(months.slice(-2 * HALF, -HALF));
      const told = ({ heads, mean }: typeof lately) =>
        `${heads}${mean === null ? '' : ` at ${formatMoney(Math.round(mean), currency)}`}`;
      return {
        speciesKey,
        speciesName,
        heads: own.reduce((sum, { heads }) => sum + heads, 0),
        months: months.map((month) => {
          const { heads, mean } = within([month]);
          return { month, heads, meanCents: mean };
        }),
        words: `${told(lately)} in the last six months, ${told(before)} in the six before`,
      };
    })
    .filter(({ heads }) => heads > 0)
    .sort((a, b) => b.heads - a.heads || (a.speciesName < b.speciesName ? -1 : 1));
}
