import type { MealSight } from './keys';
import { FEEDING_WORDS, type FeedingSchool } from '../spawning';
import type { Instant } from '../time';

export const MEAL_WORDS: Record<MealSight, string> = {
  gone: 'gone at once',
  right: 'just right',
  left: 'left over',
  fouled: 'cloudy or fouled',
};

/** One look after a meal in a tank. */
export interface MealLook {
  tankId: string;
  at: Instant;
  sight: MealSight;
}

const SCHOOL_FACTOR: Record<FeedingSchool, number> = { vanishes: 1, heavy: 1.4, little: 0.6, seeded: 0.2 };
const SIGHT_FACTOR: Record<MealSight, number> = { gone: 1.15, right: 1, left: 0.75, fouled: 0.5 };
/** However often it was gone or left over, a ration stays within these of the sum. */
const BOUNDS = [0.3, 2] as const;

/** How much of the reckoned ration is given, and why. */
export interface MealSize {
  factor: number;
  why: string[];
}

/** The next ration of a tank from what was seen after the last meals, within bounds, oldest first. Source: docs/sources.md#meal-size */
export function mealSize(looks: readonly MealLook[], school: FeedingSchool | null = null): MealSize {
  const seen = looks.reduce((factor, { sight }) => Math.min(BOUNDS[1], Math.max(BOUNDS[0], factor * SIGHT_FACTOR[sight])), 1);
  const factor = Math.min(BOUNDS[1], Math.max(SCHOOL_FACTOR.seeded, seen * SCHOOL_FACTOR[school ?? 'vanishes']));
  const last = looks.at(-1);
  const percent = Math.round(Math.abs(seen - 1) * 100);
  return {
    factor,
    why: [
      ...(last && percent > 0
        ? [
            `Last seen ${MEAL_WORDS[last.sight]}: ${percent} % ${seen > 1 ? 'more' : 'less'} than the sum${seen === BOUNDS[0] || seen === BOUNDS[1] ? ', as far as it goes' : ''}.`,
          ]
        : []),
      ...(last && percent === 0 && looks.length > 0 ? [`Last seen ${MEAL_WORDS[last.sight]}: as reckoned.`] : []),
      ...(school && school !== 'vanishes' ? [`${FEEDING_WORDS[school]}, as the recipe says.`] : []),
    ],
  };
}
