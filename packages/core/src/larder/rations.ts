import { bodyG, FOOD_NAMES, middle, type Figures, type Food } from '../species';
import { everyDays } from '../time';
import { formatNumber, roundToFigures } from '../units';
import { cystsFor } from './cysts';
import { CYST_FIGURES, doseAmount, USUAL_DOSE, type Calibration, type HatchShare } from './doses';
import { foodClassOf } from './foodClasses';
import type { MealSize } from './mealSize';

/** What to give, how often, and how it was worked out. */
export interface Ration {
  food: Food;
  mealsPerDay: number;
  /** Given every so many days; 1 is daily. */
  everyDays: number;
  /** Amount of one meal in `unit`. */
  perMeal: number;
  unit: 'ml' | 'smear' | 'pinch' | 'spatula' | 'drop' | 'g' | 'trace' | 'piece' | 'match-head' | 'cube';
  /** Brine shrimp cysts to set up each day, g; null for other foods. */
  cystsGPerDay: number | null;
  /** Dry food a day, g; null where it is live or not weighed. */
  dryGPerDay: number | null;
  why: string[];
}

/** Nauplii per ml once strained and rinsed back: a starting point. */
export const NAUPLII_PER_ML = 1000;

/** What a keeper's own records put in place of starting points. */
export interface FoodKnowledge {
  doses: readonly Calibration[];
  /** Of the tin that is in use; null while nobody counted a hatch. */
  hatchShare: HatchShare | null;
  /** What was seen after the last meals there. */
  size: MealSize | null;
}
export const NOTHING_KNOWN: FoodKnowledge = { doses: [], hatchShare: null, size: null };
/** Live food weighs about four times the dry food that nourishes as much. */
export const LIVE_FOR_DRY = 4;
/** One dose of each small food per 100 young and meal. */
const PER_100: Partial<Record<Food, { amount: number; unit: Ration['unit'] }>> = {
  infusoria: { amount: 20, unit: 'ml' },
  paramecium: { amount: 15, unit: 'ml' },
  rotifer: { amount: 20, unit: 'ml' },
  greenWater: { amount: 50, unit: 'ml' },
  vinegarEel: { amount: 3, unit: 'ml' },
  microworm: { amount: 0.5, unit: 'smear' },
  finePowder: { amount: 0.5, unit: 'spatula' },
};
/** More than this is weighed, not pinched. */
const MOST_PINCHES = 8;
/** Dry food of young below sale size, share of their weight a day. */
const JUVENILE_SHARE = 0.04;
/** While breeders are conditioned. */
const CONDITIONING_SHARE = 0.0175;
/** Shrimp and scuds live on what grows: a trace between, one solid food a week for all. */
const TRACE_DAYS = 2;
const SOLID_DAYS = 7;
const MOST_NAUPLII = 200;
/** Frozen food comes in cubes; what it weighs is wet. */
const CUBED: ReadonlySet<Food> = new Set(['frozen', 'bloodworm']);
/** Eaten in the dark, by those that hide by day. */
const NIGHT: ReadonlySet<Food> = new Set(['wafers', 'vegetables']);
/** Whether a food is given at the last walk, once. */
export const isForNight = (food: Food): boolean => NIGHT.has(food);
/** A wafer is broken: a piece weighs about so much, g. */
const WAFER_PIECE_G = 0.1;
const halves = (value: number) => Math.max(0.5, Math.round(value * 2) / 2);
const quarters = (value: number) => (value < 1 ? Math.max(0.25, Math.round(value * 4) / 4) : halves(value));
/** Live or frozen: small and often, so that none lies about. */
const isWet = (food: Food) => CUBED.has(food) || foodClassOf(food) !== null;
/** Grazers find their food in the tank. */
const grazes = (figures: Pick<Figures, 'adultFoods'>) => figures.adultFoods[0] === 'biofilm';

/** Meals of young: the smaller, the more often. */
const mealsOf = (lengthMm: number) => (lengthMm < 8 ? 4 : lengthMm < 15 ? 3 : 2);

