import { CalculationError } from '../errors';
import { foodSpans, type FoodSpan } from './foods';
import { bodyG, expectedLengthMm, growthPace, middle } from './growth';
import type { Grade } from './kinds';
import type { Range, StageDuration } from './figures';
import type { Leave, ResolvedSpecies } from './profile';

/** A whole life at one temperature, from laying to sale. */
export interface SpeciesLife {
  /** Days from laying; to letting go for young that are carried whole; null for born ones. */
  hatchDays: Range | null;
  swimDays: Range | null;
  /** In days from the first feed. */
  foods: FoodSpan[];
  /** Expected mean length by days from the first feed, mm. */
  lengthMm: Record<string, number>;
  /** Who leaves when; `latestDay` counts from laying, or from birth. */
  leaves: { who: Leave['who']; when: Leave['when']; latestDay: number | null }[];
  /** Dry food of one full-grown animal that is not conditioned, g a day. */
  adultDryGPerDay: number;
  /** From the first feed. */
  saleDays: Range;
  grade: Grade;
}

const AGES = [0, 7, 14, 30, 60, 90, 180] as const;
const WORST: readonly Grade[] = ['recorded', 'relative', 'guess'];
const rounded = (value: number, figures = 3) => Number(value.toPrecision(figures));

/** A stage at a temperature: the same warmth above the standstill. @throws CalculationError never below the standstill */
function stageDays(species: ResolvedSpecies, { atC, days }: StageDuration, tempC: number): Range {
  const zero = species.figures.developmentZeroC;
  if (tempC <= zero)
    throw new CalculationError('never', 'tempC', `At ${tempC} °C nothing develops: it stands still at ${zero} °C.`);
  const factor = (atC - zero) / (tempC - zero);
  return [rounded(days[0] * factor), rounded(days[1] * factor)];
}

/** The last day on which somebody has to be out, counted from laying or birth. */
function latestDay({ when, withinDays }: Leave, hatch: Range | null, swim: Range | null): number | null {
  const days = {
    afterSpawning: 0,
    whenCarrying: 0,
    atHatch: hatch?.[0] ?? null,
    whenSwimming: swim?.[0] ?? null,
    atRelease: swim?.[1] ?? 0,
    atAge: 0,
  }[when];
  return days === null ? null : Math.floor(days + withinDays);
}

/**
 * The life of a species' young at a temperature, from the same figures as broods, feeding and sale are worked out from.
 * Source: docs/sources.md#life
 * @throws CalculationError outOfRange for water they do not live in, never when eggs do not develop
 */
export function lifeOf(species: ResolvedSpecies, tempC: number): SpeciesLife {
  const { figures } = species;
  const pace = growthPace(figures, tempC);
  const hatch = figures.hatch && species.start !== 'born' ? stageDays(species, figures.hatch, tempC) : null;
  const on = figures.freeSwimming && hatch ? stageDays(species, figures.freeSwimming, tempC) : null;
  const swim: Range | null = hatch && on ? [rounded(hatch[0] + on[0]), rounded(hatch[1] + on[1])] : null;
  const used = ['hatch', 'freeSwimming', 'fryMm', 'saleDays', 'saleMm', 'adultMm', 'ladder'] as const;
  return {
    hatchDays: hatch,
    swimDays: swim,
    foods: foodSpans(figures, pace),
    lengthMm: Object.fromEntries(AGES.map((age) => [String(age), rounded(expectedLengthMm(figures, age, pace))])),
    leaves: species.leaves.map((leave) => ({
      who: leave.who,
      when: leave.when,
      latestDay: latestDay(leave, hatch, swim),
    })),
    adultDryGPerDay: rounded(bodyG(figures, middle(figures.adultMm)) * middle(figures.adultFeedShare)),
    saleDays: [Math.round(figures.saleDays[0] / pace), Math.round(figures.saleDays[1] / pace)],
    // A life is as well known as most of its figures are: the middle of them.
    grade:
      used.map((key) => species.grades[key]).sort((a, b) => WORST.indexOf(a) - WORST.indexOf(b))[Math.floor(used.length / 2)] ??
      'guess',
  };
}
