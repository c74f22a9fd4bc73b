import type { Bar } from '../agenda';
import type { HouseView } from '../house';
import { addDays, daysBetween } from '../time';
import { AGENDAS } from './agendas';

/** Windows this long would fill the strip; they are placed last. */
const LONG_DAYS = 8;
const isLong = (bar: Bar) => daysBetween(bar.from, bar.to) >= LONG_DAYS;

/** The next `days` days in bars: hatches, first feeds, food changes, cultures, spawnings set up, tanks falling free, ready for sale. */
export function deriveHorizon(view: HouseView, days = 21): Bar[] {
  const { today } = view;
  const last = addDays(today, days - 1);
  return AGENDAS.flatMap((agenda) => agenda.bars?.(view, last) ?? [])
    .map((bar) => (bar.from < today ? { ...bar, from: today, to: bar.to < today ? today : bar.to } : bar))
    .filter((bar) => bar.from <= last)
    .sort(
      (a, b) =>
        Number(b.urgent) - Number(a.urgent) ||
        Number(isLong(a)) - Number(isLong(b)) ||
        a.rank - b.rank ||
        (a.from < b.from ? -1 : a.from > b.from ? 1 : a.key < b.key ? -1 : 1),
    );
}

/** The width an item takes with its label, in days from the first; `to` excluded. */
export interface HorizonSpan {
  from: number;
  to: number;
}

/**
 * Lays items into lanes so that neither bars nor their labels overlap; earlier items are placed first.
 * @param spanOf - what an item takes with its label
 * @returns lane by item key; those that found no lane are not in it
 */
export function packLanes<Item extends { key: string }>(
  items: readonly Item[],
  lanes: number,
  spanOf: (item: Item) => HorizonSpan,
): Map<string, number> {
  const taken: HorizonSpan[][] = Array.from({ length: lanes }, () => []);
  const placed = new Map<string, number>();
  for (const item of items) {
    const { from, to } = spanOf(item);
    const lane = taken.findIndex((spans) => spans.every((span) => span.to <= from || span.from >= to));
    if (lane < 0) continue;
    taken[lane]?.push({ from, to });
    placed.set(item.key, lane);
  }
  return placed;
}