/** So many grams of dry food for one meal in the keeper's measures: match-heads only of whoever has weighed their own. */
function dryDose(
  food: Food,
  perMeal: number,
  doses: readonly Calibration[],
): Pick<Ration, 'perMeal' | 'unit'> & { why: string[] } {
  const taken = (words: string, { amount, isOwn }: { amount: number; isOwn: boolean }) => [
    `A ${words} is ${isOwn ? 'yours, weighed:' : 'taken as'} ${formatNumber(amount)} g.`,
  ];
  if (food === 'wafers')
    return {
      perMeal: Math.max(1, Math.round(perMeal / WAFER_PIECE_G)),
      unit: 'piece',
      why: [`A piece is a quarter of a small wafer, some ${WAFER_PIECE_G} g; what is left in the morning comes out.`],
    };
  if (CUBED.has(food)) {
    const [cube, wet] = [doseAmount('cube', food, doses), perMeal * LIVE_FOR_DRY];
    const wetWords = `Thawed it weighs some ${LIVE_FOR_DRY} times as much as dry food that feeds as well.`;
    return wet < cube.amount / 8
      ? { perMeal: 1, unit: 'trace', why: [wetWords, `Some ${formatNumber(wet, 2)} g: what is shaved off a cube with a knife.`] }
      : { perMeal: quarters(wet / cube.amount), unit: 'cube', why: [wetWords, ...taken('cube', cube)] };
  }
  const [pinch, head] = [doseAmount('pinch', food, doses), doseAmount('matchHead', food, doses)];
  if (perMeal > MOST_PINCHES * pinch.amount) return { perMeal: roundToFigures(perMeal, 2), unit: 'g', why: [] };
  if (head.isOwn && perMeal < pinch.amount / 2 && perMeal >= head.amount / 2)
    return { perMeal: Math.max(1, Math.round(perMeal / head.amount)), unit: 'match-head', why: taken('match-head', head) };
  if (perMeal < pinch.amount / 4)
    return { perMeal: 1, unit: 'trace', why: ['Less than a quarter of a pinch: what sticks to a dry fingertip.'] };
  return { perMeal: halves(perMeal / pinch.amount), unit: 'pinch', why: taken('pinch', pinch) };
}

/** Food by weight: dry in grams, pinches or a trace where a pinch would be too much; frozen in cubes; live in ml. */
function byWeight(food: Food, grams: number, meals: number, doses: readonly Calibration[], why: string[]): Ration {
  const perMeal = isForNight(food) ? grams : grams / meals;
  const isLive = foodClassOf(food) !== null;
  const { why: measured, ...amount } = isLive
    ? {
        perMeal: Math.max(0.05, roundToFigures(perMeal * LIVE_FOR_DRY, 2)),
        unit: 'ml' as const,
        why: [`Live food weighs some ${LIVE_FOR_DRY} times as much as dry food that feeds as well; 1 ml is about 1 g.`],
      }
    : dryDose(food, perMeal, doses);
  return {
    food,
    mealsPerDay: isForNight(food) ? 1 : meals,
    everyDays: 1,
    ...amount,
    cystsGPerDay: null,
    dryGPerDay: isLive ? null : grams,
    why: [...why, ...measured, 'Stop when they slow down. Fouled water kills more than hunger.'],
  };
}

/** Protein of dry food by how far they are grown: need falls with age. Starting points. Source: docs/sources.md#rations */
export function proteinShare({ adultMm }: Pick<Figures, 'adultMm'>, lengthMm: number): readonly [number, number] {
  const grown = lengthMm / middle(adultMm);
  return grown < 0.35 ? [0.45, 0.55] : grown < 0.75 ? [0.4, 0.45] : [0.32, 0.4];
}
const proteinWords = (figures: Figures, lengthMm: number): string => {
  const [low, high] = proteinShare(figures, lengthMm);
  return `Dry food of ${formatNumber(low * 100)} to ${formatNumber(high * 100)} % protein suits this age; they need less as they grow.`;
};

