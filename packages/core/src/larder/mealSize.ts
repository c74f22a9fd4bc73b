import type { MealSight } from './keys';
import { FEEDING_WORDS, type FeedingSchool } from '../spawning';
import type { Instant } from '../time';
import { formatNumber } from '../units';

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

/** From so much total ammonia on, mg/L, food is what the water cannot carry. */
const FOUL_AMMONIA_PPM = 0.25;

/** How much of the reckoned ration is given, and why. */
export interface MealSize {
  factor: number;
  why: string[];
}

/**
 * The next ration of a tank from what was seen after the last meals, within bounds, oldest first. Ammonia in the water halves it.
 * Source: docs/sources.md#meal-size
 * @param ammoniaPpm - of a reading of the last days; null without one
 */
export function mealSize(
  looks: readonly MealLook[],
  school: FeedingSchool | null = null,
  ammoniaPpm: number | null = null,
): MealSize {
  const seen = looks.reduce((factor, { sight }) => Math.min(BOUNDS[1], Math.max(BOUNDS[0], factor * SIGHT_FACTOR[sight])), 1);
  const isFoul = ammoniaPpm !== null && ammoniaPpm >= FOUL_AMMONIA_PPM;
  const wanted = seen * SCHOOL_FACTOR[school ?? 'vanishes'] * (isFoul ? SIGHT_FACTOR.fouled : 1);
  const factor = Math.min(BOUNDS[1], Math.max(SCHOOL_FACTOR.seeded, wanted));
  const last = looks.at(-1);
  const percent = Math.round(Math.abs(seen - 1) * 100);
  return {
    factor,
    why: [
      ...(isFoul
        ? [`Ammonia of ${formatNumber(ammoniaPpm)} mg/L was measured: halve the food and change water until it’s zero.`]
        : []),
      ...(last && percent > 0
        ? [
            `Last seen ${MEAL_WORDS[last.sight]}: ${percent} % ${seen > 1 ? 'more' : 'less'} than worked out${seen === BOUNDS[0] || seen === BOUNDS[1] ? ', as far as it goes' : ''}.`,
          ]
        : []),
      ...(last && percent === 0 && looks.length > 0 ? [`Last seen ${MEAL_WORDS[last.sight]}: the usual amount.`] : []),
      ...(school && school !== 'vanishes' ? [`${FEEDING_WORDS[school]}, as the recipe says.`] : []),
    ],
  };
}
