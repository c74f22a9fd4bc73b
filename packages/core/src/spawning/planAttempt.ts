import { firstFood, type Figures, type Food, type Start } from '../species';
import { addDays, daysBetween, type Day } from '../time';
import { decideBooking, type Booking } from './decideBooking';
import type { Recipe } from './recipeFields';
import { LEVER_WORDS } from './schools';
import { coverWords, stepWords } from './recipeWords';

/** What a date of a plan is for. `fixed` ones can be taken hold of; the rest follows from them. */
export type PlanMarkKind =
  | 'conditioning'
  | 'water'
  | 'culture'
  | 'site'
  | 'firstIn'
  | 'allIn'
  | 'trigger'
  | 'watch'
  | 'decide'
  | 'eggs'
  | 'hatch'
  | 'swim'
  | 'free'
  | 'sale';

/** One date of a plan; `to` is later where it is a window. */
export interface PlanMark {
  kind: PlanMarkKind;
  day: Day;
  to: Day;
  words: string;
}

/** The dates of an attempt that are kept. */
export interface PlanDays {
  conditioningFrom: Day | null;
  from: Day;
  setUpOn: Day;
  triggerOn: Day;
  to: Day;
}

/** Days after a trigger within which eggs are usual, while no own history says better. */
export const USUAL_TRIGGER_DAYS = [0.5, 7] as const;
/** A site is disinfected, a tank looked over, a day before anybody moves in. */
const READY_AHEAD = 1;

const ceil = Math.ceil;
const floor = Math.floor;

/** Days from laying to swimming, shortest and longest; carried young from carrying seen to release, none for those born. */
export function swimDays({ hatch, freeSwimming }: Figures, start: Start): readonly [number, number] {
  if (start === 'born') return [0, 0];
  return [(hatch?.days[0] ?? 0) + (freeSwimming?.days[0] ?? 0), (hatch?.days[1] ?? 0) + (freeSwimming?.days[1] ?? 0)];
}

/** The dates that follow from a recipe and the day of its trigger. @param triggerDays - usual days from trigger to eggs */
export function planDays(recipe: Recipe, triggerOn: Day, triggerDays: readonly [number, number] = USUAL_TRIGGER_DAYS): PlanDays {
  const firstStep = Math.min(0, ...recipe.steps.map(({ day }) => day));
  const setUpOn = addDays(triggerOn, firstStep - Math.max(1, recipe.daysAhead));
  const from = addDays(setUpOn, -Math.max(READY_AHEAD, recipe.agedDays));
  return {
    conditioningFrom: recipe.conditioningDays === null ? null : addDays(setUpOn, -recipe.conditioningDays),
    from,
    setUpOn,
    triggerOn,
    to: addDays(triggerOn, recipe.stopAfterDays ?? ceil(triggerDays[1])),
  };
}

/** The day of the trigger for young of sale size on a wished day, counted with the longest durations. */
export function triggerFor(
  wish: Day,
  figures: Figures,
  start: Start,
  triggerDays: readonly [number, number] = USUAL_TRIGGER_DAYS,
): Day {
  return addDays(wish, -ceil(triggerDays[1] + swimDays(figures, start)[1] + figures.saleDays[1]));
}

/** Cultures to start for a food that is wanted from a day on; nothing for a food from the shelf. */
export type CultureStarts = (food: Food, from: Day) => readonly { day: Day; words: string }[];

/**
 * The dated plan of an attempt, from conditioning to sale, in the order of days. Windows carry their width.
 * @param days - as planned or moved by the keeper
 */