const weightWords = (count: number, lengthMm: number, figures: Figures) =>
  `${count} at about ${formatNumber(lengthMm)} mm weigh some ${formatNumber(count * bodyG(figures, lengthMm))} g together (${formatNumber(figures.bodyGPerMm3 * 1e5)} × 10⁻⁵ × length³ g each, by their form).`;

/** A grazer's ration: what grows in the tank, with a little beside it. */
const grazing = (food: Food, unit: 'trace' | 'piece', days: number, why: string): Ration => ({
  food,
  mealsPerDay: 1,
  everyDays: days,
  perMeal: 1,
  unit,
  cystsGPerDay: null,
  dryGPerDay: null,
  why: [why, 'Feed a colony by how long the food lasts. Take out what’s left after a few hours.'],
});

/**
 * The day's food for a brood by number and length. Doses are starting points; a keeper's eye goes before them. Source: docs/sources.md#rations
 * @param food - the main food of the day
 * @param count - living young
 * @param lengthMm - mean length, expected or measured
 * @param growsAlgae - the tank grows algae for those that graze: nothing but a weekly solid food then
 */
export function fryRation(
  figures: Figures,
  food: Food,
  count: number,
  lengthMm: number,
  growsAlgae = false,
  known: FoodKnowledge = NOTHING_KNOWN,
): Ration {
  const meals = mealsOf(lengthMm);
  const factor = known.size?.factor ?? 1;
  const sized = known.size?.why ?? [];
  // Larvae that live on a culture do not graze yet.
  const isGrazing = food === 'biofilm' || (grazes(figures) && foodClassOf(food) === null);
  if (isGrazing && growsAlgae)
    return grazing('wafers', 'piece', SOLID_DAYS, 'Algae in this tank feed them. No powder, only a solid food once a week.');
  if (isGrazing)
    return grazing(
      'finePowder',
      'trace',
      TRACE_DAYS,
      `Leaf litter and biofilm feed them; a trace of powder ${everyDays(TRACE_DAYS)}, none where algae grows.`,
    );
  if (food === 'brineShrimp') {
    const naupliiPerFryPerMeal = Math.round(Math.min(MOST_NAUPLII, figures.naupliiAt4Mm * (lengthMm / 4) ** 2));
    const hatchFraction = known.hatchShare?.share ?? CYST_FIGURES.hatchFraction;
    const { naupliiPerG } = CYST_FIGURES;
    const mealsAndSize = { mealsPerDay: meals * factor, naupliiPerG, hatchFraction };
    const { naupliiPerDay, gramsPerDay } = cystsFor({ fry: count, naupliiPerFryPerMeal, ...mealsAndSize });
    const perMeal = Math.max(0.5, Math.round((naupliiPerDay / meals / NAUPLII_PER_ML) * 2) / 2);
    return {
      food,
      mealsPerDay: meals,
      everyDays: 1,
      perMeal,
      unit: 'ml',
      cystsGPerDay: Math.max(0.01, Math.round(gramsPerDay * 100) / 100),
      dryGPerDay: null,
      why: [
        `${count} young × ${naupliiPerFryPerMeal} nauplii × ${meals} meals${factor === 1 ? '' : ` × ${formatNumber(factor)}`} = ${formatNumber(naupliiPerDay)} a day (${figures.naupliiAt4Mm} nauplii per meal at 4 mm, growing with the square of the length).`,
        `${formatNumber(gramsPerDay)} g of cysts at ${formatNumber(naupliiPerG)} nauplii per gram, ${formatNumber(hatchFraction * 100)} % hatching${known.hatchShare && known.hatchShare.hatches > 0 ? ` (this tin, ${known.hatchShare.hatches} hatches counted)` : ', a usual share: count a hatch to learn this tin'}.`,
        `One ml strained and rinsed is taken as ${formatNumber(NAUPLII_PER_ML)} nauplii.`,
        ...sized,
      ],
    };
  }
  const dose = PER_100[food];
  if (!dose)
    return byWeight(food, count * bodyG(figures, lengthMm) * JUVENILE_SHARE * factor, meals, known.doses, [
      weightWords(count, lengthMm, figures),
      `${formatNumber(JUVENILE_SHARE * 100)} % of that a day in ${meals} meals.`,
      ...sized,
      proteinWords(figures, lengthMm),
    ]);
  const { unit } = dose;
  const own = unit === 'smear' || unit === 'spatula' ? USUAL_DOSE[unit].amount / doseAmount(unit, food, known.doses).amount : 1;
  return {
    food,
    mealsPerDay: meals,
    everyDays: 1,
    perMeal: halves((dose.amount * count * factor * own) / 100),
    unit: dose.unit,
    cystsGPerDay: null,
    dryGPerDay: null,
    why: [
      `${count} young; ${dose.amount} ${dose.unit} of ${FOOD_NAMES[food]} per 100 young and meal is the starting point.`,
      ...(own === 1 ? [] : [`Your own ${unit} holds ${formatNumber(1 / own)} times the usual one.`]),
      ...sized,
      'Check by torch before the next meal; some should still be swimming.',
    ],
  };
}

