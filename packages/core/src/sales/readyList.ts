import type { ReadBrood } from '../broods';
import { growthOf, lengthBand, shareOfLength, tankAhead, type Ahead, type BroodGrowth, type Likely } from '../growout';
import { codesOf } from '../room';
import { reservedOf, type SalesView } from './facts';
import { barOf } from './freeLots';
import { totalHeads } from '../stock';
import { addDays, type Day } from '../time';

/**
 * Standard deviations of chance that widen the band of the curves: with one it holds nine in ten simulated broods
 * (benchmarks/sales.bench.ts), since the ranges of a species are wider than one keeper's broods.
 */
const CHANCE_SD = 1;
/** How far ahead it is told what will be ready. */
export const READY_WEEKS = 16;
const DAYS_A_WEEK = 7;

/** How many of a brood can go, now and in the weeks to come. */
export interface ReadyRow {
  broodId: string;
  name: string;
  speciesKey: string;
  speciesName: string;
  /** What the law says of selling its kind; null where nothing is known. */
  law: string | null;
  codes: string;
  heads: number;
  males: number;
  females: number;
  unsexed: number;
  /** Chosen to be kept as breeders. */
  held: number;
  /** Promised in orders. */
  promised: number;
  /** Cannot go now, and why. */
  barred: { heads: number; why: string } | null;
  saleMm: number;
  /** Mean length now, with its band. */
  lengthMm: Likely<number>;
  isMeasured: boolean;
  /** Of sale size today, less those that are kept, promised or barred. */
  now: Likely<number>;
  /** Of sale size by the end of each week, those counted in that are now. */
  weeks: ({ day: Day } & Likely<number>)[];
}

/** What can go, by brood, and how much of each species comes new in each week. */
export interface ReadyList {
  rows: ReadyRow[];
  /** By species: what is ready now, and what is added each week. */
  calendar: { speciesKey: string; speciesName: string; now: number; weeks: number[] }[];
  weeks: Day[];
}

/** Heads that live in so many days: the least and the most by what the species keeps. @param ahead - any lot of the brood; they fare alike */
function headsBand({ species }: ReadBrood, ahead: Ahead | undefined, heads: number, days: number): Likely<number> {
  const [least, most] = species.figures.survivalToSale;
  const kept = ahead ? ahead.headsIn(days) / Math.max(1, ahead.resident.heads) : 1;
  // How much of the way to sale is left, from the share that the upper figure keeps.
  const way = most >= 1 ? 0 : Math.log(Math.max(1e-9, kept)) / Math.log(most);
  return { low: heads * least ** way, mid: heads * (least * most) ** (way / 2), high: heads * most ** way };
}

/** How many of so many free heads are of sale size in some days. The longer the brood, the more of it: bands of length are bands of number. */
function readyIn(view: SalesView, read: ReadBrood, growth: BroodGrowth): (free: number, days: number) => Likely<number> {
  const tankId = read.lots.find((lot) => lot.tankId !== null)?.tankId ?? '';
  const ahead = tankAhead(view, tankId).find(({ resident: { lot } }) => lot.broodId === read.brood.id);
  return (free, days) => {
    const [mm, heads] = [lengthBand(growth, growth.ageDays + days), headsBand(read, ahead, free, days)];
    const of = (side: keyof Likely<number>) => heads[side] * shareOfLength(mm[side], growth.cv, read.species.figures.saleMm[0]);
    const mid = of('mid');
    // Which of them are long enough is chance besides: each is or is not.
    const share = free === 0 ? 0 : Math.min(1, mid / free);
    const chance = CHANCE_SD * Math.sqrt(free * share * (1 - share));
    const whole = (count: number) => Math.min(free, Math.max(0, Math.floor(count + 1e-6)));
    return {
      low: whole(mid - Math.hypot(mid - of('low'), chance)),
      mid: whole(mid),
      high: whole(mid + Math.hypot(of('high') - mid, chance)),
    };
  };
}

/** Heads that cannot go now, and why. */
function barredOf(view: SalesView, { lots }: ReadBrood): ReadyRow['barred'] {
  const barred = lots.flatMap((lot) => {
    const bar = barOf(view, lot);
    return bar ? [{ lot, bar }] : [];
  });
  if (barred.length === 0) return null;
  const inTanks = (why: string) =>
    codesOf(
      view,
      barred.filter(({ bar }) => bar === why).map(({ lot }) => lot.tankId),
    );
  return {
    heads: barred.reduce((sum, { lot }) => sum + totalHeads(lot), 0),
    why: [...new Set(barred.map(({ bar }) => bar))].map((why) => `in ${why} (${inTanks(why)})`).join('; '),
  };
}

/** What can be sold, by brood: ready now and by each of the next weeks, measured or by the curve and said which. Source: docs/sources.md#ready-list */
export function readyList(view: SalesView): ReadyList {
  const weeks = Array.from({ length: READY_WEEKS }, (_, i) => addDays(view.today, (i + 1) * DAYS_A_WEEK));
  const rows = view.broods.flatMap((read): ReadyRow[] => {
    const growth = growthOf(read);
    if (!growth) return [];
    const { brood, species, lots } = read;
    const sum = (sex: 'males' | 'females' | 'unsexed') => lots.reduce((all, lot) => all + lot[sex], 0);
    const heads = lots.reduce((all, lot) => all + totalHeads(lot), 0);
    const held = Math.min(heads, view.held.get(brood.id) ?? 0);
    const barred = barredOf(view, read);
    const promised = lots.reduce((all, lot) => all + reservedOf(view, lot.id), 0);
    const free = Math.max(0, heads - held - promised);
    const ready = readyIn(view, read, growth);
    return [
      {
        broodId: brood.id,
        name: brood.name,
        speciesKey: species.key,
        speciesName: species.commonName,
        law: species.law,
        codes: codesOf(
          view,
          lots.map(({ tankId }) => tankId),
        ),
        heads,
        males: sum('males'),
        females: sum('females'),
        unsexed: sum('unsexed'),
        held,
        promised,
        barred,
        saleMm: species.figures.saleMm[0],
        lengthMm: lengthBand(growth, growth.ageDays),
        isMeasured: growth.samples.length > 0,
        now: ready(Math.max(0, free - (barred?.heads ?? 0)), 0),
        weeks: weeks.map((day, i) => ({ day, ...ready(free, (i + 1) * DAYS_A_WEEK) })),
      },
    ];
  });
  rows.sort((a, b) => b.now.mid - a.now.mid || firstWeek(a) - firstWeek(b) || (a.name < b.name ? -1 : 1));
  const calendar = new Map<string, ReadyList['calendar'][number]>();
  for (const row of rows) {
    const line = calendar.get(row.speciesKey) ?? {
      speciesKey: row.speciesKey,
      speciesName: row.speciesName,
      now: 0,
      weeks: weeks.map(() => 0),
    };
    line.now += row.now.mid;
    row.weeks.forEach(({ mid }, i) => {
      const before = i === 0 ? row.now.mid : (row.weeks[i - 1]?.mid ?? 0);
      line.weeks[i] = (line.weeks[i] ?? 0) + Math.max(0, mid - before);
    });
    calendar.set(row.speciesKey, line);
  }
  return {
    rows,
    weeks,
    calendar: [...calendar.values()].filter(({ now, weeks: added }) => now > 0 || added.some((count) => count > 0)),
  };
}

/** The first week in which some are ready; beyond the last where none is. */
const firstWeek = ({ weeks }: ReadyRow): number => {
  const at = weeks.findIndex(({ mid }) => mid > 0);
  return at < 0 ? READY_WEEKS : at;
};
