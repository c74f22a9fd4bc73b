import { residentsOf, type ReadBrood } from '../broods';
import { firstFood, type Food, type FoodSpan, type ResolvedSpecies } from '../species';
import { foodStop, outdoorC, runningProgrammes, totalHeads, type StockLot } from '../stock';
import { addDays, houseDay, type Day } from '../time';
import type { LarderView } from './facts';
import { knowledgeAt } from './knowledge';
import { adultRation, fryRation, type Eaters, type Ration } from './rations';

/** The food of one lot of young in one tank on the view's day. */
export interface YoungMeal {
  read: ReadBrood;
  lot: StockLot;
  tankId: string;
  ration: Ration;
  beside: readonly FoodSpan[];
  /** They may swim today: food is there in case they do. */
  isFirst: boolean;
}

/** What every lot of young eats on the view's day, in no order. */
export function youngMeals(view: LarderView, day: Day): YoungMeal[] {
  return view.broods.flatMap((read) => {
    const { state, species } = read;
    return read.lots.flatMap((lot): YoungMeal[] => {
      const { tankId } = lot;
      if (tankId === null || totalHeads(lot) === 0) return [];
      if (fastsForTravel(view, tankId, day)) return [];
      if (state.food !== null && state.lengthMm !== null) {
        const lengthMm = lot.lengthMm ?? state.lengthMm;
        const known = knowledgeAt(view, tankId, read.attempt?.recipe.feeding ?? null);
        const grows = view.tanks.get(tankId)?.growsAlgae;
        const ration = fryRation(species.figures, state.food, totalHeads(lot), lengthMm, grows, known);
        return [{ read, lot, tankId, ration, beside: state.beside, isFirst: false }];
      }
      const feed = state.windows.find((window) => window.stage === 'firstFeed');
      if (state.stage !== 'yolk' || !feed?.earliest || houseDay(feed.earliest, view.timeZone) > day) return [];
      const ration = fryRation(species.figures, firstFood(species.figures), totalHeads(lot), species.figures.fryMm[0]);
      return [{ read, lot, tankId, ration, beside: [], isFirst: true }];
    });
  });
}

/**
 * Whether a whole tank is not fed because all that live in it are lots of which some travel tomorrow or today. Where others stand beside
 * them, those that travel are set apart and everybody else eats.
 */
export function fastsForTravel(view: LarderView, tankId: string, day: Day): boolean {
  const travels = (lotId: string) =>
    view.stock.leaving.some((one) => one.lotId === lotId && (one.on === day || addDays(one.on, -1) === day));
  const here = view.lotsByTank.get(tankId) ?? [];
  return here.length > 0 && here.every(({ id }) => travels(id));
}

/** Why some animals of a tank are not fed with the others. */
export interface Fast {
  species: ResolvedSpecies;
  words: string;
}

/** 1 Monday to 7 Sunday. */
export const isoWeekday = (day: Day): number => new Date(`${day}T00:00:00Z`).getUTCDay() || 7;

/** The food of all grown animals of a tank together: each kind weighed as itself; those on a programme of their own eat by it. */
export interface AdultMeal {
  ration: Ration | null;
  conditioning: boolean;
  /** Who eats, for the words of the chore. */
  names: string[];
  fasts: Fast[];
}

/** What the grown animals of a tank eat on the view's day; null when nobody does. */
export function adultMeal(view: LarderView, tankId: string, day: Day): AdultMeal | null {
  if (foodStop(view, tankId)) return null;
  const residents = residentsOf(view, tankId);
  const all = residents.filter(({ brood }) => brood === null);
  const own = all.filter(({ lot }) => runningProgrammes([lot], view, day).length === 0);
  if (own.length === 0) return null;
  const guarded = new Set(
    residents.flatMap(({ brood, species }) =>
      brood && species.guards === 'male' && (brood.state.stage === 'eggs' || brood.state.stage === 'yolk') ? [species.key] : [],
    ),
  );
  const fasts: Fast[] = [];
  const eaters: (Eaters & { name: string })[] = own.flatMap(({ species, lot, heads, lengthMm, isYoung }) => {
    const guard = guarded.has(species.key) && lot.males > 0 ? 1 : 0;
    if (guard)
      fasts.push({
        species,
        words: `The ${species.commonName.toLowerCase()} male doesn’t eat while he guards. Don’t feed him.`,
      });
    const left = heads - guard;
    return left > 0 && lengthMm !== null
      ? [{ figures: species.figures, heads: left, lengthMm, isYoung, name: species.commonName }]
      : [];
  });
  const attempt = (view.attemptsByTank.get(tankId) ?? []).find((one) => own.some(({ lot }) => one.parentLotIds.includes(lot.id)));
  const conditioning = attempt?.conditioningFrom != null && attempt.conditioningFrom <= day && !attempt.hasBrood;
  if (view.room.hours.fastOn === isoWeekday(day) && !conditioning && !eaters.some(({ isYoung }) => isYoung)) {
    const [first] = own;
    const words = 'Fasting day. No food for adults.';
    return { ration: null, conditioning, names: [], fasts: first ? [...fasts, { species: first.species, words }] : fasts };
  }
  const tempC = outdoorC(view, tankId);
  if (fastsForTravel(view, tankId, day)) {
    const [first] = own;
    const words = 'Some are travelling. No food the day before or on the day.';
    return { ration: null, conditioning, names: [], fasts: first ? [...fasts, { species: first.species, words }] : fasts };
  }
  return {
    ration: adultRation(eaters, conditioning, tempC, knowledgeAt(view, tankId)),
    conditioning,
    names: [...new Set(eaters.map(({ name }) => name))],
    fasts,
  };
}

/** Whether young take such a food, as the main one or beside it. */
export const isTaken = (food: Food | null, beside: readonly FoodSpan[], by: (food: Food) => boolean): boolean =>
  [food, ...beside.map((span) => span.food)].some((one) => one !== null && by(one));
