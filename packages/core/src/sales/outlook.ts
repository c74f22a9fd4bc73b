import { normalBelow, normalQuantile } from '../numerics';
import { codeOf } from '../room';
import { totalHeads } from '../stock';
import { daysBetween, type Day } from '../time';
import { openHeads, type OpenOrder, type OrderLine, type SalesView } from './facts';
import { barOf } from './freeLots';
import { ANY_WISH, readyList, type ReadyList } from './readyList';

/** How a line of an order stands. */
export interface LineOutlook {
  lineId: string;
  speciesKey: string;
  speciesName: string;
  reserved: number;
  collected: number;
  /** Nobody is promised for these yet. */
  open: number;
  /** Chance that those will be of size by the day, after orders that come before; null when none is open. */
  chance: number | null;
  /** What became of those promised, and what to do; empty while all is well. */
  troubles: string[];
}

/** How an order stands. */
export interface OrderOutlook {
  orderId: string;
  number: number;
  dueOn: Day;
  state: 'trouble' | 'late' | 'waiting' | 'ready';
  lines: LineOutlook[];
}

/** Half of a band of nine in ten, in standard deviations. */
const HALF_BAND = normalQuantile(0.95);

/** What is wrong with what was promised: the lot is gone, too few are left in it, or it may not go. */
function troublesOf(view: SalesView, line: OrderLine, speciesName: string): string[] {
  return line.reserved.flatMap((part) => {
    const lot = view.stock.lots.find(({ id }) => id === part.lotId);
    const wanted = totalHeads(part);
    if (!lot)
      return [
        `The ${wanted} ${speciesName.toLowerCase()} set aside are gone (lost, sold or moved together with others). Choose again.`,
      ];
    const code = codeOf(view, lot.tankId);
    const promised = view.reserved.get(lot.id) ?? part;
    const lacking = (['males', 'females', 'unsexed'] as const).reduce(
      (sum, sex) => sum + Math.max(0, promised[sex] - lot[sex]),
      0,
    );
    if (lacking > 0) {
      const left = totalHeads(lot);
      return [
        left >= totalHeads(promised)
          ? `Those set aside in ${code} were sexed since. Choose again.`
          : `Only ${left} ${left === 1 ? 'is' : 'are'} left in ${code}, and ${totalHeads(promised)} are promised of them. Choose others, or tell the buyer.`,
      ];
    }
    const bar = barOf(view, lot);
    return bar ? [`Those set aside in ${code} are in ${bar}: they do not go before that is over.`] : [];
  });
}

/** Of what is ready by a day: the likeliest and how far it may be off, heads. */
function readyBy(list: ReadyList, day: Day, today: Day, fits: (row: ReadyList['rows'][number]) => boolean) {
  const week = Math.floor(daysBetween(today, day) / 7);
  let [mean, variance] = [0, 0];
  for (const row of list.rows.filter(fits)) {
    const at = week <= 0 ? row.now : (row.weeks[Math.min(week, row.weeks.length) - 1] ?? row.now);
    mean += at.mid;
    variance += ((at.high - at.low) / 2 / HALF_BAND) ** 2;
  }
  return { mean, sd: Math.sqrt(variance) };
}

/**
 * How every open order stands, in turn of its day: what is promised and still there, and the chance that what is not will be of size by
 * then, counting what orders before it take. The number ready is taken as normal within its band.
 * Source: docs/sources.md#order-chance
 */
export function orderOutlooks(view: SalesView, known?: ReadyList): OrderOutlook[] {
  // Only what is open asks for it: an order that is set aside whole does not.
  const lists = new Map<number | null, ReadyList>(known ? [[null, known]] : []);
  const listOf = (leastMm: number | null): ReadyList => {
    const list = lists.get(leastMm) ?? readyList(view, { ...ANY_WISH, leastMm });
    lists.set(leastMm, list);
    return list;
  };
  const taken: { speciesKey: string; broodId: string | null; heads: number }[] = [];
  return view.sales.orders.map((order) => {
    const lines = order.lines.map((line): LineOutlook => {
      const speciesName = view.species.get(line.speciesKey)?.commonName ?? line.speciesKey;
      const open = openHeads(line);
      let chance: number | null = null;
      if (open > 0) {
        const fits = (row: ReadyList['rows'][number]) =>
          row.speciesKey === line.speciesKey && (line.broodId === null || row.broodId === line.broodId);
        const { mean, sd } = readyBy(listOf(line.leastMm), order.dueOn, view.today, fits);
        const before = taken
          .filter((one) => one.speciesKey === line.speciesKey && (line.broodId === null || one.broodId === line.broodId))
          .reduce((sum, { heads }) => sum + heads, 0);
        const spare = mean * shareOfSex(view, line) - before - open;
        chance = sd < 0.5 ? (spare >= 0 ? 1 : 0) : normalBelow((spare + 0.5) / sd);
        taken.push({ speciesKey: line.speciesKey, broodId: line.broodId, heads: open });
      }
      return {
        lineId: line.lineId,
        speciesKey: line.speciesKey,
        speciesName,
        reserved: line.reserved.reduce((sum, part) => sum + totalHeads(part), 0),
        collected: line.collected,
        open,
        chance,
        troubles: troublesOf(view, line, speciesName),
      };
    });
    return { orderId: order.orderId, number: order.number, dueOn: order.dueOn, state: stateOf(view, order, lines), lines };
  });
}

function stateOf(view: SalesView, order: OpenOrder, lines: readonly LineOutlook[]): OrderOutlook['state'] {
  if (lines.some(({ troubles }) => troubles.length > 0)) return 'trouble';
  if (order.dueOn < view.today) return 'late';
  return lines.some(({ open }) => open > 0) ? 'waiting' : 'ready';
}

/** Which share of a species is of the sex asked for; half of those nobody sexed. */
function shareOfSex(view: SalesView, { sex, speciesKey }: OrderLine): number {
  if (sex === 'any') return 1;
  const lots = view.stock.lots.filter((lot) => lot.speciesKey === speciesKey && lot.broodId !== null);
  const all = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
  const of = lots.reduce((sum, lot) => sum + (sex === 'male' ? lot.males : lot.females) + lot.unsexed / 2, 0);
  return all === 0 ? 0.5 : of / all;
}
