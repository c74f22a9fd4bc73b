import type { ReadBrood } from '../broods';
import { growthOf, lengthBand, shareOfLength, tankAhead, type Ahead, type BroodGrowth, type Likely } from '../growout';
import { codesOf } from '../room';
import { reservedOf, type SalesView } from './facts';
import { freeParts, type FreePart } from './freeLots';
import type { WantedSex } from './keys';
import { totalHeads, type Heads } from '../stock';
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
  /** Shortest that counts, mm. */
  saleMm: number;
  /** Classes that lots of it were sorted into. */
  grades: string[];
  /** Mean length now, with its band. */
  lengthMm: Likely<number>;
  isMeasured: boolean;
  /** Of sale size today, less those that are kept, promised or barred. */
  now: Likely<number>;
  /** Of sale size by the end of each week, those counted in that are now. */
  weeks: ({ day: Day } & Likely<number>)[];
}

/** For sale, by brood, and how much of each species comes new in each week. */
export interface ReadyList {
  rows: ReadyRow[];
  /** By species: what is ready now, and what is added each week. */
  calendar: { speciesKey: string; speciesName: string; now: number; weeks: number[] }[];
  weeks: Day[];
}

/** Share that lives in so many days: the least and the most by what the species keeps. @param ahead - any lot of the brood; they fare alike */
function aliveBand({ species }: ReadBrood, ahead: Ahead | undefined, days: number): Likely<number> {
  const [least, most] = species.figures.survivalToSale;
  const kept = ahead ? ahead.headsIn(days) / Math.max(1, ahead.resident.heads) : 1;
  // How much of the way to sale is left, from the share that the upper figure keeps.
  const way = most >= 1 ? 0 : Math.log(Math.max(1e-9, kept)) / Math.log(most);
  return { low: least ** way, mid: (least * most) ** (way / 2), high: most ** way };
}

/** Which of a house's young are asked after. */
export interface ReadyWish {
  sex: WantedSex;
  /** Shortest that is wanted, mm; null for the usual length of sale. */
  leastMm: number | null;
  /** The class they were sorted into; null for all. */
  grade: string | null;
}
export const ANY_WISH: ReadyWish = { sex: 'any', leastMm: null, grade: null };

const ofSex = (heads: Heads, sex: WantedSex): number =>
  sex === 'any' ? totalHeads(heads) : sex === 'male' ? heads.males : heads.females;
const whole = (most: number, count: number) => Math.min(most, Math.max(0, Math.floor(count + 1e-6)));

/** How many heads of some lots are of a length in some days. The longer the brood, the more of it: bands of length are bands of number. */
function readyIn(view: SalesView, read: ReadBrood, growth: BroodGrowth, parts: readonly FreePart[], wish: ReadyWish) {
  const tankId = read.lots.find((lot) => lot.tankId !== null)?.tankId ?? '';
  const ahead = tankAhead(view, tankId).find(({ resident: { lot } }) => lot.broodId === read.brood.id);
  const least = wish.leastMm ?? read.species.figures.saleMm[0];
  return (days: number, isBarred: boolean): Likely<number> => {
    const mm = lengthBand(growth, growth.ageDays + days);
    const alive = aliveBand(read, ahead, days);
    const sum = { low: 0, mid: 0, high: 0 };
    let [variance, all] = [0, 0];
    for (const { free: heads, bar, beside, cv } of parts) {
      if (isBarred && bar !== null) continue;
      const free = ofSex(heads, wish.sex);
      if (free === 0) continue;
      const of = (side: keyof Likely<number>) => alive[side] * shareOfLength(mm[side] * beside, cv, least);
      const share = of('mid');
      sum.low += free * of('low');
      sum.mid += free * share;
      sum.high += free * of('high');
      // Which ones are long enough is chance besides: each is or is not.
      variance += free * share * (1 - share);
      all += free;
    }
    const chance = CHANCE_SD * Math.sqrt(variance);
    return {
      low: whole(all, sum.mid - Math.hypot(sum.mid - sum.low, chance)),
      mid: whole(all, sum.mid),
      high: whole(all, sum.mid + Math.hypot(sum.high - sum.mid, chance)),
    };
  };
}

/** Heads that cannot go now, and why. */
function barredOf(view: SalesView, parts: readonly FreePart[]): ReadyRow['barred'] {
  const barred = parts.filter(({ bar, lot }) => bar !== null && totalHeads(lot) > 0);
  if (barred.length === 0) return null;
  const inTanks = (why: string) =>
    codesOf(
      view,
      barred.filter(({ bar }) => bar === why).map(({ lot }) => lot.tankId),
    );
  return {
    heads: barred.reduce((sum, { lot }) => sum + totalHeads(lot), 0),
    why: [...new Set(barred.map(({ bar }) => bar ?? ''))].map((why) => `in ${why} (${inTanks(why)})`).join('; '),
  };
}

/** What can be sold, by brood: ready now and by each of the next weeks, measured or by the curve and said which. Source: docs/sources.md#ready-list */
export function readyList(view: SalesView, wish: ReadyWish = ANY_WISH): ReadyList {
  const weeks = Array.from({ length: READY_WEEKS }, (_, i) => addDays(view.today, (i + 1) * DAYS_A_WEEK));
  const rows = view.broods.flatMap((read): ReadyRow[] => {
    const growth = growthOf(read);
    if (!growth) return [];
    const { brood, species } = read;
    const all = freeParts(view, read, growth);
    const parts = wish.grade === null ? all : all.filter(({ grade }) => grade === wish.grade);
    const lots = parts.map(({ lot }) => lot);
    if (lots.length === 0 || (wish.sex !== 'any' && !lots.some((lot) => ofSex(lot, wish.sex) > 0))) return [];
    const sum = (sex: 'males' | 'females' | 'unsexed') => lots.reduce((all, lot) => all + lot[sex], 0);
    const heads = lots.reduce((all, lot) => all + totalHeads(lot), 0);
    const held = parts.reduce((sum, part) => sum + part.held, 0);
    const barred = barredOf(view, parts);
    const promised = lots.reduce((all, lot) => all + reservedOf(view, lot.id), 0);
    const ready = readyIn(view, read, growth, parts, wish);
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
        saleMm: wish.leastMm ?? species.figures.saleMm[0],
        grades: [...new Set(all.flatMap(({ grade }) => grade ?? []))],
        lengthMm: lengthBand(growth, growth.ageDays),
        isMeasured: growth.samples.length > 0,
        now: ready(0, true),
        weeks: weeks.map((day, i) => ({ day, ...ready((i + 1) * DAYS_A_WEEK, false) })),
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
