import { substitutesFor } from '../species';
import { startOfDay, type Day, type Instant } from '../time';
import { youngMeals } from './meals';
import { kindOf } from './cultureKinds';
import { isLost, standsStill, type DescribedCulture } from './cultures';
import { mealMl } from './demand';
import type { LarderView } from './facts';
import { FOOD_CLASSES, foodClassOf } from './foodClasses';
import { learnCulture } from './learnCulture';
import { fryRation } from './rations';
import { hatchMl } from './knowledge';
import { usualYield } from './tide';
import { totalHeads } from '../stock';
import { LARDER_CHORES } from './choreKinds';
import type { CultureFood } from './keys';

/** What goes from one vessel into one tank on a day. */
export interface Pour {
  tankId: string;
  code: string;
  /** The lot's feeding, ticked as poured. */
  choreKey: string | null;
  ml: number;
  /** The meals it is shared over. */
  meals: number;
  /** Stands in for what its ladder names. */
  insteadOf: CultureFood | null;
}

/** A vessel, what may be taken of it today, and where it goes. */
export interface PouredVessel {
  cultureId: string;
  name: string;
  food: CultureFood;
  place: string | null;
  mayTakeMl: number;
  takeMl: number;
  pours: Pour[];
  /** Left in it, and what to do with that. */
  over: string;
}

/** A tank whose food no vessel gives today. */
export interface UnfedTank {
  tankId: string;
  code: string;
  choreKey: string | null;
  food: CultureFood;
  ml: number;
  bridge: string;
  /** The next vessel of its size that is ripe, and when it may be; null when none is on its way. */
  next: { name: string; from: Instant } | null;
}

/** The morning's pouring. */
export interface PourList {
  vessels: PouredVessel[];
  unfed: UnfedTank[];
}

/** Less than this is not poured, ml. */
const LEAST_ML = 0.05;
const round = (ml: number) => (ml >= 20 ? Math.round(ml) : ml >= 2 ? Math.round(ml * 2) / 2 : Math.round(ml * 20) / 20);

/** What may be taken of a vessel today: by its own looks, else a day of its usual yield; a hatch is taken whole. ml as poured. */
export function takeableMl(described: DescribedCulture, view: LarderView): number {
  const { culture, state } = described;
  const kind = kindOf(culture);
  if (kind.batch) {
    const isReady = culture.kept != null || (state.hatch !== null && view.now >= state.hatch.from);
    return isReady && culture.hatch ? hatchMl(view, culture.hatch.cystsG) : 0;
  }
  if (isLost(culture) || standsStill(described)) return 0;
  const learned = learnCulture(culture, state, view.today, view.timeZone);
  if (learned.looks > 0) return learned.mayTakeMl;
  if (state.phase === 'ripening') return 0;
  return usualYield(kind, culture.vesselL ?? kind.vesselL, state.tempC) * kind.harvestEveryDays;
}

/**
 * Divides what is ripe today among the tanks in walking order: each tank's own food first, then what stands in for it, from the fullest
 * vessel; what is left over and where it goes; and which tanks get nothing. Source: docs/sources.md#tide
 */
export function pourList(view: LarderView, day: Day = view.today): PourList {
  const order = new Map(view.room.tanks.map(({ id }, i) => [id, i]));
  const vessels = view.cultures
    .map((described) => ({ described, left: takeableMl(described, view), pours: [] as Pour[] }))
    .filter(({ left, described }) => left > 0 && described.state.phase !== 'overdue')
    .sort((a, b) => b.left - a.left);
  const all = new Map(vessels.map((vessel) => [vessel, vessel.left]));
  const unfed: UnfedTank[] = [];
  const meals = youngMeals(view, day).sort((a, b) => (order.get(a.tankId) ?? 0) - (order.get(b.tankId) ?? 0));
  for (const { tankId, lot, ration, beside, read, isFirst } of meals) {
    const code = view.tanks.get(tankId)?.code ?? '';
    const foods = [ration.food, ...beside.map(({ food }) => food)].filter((food) => foodClassOf(food) !== null) as CultureFood[];
    for (const [i, food] of [...new Set(foods)].entries()) {
      const isMain = i === 0 && food === ration.food;
      const lengthMm = lot.lengthMm ?? read.state.lengthMm ?? read.species.figures.fryMm[0];
      const own = isMain ? ration : fryRation(read.species.figures, food, totalHeads(lot), lengthMm);
      const each = mealMl(own, view.larder.doses);
      if (each === null) continue;
      const times = isMain ? own.mealsPerDay : 1;
      let wanted = each * times;
      const choreKey = isMain ? `${LARDER_CHORES.feedYoung.name}:${lot.id}${isFirst ? ':first' : ''}:${day}` : null;
      for (const source of substitutesFor(food)) {
        const ratio = ratioOf(source as CultureFood, food);
        for (const vessel of vessels) {
          if (vessel.described.culture.food !== source || wanted < LEAST_ML || vessel.left <= 0) continue;
          const ml = Math.min(vessel.left, wanted * ratio);
          vessel.left -= ml;
          wanted -= ml / ratio;
          const shown = round(ml);
          if (shown > 0)
            vessel.pours.push({ tankId, code, choreKey, ml: shown, meals: times, insteadOf: source === food ? null : food });
        }
      }
      // What goes on beside the main food may be left out for a day.
      if (isMain && wanted > each * times * 0.1) {
        const classKey = foodClassOf(food);
        const bridge = classKey ? FOOD_CLASSES[classKey].bridge : '';
        unfed.push({ tankId, code, choreKey, food, ml: round(wanted), bridge, next: nextRipe(view, food) });
      }
    }
  }
  return {
    vessels: vessels.map((vessel) => {
      const { culture } = vessel.described;
      const kind = kindOf(culture);
      const may = all.get(vessel) ?? 0;
      const take = vessel.pours.reduce((sum, { ml }) => sum + ml, 0);
      const over = may - take;
      return {
        cultureId: culture.id,
        name: culture.name,
        food: culture.food,
        place: culture.tankId ? (view.tanks.get(culture.tankId)?.code ?? null) : (culture.place ?? null),
        mayTakeMl: round(may),
        takeMl: round(take),
        pours: vessel.pours,
        over:
          over < Math.max(LEAST_ML, may * 0.05)
            ? ''
            : kind.batch
              ? take === 0
                ? 'Not needed today. Rinse it and keep it cold, two days at most.'
                : `${round(over)} ml left over. Rinse it and keep it cold for the next meal, or give it to adults.`
              : take === 0
                ? 'Not needed today. Thin it now and then so it doesn’t foul.'
                : `Leaves ${round(over)} ml.`,
      };
    }),
    unfed,
  };
}

/** The vessel of a food's size that is ripe next. */
function nextRipe(view: LarderView, food: CultureFood): UnfedTank['next'] {
  const coming = view.cultures.flatMap(({ culture, state }) => {
    if (!substitutesFor(food).includes(culture.food)) return [];
    const from = state.hatch && !culture.kept ? state.hatch.from : startOfDay(state.ripeFrom, view.timeZone);
    return from > view.now ? [{ name: culture.name, from }] : [];
  });
  return coming.sort((a, b) => (a.from < b.from ? -1 : 1))[0] ?? null;
}

/** How many ml of one food stand for one ml of another of its class. */
function ratioOf(source: CultureFood, food: CultureFood): number {
  const key = foodClassOf(food);
  if (!key || source === food) return 1;
  const { mlForOne } = FOOD_CLASSES[key];
  return (mlForOne[source] ?? 1) / (mlForOne[food] ?? 1);
}