/** Grown animals, or young that came in from elsewhere: how many and how long. */
export interface Eaters {
  figures: Figures;
  heads: number;
  lengthMm: number;
  /** Young that are not of a brood of the house eat as young do. */
  isYoung: boolean;
}

/**
 * The day's food for the grown animals of a tank, each kind weighed as itself and summed. Source: docs/sources.md#rations
 * @param conditioning - more, and mostly live or frozen
 * @param tempC - of an outdoor tank, where cold animals eat less; null indoors
 * @returns null when nothing is to be given
 */
export function adultRation(
  eaters: readonly Eaters[],
  conditioning: boolean,
  tempC: number | null,
  known: FoodKnowledge = NOTHING_KNOWN,
): Ration | null {
  const grazers = eaters.filter(({ figures }) => grazes(figures));
  const others = eaters.filter(({ figures }) => !grazes(figures));
  const [first] = others;
  if (!first) {
    const staple = grazers[0]?.figures.adultFoods[1] ?? 'wafers';
    return grazers.length === 0
      ? null
      : grazing(
          staple,
          'piece',
          SOLID_DAYS,
          `They graze. One solid food a week for all ${grazers.reduce((sum, { heads }) => sum + heads, 0)}.`,
        );
  }
  const outdoors = outdoorDays(tempC);
  const shareOf = ({ figures, isYoung }: Eaters) =>
    conditioning
      ? Math.max(CONDITIONING_SHARE, figures.adultFeedShare[1])
      : isYoung
        ? JUVENILE_SHARE
        : middle(figures.adultFeedShare);
  const factor = known.size?.factor ?? 1;
  const grams = factor * others.reduce((sum, one) => sum + one.heads * bodyG(one.figures, one.lengthMm) * shareOf(one), 0);
  const { adultFoods } = first.figures;
  const staple = (conditioning ? (adultFoods.find(isWet) ?? 'frozen') : adultFoods[0]) ?? 'pellets';
  const meals = conditioning || isWet(staple) || others.some(({ isYoung }) => isYoung) ? 2 : 1;
  const ration = byWeight(staple, grams, meals, known.doses, [
    ...others.map((one) => weightWords(one.heads, one.lengthMm, one.figures)),
    `${[...new Set(others.map((one) => `${formatNumber(shareOf(one) * 100)} %`))].join(' and ')} of their weight a day${conditioning ? ', mostly live or frozen' : ''}.`,
    ...(known.size?.why ?? []),
    ...(outdoors > 1 && tempC !== null
      ? [`At ${formatNumber(tempC)} °C they eat ${everyDays(outdoors)}: none below 10 °C, weekly to 14 °C, daily from 18 °C.`]
      : []),
  ]);
  return { ...ration, everyDays: outdoors };
}

/** How often animals outdoors are fed, days, by the temperature of the water. */
function outdoorDays(tempC: number | null): number {
  if (tempC === null || tempC >= 18) return 1;
  return tempC >= 14 ? 2 : 7;
}