export function planAttempt(input: {
  recipe: Recipe;
  days: PlanDays;
  figures: Figures;
  start: Start;
  triggerDays?: readonly [number, number] | undefined;
  /** What the water is made of, such as "12 L rain and 18 L tap"; empty when that is not known. */
  waterWords?: string | undefined;
  /** What has to be started when, for a first food that is wanted from a day on; the larder, a later area, knows. */
  cultureStarts?: CultureStarts | undefined;
}): PlanMark[] {
  const { recipe, days, figures, start } = input;
  const triggerDays = input.triggerDays ?? USUAL_TRIGGER_DAYS;
  const marks: PlanMark[] = [];
  const add = (kind: PlanMarkKind, day: Day, words: string, to: Day = day) => marks.push({ kind, day, to, words });
  if (days.conditioningFrom) add('conditioning', days.conditioningFrom, `Condition them${recipe.diet ? `: ${recipe.diet}` : ''}`);
  const made = input.waterWords ? `Mix the water (${input.waterWords})` : 'Mix the water';
  add(
    'water',
    days.from,
    recipe.agedDays > 0
      ? `${made} and let it stand; tank reserved`
      : input.waterWords
        ? `${made}; tank reserved`
        : 'Tank reserved',
  );
  if (recipe.cover.length > 0)
    add('site', addDays(days.setUpOn, -READY_AHEAD), `Add clean ${recipe.cover.map(coverWords).join(', ')}`);
  if (recipe.firstIn === 'together') add('allIn', days.setUpOn, 'Parents in');
  else {
    add(
      'firstIn',
      days.setUpOn,
      `${recipe.firstIn === 'males' ? 'Males' : 'Females'} in first${recipe.divider === 'none' ? '' : `, behind a ${recipe.divider} divider`}`,
    );
    add('allIn', addDays(days.setUpOn, recipe.daysAhead), recipe.firstIn === 'males' ? 'Add the females' : 'Add the males');
  }
  const steps = recipe.steps.length > 0 ? recipe.steps : [];
  if (steps.length === 0) add('trigger', days.triggerOn, 'Trigger');
  for (const step of steps) add('trigger', addDays(days.triggerOn, step.day), stepWords({ ...step, day: 0 }));
  const [soonest, latest] = [addDays(days.triggerOn, floor(triggerDays[0])), addDays(days.triggerOn, ceil(triggerDays[1]))];
  add(
    'eggs',
    soonest,
    start === 'laid'
      ? 'Eggs, if they spawn'
      : start === 'carried'
        ? 'Carrying seen, if they spawn'
        : 'Young born, if she was ready',
    latest,
  );
  if (recipe.stopAfterDays !== null)
    add(
      'decide',
      addDays(days.triggerOn, recipe.stopAfterDays),
      `If there are no eggs: ${recipe.nextLever ? LEVER_WORDS[recipe.nextLever].toLowerCase() : 'decide what next'}`,
    );
  if (start !== 'born' && figures.hatch)
    add(
      'hatch',
      addDays(soonest, floor(figures.hatch.days[0])),
      start === 'laid' ? 'Hatch' : 'Young let go',
      addDays(latest, ceil(figures.hatch.days[1])),
    );
  const swim = swimDays(figures, start);
  if (start === 'laid')
    add('swim', addDays(soonest, floor(swim[0])), 'Swimming, first food ripe', addDays(latest, ceil(swim[1])));
  for (const { day, words } of input.cultureStarts?.(firstFood(figures), addDays(soonest, floor(swim[0]))) ?? [])
    add('culture', day, words);
  add('free', addDays(days.to, 1), 'Tank free if they don’t spawn');
  add(
    'sale',
    addDays(soonest, floor(swim[0] + figures.saleDays[0])),
    'Ready for sale',
    addDays(latest, ceil(swim[1] + figures.saleDays[1])),
  );
  return marks.sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
}

/** A plan moved by so many days; what comes before the mark that was taken hold of stays, what follows goes along. */
export function shiftPlan(days: PlanDays, mark: 'conditioning' | 'setUp' | 'trigger' | 'all', by: number): PlanDays {
  const move = (day: Day) => addDays(day, by);
  const { conditioningFrom, from, setUpOn, triggerOn, to } = days;
  if (mark === 'conditioning') return { ...days, conditioningFrom: conditioningFrom && move(conditioningFrom) };
  const late = { triggerOn: move(triggerOn), to: move(to) };
  if (mark === 'trigger') return { ...days, ...late };
  if (mark === 'setUp') return { ...days, ...late, setUpOn: move(setUpOn), from: move(from) };
  return { ...late, setUpOn: move(setUpOn), from: move(from), conditioningFrom: conditioningFrom && move(conditioningFrom) };
}

