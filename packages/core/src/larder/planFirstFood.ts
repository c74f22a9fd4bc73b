import { addDays, formatDay, formatDayRange, type Day } from '../time';
import { formatNumber, formatRange } from '../units';
import { cultureDays, CULTURES, type CultureKind } from './cultureKinds';
import type { DescribedCulture } from './cultures';
import { FOOD_NAMES, substitutesFor, type Food } from '../species';
import { FOOD_CLASSES, foodClassOf } from './foodClasses';
import type { CultureFood } from './keys';

/** A brood or attempt that will need its first food. */
export interface FoodNeed {
  /** What it is for, as the keeper says it: "Sixray aspidoras in B2.3". */
  label: string;
  food: Food;
  from: Day;
  to: Day;
}

/** Whether the first food will be alive in time, and what to do. */
export interface FirstFoodPlan {
  /** `safe`: two cover it; `single`: one does; `start`: none yet, in time; `late`: none, and too late for a sure one; `shelf`: nothing to grow. */
  status: 'safe' | 'single' | 'start' | 'late' | 'shelf';
  food: Food;
  /** What it is for, as in the need. */
  label: string;
  cultureIds: string[];
  /** Last day to start one that is surely ripe; null when nothing has to be started. */
  startBy: Day | null;
  /** First day on which starting makes sense, so that it is not spent before. */
  startFrom: Day | null;
  /** Day for a second one, out of step with the first. */
  backUpBy: Day | null;
  title: string;
  text: string;
  why: string[];
}

/** Days of feeding a first food has to carry before the brood moves up. */
const CARRY_DAYS = 5;

/**
 * Which culture must be started when, so that the first food is alive on the first day a brood may swim, with a back-up.
 * Counted back from the early end of the window by the longest ripening time. Source: docs/sources.md#cultures
 */
export function planFirstFood(need: FoodNeed, cultures: readonly DescribedCulture[], today: Day): FirstFoodPlan {
  const name = FOOD_NAMES[need.food];
  const when = formatDayRange(need.from, need.to, today);
  const plan = { food: need.food, label: need.label, cultureIds: [] as string[], startBy: null, startFrom: null, backUpBy: null };
  if (!(need.food in CULTURES))
    return {
      ...plan,
      status: 'shelf',
      title: `${name} for ${need.label}`,
      text: `First feed ${when}: ${name} from the shelf.`,
      why: [`${name} needs no culture.`],
    };
  const food = need.food as CultureFood;
  const kind: CultureKind = CULTURES[food];
  const days = cultureDays(food, null);
  const longest = Math.ceil(days.ripe[1]);
  const startBy = addDays(need.from, -longest);
  const earliest = addDays(need.to, -Math.floor(days.ripe[0] + days.lasts) + CARRY_DAYS);
  const startFrom = kind.batch
    ? addDays(need.from, -longest)
    : earliest < today
      ? today
      : earliest > startBy
        ? startBy
        : earliest;
  const lasting = kind.batch ? need.from : addDays(need.from, CARRY_DAYS);
  const stand = substitutesFor(food);
  const states = cultures.filter(({ culture }) => stand.includes(culture.food));
  const covering = states.filter(({ state }) => state.ripeBy <= need.from && state.lastDay >= lasting);
  const why = [
    `${need.label} may swim from ${formatDay(need.from, today)}.`,
    `${name} ripen in ${formatRange(days.ripe)} days; counted back from the early end by the longer: ${formatDay(startBy, today)}.`,
    kind.batch
      ? 'A hatch feeds one day; set a new one daily from then.'
      : `Once ripe it lasts about ${formatNumber(days.lasts)} days.`,
  ];
  const ids = covering.map(({ culture }) => culture.id);
  const backUpBy = addDays(need.from, -Math.ceil(days.ripe[0]));
  if (ids.length >= 2 || (ids.length === 1 && kind.batch))
    return {
      ...plan,
      status: 'safe',
      cultureIds: ids,
      title: `${name} for ${need.label}: ready in time`,
      text: `First feed ${when}; ${covering.map(({ culture }) => culture.name).join(' and ')} will be alive.`,
      why,
    };
  if (ids.length === 1) {
    const only = covering[0]?.culture.name ?? '';
    const by = backUpBy < today ? today : backUpBy;
    return {
      ...plan,
      status: 'single',
      cultureIds: ids,
      startFrom,
      backUpBy: by,
      title: `Only one ${name} culture for ${need.label}`,
      text: `First feed ${when}. Only ${only} will be ripe. Start a second by ${formatDay(by, today)}.`,
      why,
    };
  }
  if (today <= startBy)
    return {
      ...plan,
      status: 'start',
      startBy,
      startFrom,
      backUpBy: kind.batch ? null : backUpBy,
      title: `Start ${name} for ${need.label}`,
      text: `First feed ${when}. Start ${kind.batch ? 'a hatch' : 'a culture'} by ${formatDay(startBy, today)}${kind.batch ? '' : `, a second by ${formatDay(backUpBy, today)}`}.`,
      why,
    };
  const bridge = FOOD_CLASSES[foodClassOf(food) ?? 'smallest'].bridgeWords;
  const ripening = states
    .filter(({ state }) => state.phase !== 'overdue' && state.lastDay >= need.from)
    .sort((a, b) => (a.state.ripeBy < b.state.ripeBy ? -1 : 1))[0];
  const text = ripening
    ? `They could swim ${when}, but ${ripening.culture.name} is ripe ${formatDayRange(ripening.state.ripeFrom, ripening.state.ripeBy, today)}. Start a second today and have ${bridge} ready.`
    : `They could swim ${when}. Start some today, or ask a friend for a starter. Until then give ${bridge}.`;
  return {
    ...plan,
    status: 'late',
    cultureIds: ripening ? [ripening.culture.id] : [],
    startBy: today,
    startFrom: today,
    backUpBy: today,
    title: `No ${name} for ${need.label}`,
    text,
    why,
  };
}

/** What to start when for a food that is wanted from a day on: one, and a second out of step; nothing for a food from the shelf. */
export function startsFor(food: Food, from: Day): { day: Day; words: string }[] {
  if (!(food in CULTURES)) return [];
  const kind: CultureKind = CULTURES[food as CultureFood];
  const { ripe } = cultureDays(food as CultureFood, null);
  const name = FOOD_NAMES[food];
  const first = { day: addDays(from, -Math.ceil(ripe[1])), words: kind.batch ? `Set a hatch of ${name}` : `Start ${name}` };
  return kind.batch ? [first] : [first, { day: addDays(from, -Math.ceil(ripe[0])), words: `Start a second ${name}` }];
}
