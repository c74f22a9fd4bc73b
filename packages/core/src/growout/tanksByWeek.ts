import { expectedLengthMm, middle } from '../species';
import { addDays, formatDay, type Day } from '../time';
import { formatNumber } from '../units';
import { PLACE_DAYS } from './pieces';
import type { PlacePlan } from './placePlan';
import { youngCarried } from './crowding';
import type { GrowoutView } from './facts';
import { tankFreeOn } from './tankFreeOn';

/** Sizes that tanks are told in, L. */
export const TANK_SIZES = [
  { key: 'small', words: 'below 40 L', below: 40 },
  { key: 'middle', words: '40 to 90 L', below: 90 },
  { key: 'large', words: '90 L and more', below: Infinity },
] as const;
export type TankSize = (typeof TANK_SIZES)[number]['key'];
export const sizeOf = (litres: number): TankSize => TANK_SIZES.find(({ below }) => litres < below)?.key ?? 'large';

/** Tanks of one size in one week. */
export interface WeekOfSize {
  size: TankSize;
  /** Free at the end of the week, nobody planned into them. */
  free: number;
  /** Wanted by then for young that live now, and for what the next spawnings may bring. */
  needed: number;
  expected: number;
}

/** Room for young, week by week. */
export interface TankWeek {
  from: Day;
  to: Day;
  sizes: WeekOfSize[];
  /** More are needed than are free, even with larger ones in place of smaller. */
  isShort: boolean;
  notes: string[];
}

/** Young of a spawning want a tank of their own when they are so far, mm over their first length. */
const NURSED_TIMES = 3;

interface Want {
  on: Day;
  litres: number;
  isExpected: boolean;
  words: string;
}

/** What the spawnings that are planned may want, if they go as usual. */
function expectedWants(view: GrowoutView): Want[] {
  return [...view.attempts.values()].flatMap((attempt): Want[] => {
    const species = view.species.get(attempt.speciesKey);
    const tank = view.tanks.get(attempt.tankId);
    if (!species || !tank || attempt.hasBrood || (attempt.to ?? attempt.from) < view.today) return [];
    const { figures } = species;
    const days = Math.ceil((figures.hatch?.days[1] ?? 0) + (figures.freeSwimming?.days[1] ?? 0) + middle(figures.saleDays) / 3);
    const mm = Math.max(NURSED_TIMES * figures.fryMm[0], expectedLengthMm(figures, middle(figures.saleDays) / 2));
    const heads = middle(figures.clutch) * Math.sqrt(figures.survivalToSale[0] * figures.survivalToSale[1]);
    const litres = (heads * tank.litres) / Math.max(1e-9, youngCarried(figures, mm, tank, 'tight'));
    const start = attempt.triggerOn ?? attempt.setUpOn ?? attempt.from;
    const on = addDays(start < view.today ? view.today : start, days);
    return litres <= tank.litres ? [] : [{ on, litres: litres - tank.litres, isExpected: true, words: attempt.name }];
  });
}

/** How many tanks of which size are wanted and free in each of the next weeks. @param plan - of places, for who wants one */
export function tanksByWeek(view: GrowoutView, plan: Pick<PlacePlan, 'places'>): TankWeek[] {
  const wants: Want[] = [
    ...plan.places
      .filter(({ isShared }) => !isShared)
      .flatMap(({ litres, tanks, tightOn, name, fromCode }) =>
        Array.from({ length: tanks }, () => ({
          on: tightOn,
          litres: litres / tanks,
          isExpected: false,
          words: `${name} from ${fromCode}`,
        })),
      ),
    ...expectedWants(view),
  ];
  const free = view.room.tanks.flatMap((tank) => {
    const on =
      tank.quarantine || tank.outdoor || view.room.readiness[tank.id]?.ready === false ? null : tankFreeOn(view, tank.id);
    return on === null ? [] : [{ size: sizeOf(tank.litres), on }];
  });
  return Array.from({ length: PLACE_DAYS / 7 }, (_, week): TankWeek => {
    const [from, to] = [addDays(view.today, week * 7), addDays(view.today, week * 7 + 6)];
    const due = wants.filter(({ on }) => on <= to);
    const sizes = TANK_SIZES.map(({ key }): WeekOfSize => ({
      size: key,
      free: free.filter(({ size, on }) => size === key && on <= to).length,
      needed: due.filter(({ litres, isExpected }) => !isExpected && sizeOf(litres) === key).length,
      expected: due.filter(({ litres, isExpected }) => isExpected && sizeOf(litres) === key).length,
    }));
    // From the largest down: what is left of the larger serves the smaller.
    let left = 0;
    let isShort = false;
    for (const size of [...sizes].reverse()) {
      left += size.free - size.needed;
      if (left < 0) isShort = true;
      left = Math.max(0, left);
    }
    const begins = new Map<string, { want: Want; tanks: number }>();
    for (const want of wants.filter(({ on }) => on >= from && on <= to)) {
      const key = `${want.words} ${want.on}`;
      begins.set(key, { want, tanks: (begins.get(key)?.tanks ?? 0) + 1 });
    }
    return {
      from,
      to,
      sizes,
      isShort,
      notes: [...begins.values()].map(
        ({ want: { words, on, isExpected, litres }, tanks: count }) =>
          `${words}, ${formatDay(on, view.today)}: ${count > 1 ? `${count} tanks` : `${formatNumber(litres)} L`}${isExpected ? ', if it spawns' : ''}`,
      ),
    };
  });
}
