/** When the house is walked, when its lamps burn, and where it stands: what meals, watch times and the sky go by. */
export interface HouseHours {
  /** Times of the day's walks, HH:MM by the house's clock, earliest first; one to four. */
  walks: readonly string[];
  /** Lamp timer, HH:MM; null where daylight rules or nothing was said. */
  lampOn: string | null;
  lampOff: string | null;
  /** Day of the week on which grown animals fast, 1 Monday to 7 Sunday; null when they are fed every day. */
  fastOn: number | null;
  /** Day of the week on which young are offered a food they do not know yet; null where nobody wishes it. */
  newFoodOn: number | null;
  /** The walk with time for water changes and other long work, from 0; null where it is done as one comes by. */
  longWalk: number | null;
  /** Degrees, north and east positive; null where nothing was said. */
  latitude: number | null;
  longitude: number | null;
}

/** What holds until the keeper says otherwise: three walks, with time in the evening. */
export const USUAL_HOURS: HouseHours = {
  walks: ['07:30', '13:00', '19:00'],
  lampOn: null,
  lampOff: null,
  fastOn: null,
  newFoodOn: null,
  longWalk: 2,
  latitude: null,
  longitude: null,
};
export const MOST_WALKS = 4;

/** A walk is meant up to so long before its time. */
const EARLY_MINUTES = 120;
const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** What a walk is called: first light, noon, evening, by its time. */
export function walkWords(walks: readonly string[], walk: number): string {
  const time = walks[walk] ?? '';
  const minutes = minutesOf(time);
  if (walk === 0 && minutes < 11 * 60) return 'first light';
  if (minutes < 11 * 60) return 'morning';
  if (minutes < 14 * 60 + 30) return 'noon';
  return minutes < 17 * 60 ? 'afternoon' : minutes < 21 * 60 ? 'evening' : 'night';
}

/** Which walk a time belongs to: the last one begun, or about to be. @param time - HH:MM by the house's clock */
export function walkAt(walks: readonly string[], time: string): number {
  return Math.max(
    0,
    walks.findLastIndex((walk) => minutesOf(walk) - EARLY_MINUTES <= minutesOf(time)),
  );
}

/**
 * A day's meals shared out over its walks: one meal in the morning, two at the ends of the day, more filled in between, the first walk
 * first. @param meals - a day, whole @returns meals on each walk; sums to `meals`
 */
export function mealsByWalk(meals: number, walks: number): number[] {
  const shared = new Array<number>(walks).fill(Math.floor(meals / walks));
  const rest = meals % walks;
  for (let i = 0; i < rest; i++) {
    // Spread over the day: the first, the last, then those between.
    const walk = rest === 1 ? 0 : Math.round((i * (walks - 1)) / (rest - 1));
    shared[walk] = (shared[walk] ?? 0) + 1;
  }
  return shared;
}
