import { foodFor, type Figures, type Food, FOOD_NAMES } from '../species';
import { formatNumber, roundToFigures } from '../units';
import { cystsFor } from './cysts';

/** What to give, how often, and how it was worked out. */
export interface Ration {
  food: Food;
  mealsPerDay: number;
  /** Amount of one meal in `unit`. */
  perMeal: number;
  unit: 'ml' | 'smear' | 'pinch' | 'spatula' | 'drop' | 'g';
  /** Brine shrimp cysts to set up each day, g; null for other foods. */
  cystsGPerDay: number | null;
  why: string[];
}

/** Nauplii per gram if all hatch, usual share that does, and nauplii per ml once strained and rinsed back: starting points. */
const CYSTS = { naupliiPerG: 250_000, hatchFraction: 0.8, naupliiPerMl: 1000 };
/** One dose of each small food per 100 young and meal. */
const PER_100: Partial<Record<Food, { amount: number; unit: Ration['unit'] }>> = {
  infusoria: { amount: 20, unit: 'ml' },
  paramecium: { amount: 15, unit: 'ml' },
  rotifer: { amount: 20, unit: 'ml' },
  vinegarEel: { amount: 3, unit: 'ml' },
  microworm: { amount: 2, unit: 'smear' },
  finePowder: { amount: 1, unit: 'spatula' },
  biofilm: { amount: 0.25, unit: 'spatula' },
};
const PINCH_G = 0.05;
/** More than this is weighed, not pinched. */
const MOST_PINCHES = 8;
const halves = (value: number) => Math.max(0.5, Math.round(value * 2) / 2);
const cubic = (mm: number) => 1.5e-5 * mm ** 3;

/** Share of the body weight given daily: much for young, little for shrimp and other grazers. */
function dailyShare(figures: Figures, lengthMm: number): number {
  if (figures.ladder[0]?.food === 'biofilm') return 0.01;
  return lengthMm < figures.saleMm[0] ? 0.06 : 0.02;
}

function dryRation(food: Food, figures: Figures, count: number, lengthMm: number, share: number, meals: number): Ration {
  const grams = count * cubic(lengthMm) * share;
  const weighed = grams / meals > MOST_PINCHES * PINCH_G;
  return {
    food,
    mealsPerDay: meals,
    ...(weighed
      ? { perMeal: roundToFigures(grams / meals, 2), unit: 'g' }
      : { perMeal: halves(grams / PINCH_G / meals), unit: 'pinch' }),
    cystsGPerDay: null,
    why: [
      `${count} at about ${formatNumber(lengthMm)} mm weigh some ${formatNumber(cubic(lengthMm) * count)} g together (1.5 × 10⁻⁵ × length³ g each).`,
      `${formatNumber(share * 100)} % of that a day in ${meals} meals; a pinch is taken as ${PINCH_G} g.`,
      'Stop when it is no longer eaten at once: fouled water kills more young than hunger.',
    ],
  };
}

/**
 * The day's food for a brood by number and length. Doses are starting points; a keeper's eye goes before them. Source: docs/sources.md#rations
 * @param count - living young
 * @param lengthMm - expected mean length
 */
export function fryRation(figures: Figures, count: number, lengthMm: number): Ration {
  const food = foodFor(figures, lengthMm);
  const meals = lengthMm < 8 ? 3 : 2;
  if (food === 'brineShrimp') {
    const naupliiPerFryPerMeal = Math.round(Math.min(150, 12 * (lengthMm / 4) ** 2));
    const { naupliiPerDay, gramsPerDay } = cystsFor({ fry: count, naupliiPerFryPerMeal, mealsPerDay: meals, ...CYSTS });
    const perMeal = Math.max(0.5, Math.round((naupliiPerDay / meals / CYSTS.naupliiPerMl) * 2) / 2);
    return {
      food,
      mealsPerDay: meals,
      perMeal,
      unit: 'ml',
      cystsGPerDay: Math.max(0.01, Math.round(gramsPerDay * 100) / 100),
      why: [
        `${count} young × ${naupliiPerFryPerMeal} nauplii × ${meals} meals = ${formatNumber(naupliiPerDay)} a day (12 nauplii per meal at 4 mm, growing with the square of the length).`,
        `${formatNumber(gramsPerDay)} g of cysts at ${formatNumber(CYSTS.naupliiPerG)} nauplii per gram, ${CYSTS.hatchFraction * 100} % hatching.`,
        `One ml strained and rinsed is taken as ${formatNumber(CYSTS.naupliiPerMl)} nauplii.`,
      ],
    };
  }
  const dose = PER_100[food];
  if (!dose) return dryRation(food, figures, count, lengthMm, dailyShare(figures, lengthMm), meals);
  return {
    food,
    mealsPerDay: meals,
    perMeal: halves((dose.amount * count) / 100),
    unit: dose.unit,
    cystsGPerDay: null,
    why: [
      `${count} young; ${dose.amount} ${dose.unit} of ${FOOD_NAMES[food]} per 100 young and meal is the starting point.`,
      'Look with a torch before the next meal: some should still be swimming.',
    ],
  };
}

/** The day's dry or frozen food for grown animals; `conditioning` doubles it. Source: docs/sources.md#rations */
export function adultRation(figures: Figures, count: number, conditioning: boolean): Ration {
  const lengthMm = (figures.adultMm[0] + figures.adultMm[1]) / 2;
  const food: Food = figures.ladder[0]?.food === 'biofilm' ? 'biofilm' : 'pellets';
  return dryRation(food, figures, count, lengthMm, dailyShare(figures, lengthMm) * (conditioning ? 2 : 1), conditioning ? 2 : 1);
}
