import type { Reply } from '../data';
import type { Chore, Stop } from './chore';

/** What a rack is fed, with the stops it is fed at. */
export interface Feeding {
  key: string;
  rackCode: string;
  walk: number;
  words: string;
  /** With what it is fed there, and nothing else. */
  stops: Stop[];
}

/** One line of the walk: a stop, or the feeding of a whole rack; both are numbered. */
export type WalkItem = { number: number; rackCode: string } & (
  { kind: 'stop'; stop: Stop; feeding?: undefined } | { kind: 'feeding'; feeding: Feeding; stop?: undefined }
);

/**
 * The walk as it is gone: at each rack its feeding first, then the stops that have more to do. What is fed with the rack is
 * left out at its stop, and a stop that has nothing else is the rack's.
 */
export function walkItems({ stops, rackMeals }: Pick<Reply<'round'>, 'stops' | 'rackMeals'>): WalkItem[] {
  const byTank = new Map(stops.map((stop) => [stop.tankId, stop]));
  const folded = new Set(rackMeals.flatMap((meal) => meal.stops.flatMap(({ keys }) => keys)));
  const open = [...rackMeals];
  const items: WalkItem[] = [];
  const next = (rackCode: string) => ({ number: items.length + 1, rackCode });
  for (const stop of stops) {
    // What is due on this walk before what was left of earlier ones.
    const due = open.filter(({ rackCode }) => rackCode === stop.rackCode).sort((a, b) => b.walk - a.walk);
    for (const meal of due) {
      open.splice(open.indexOf(meal), 1);
      const fed = meal.stops.flatMap(({ tankId, keys }) => {
        const at = byTank.get(tankId);
        const isFed = (key: string) => keys.includes(key);
        return at
          ? [{ ...at, chores: at.chores.filter(({ key }) => isFed(key)), meals: at.meals.filter((one) => one.keys.every(isFed)) }]
          : [];
      });
      items.push({
        ...next(stop.rackCode),
        kind: 'feeding',
        feeding: { ...meal, key: `${meal.rackCode} ${meal.walk}`, stops: fed },
      });
    }
    const chores = stop.chores.filter(({ key }) => !folded.has(key));
    if (chores.length === 0 && stop.chores.length > 0) continue;
    const meals = stop.meals.filter(({ keys }) => keys.every((key) => !folded.has(key)));
    items.push({ ...next(stop.rackCode), kind: 'stop', stop: { ...stop, chores, meals } });
  }
  return items;
}

/** What there is to tick at a line of the walk. */
export const choresOf = (item: WalkItem): readonly Chore[] =>
  item.kind === 'stop' ? item.stop.chores : item.feeding.stops.flatMap(({ chores }) => chores);

/** Whether nothing is left to tick there. */
export const isDone = (item: WalkItem): boolean => choresOf(item).every((chore) => chore.outcome);