/** What is wrong with the order of a plan's days, or with a day that is gone, at its field; null when nothing is. */
export function checkDays(days: PlanDays, today: Day, isNew = true): { field: keyof PlanDays; message: string } | null {
  if (isNew && days.triggerOn < today)
    return { field: 'triggerOn', message: 'That day has passed. If you did it, log the trigger with its date.' };
  if (days.triggerOn < days.setUpOn) return { field: 'triggerOn', message: 'The trigger comes after the set-up.' };
  if (days.setUpOn < days.from) return { field: 'setUpOn', message: 'Reserve the tank before the fish move in.' };
  if (days.to < days.triggerOn) return { field: 'to', message: 'Keep the tank until after the trigger.' };
  if (days.conditioningFrom && days.conditioningFrom > days.setUpOn)
    return { field: 'conditioningFrom', message: 'Conditioning begins before the set-up.' };
  return null;
}

/** A tank that an attempt might take. */
export interface PlanTank {
  id: string;
  code: string;
  litres: number;
  quarantine: boolean;
  heads: number;
  /** When it is next free; null when nothing says. */
  freeOn: Day | null;
}

/** Plans clash where one tank is held twice, a tank is in quarantine or lived in, or parents are wanted twice. */
export interface Clash {
  what: 'booked' | 'quarantine' | 'livedIn' | 'parents';
  words: string;
}

/** Clashes of an attempt's days with tanks and other attempts. @param parents - lots of this one */
export function findClashes(
  wanted: Booking,
  parents: readonly string[],
  tanks: readonly PlanTank[],
  others: readonly (Booking & { parentLotIds: readonly string[] })[],
): Clash[] {
  const clashes: Clash[] = [];
  const tank = tanks.find(({ id }) => id === wanted.tankId);
  const booked = decideBooking(wanted, others);
  if (!booked.ok) clashes.push({ what: 'booked', words: `${booked.clash.name} holds ${tank?.code ?? 'it'} then.` });
  if (tank?.quarantine) clashes.push({ what: 'quarantine', words: `${tank.code} is in quarantine.` });
  if (tank && tank.heads > 0 && (tank.freeOn === null || tank.freeOn > wanted.from))
    clashes.push({ what: 'livedIn', words: `${tank.code} has fish in it${tank.freeOn ? '' : ', with no end date'}.` });
  for (const other of others)
    if (
      other.id !== wanted.id &&
      other.parentLotIds.some((id) => parents.includes(id)) &&
      (other.to === null || other.to >= wanted.from) &&
      (wanted.to === null || wanted.to >= other.from)
    )
      clashes.push({ what: 'parents', words: `These parents are booked for ${other.name} then.` });
  return clashes;
}

/** Tanks free over an attempt's days, those nearest to the wanted volume first. @param litres - wanted; null for any */
export function freeTanks(
  wanted: Booking,
  litres: number | null,
  tanks: readonly PlanTank[],
  others: readonly Booking[],
): PlanTank[] {
  const off = ({ litres: has }: PlanTank) => (litres === null ? has : has < litres * 0.7 ? 1e6 - has : Math.abs(has - litres));
  return tanks
    .filter(
      (tank) =>
        !tank.quarantine &&
        (tank.heads === 0 || (tank.freeOn !== null && tank.freeOn <= wanted.from)) &&
        decideBooking({ ...wanted, tankId: tank.id }, others).ok,
    )
    .sort((a, b) => off(a) - off(b) || (a.code < b.code ? -1 : 1));
}

/** Days the tank of a plan is held. */
export const heldDays = (days: PlanDays): number => daysBetween(days.from, days.to) + 1;
