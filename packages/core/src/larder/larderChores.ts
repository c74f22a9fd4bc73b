import { chore, choreKinds, tick, type Chore } from '../agenda';
import { expectedLengthMm, FOOD_NAMES, foodsOn, substitutesFor, type Food } from '../species';
import { totalHeads } from '../stock';
import { addDays, daysBetween, everyDays, formatDay, formatInstant, houseDay, sentence, type Day } from '../time';
import { formatNumber } from '../units';
import { CULTURES, type Culture, type CultureFood, type CultureKind, type CultureState, type DescribedCulture } from './cultures';
import type { LarderPlan } from './deriveLarder';
import type { LarderView } from './facts';
import { isTaken, youngMeals } from './meals';
import { fryRation } from './rations';

export const LARDER_CHORES = choreKinds({
  feedYoung: { seconds: 40, words: 'feed young' },
  feedAdults: { seconds: 40, words: 'feed' },
  startCulture: { stays: true, seconds: 300, words: 'start a culture' },
  setHatch: { seconds: 180, words: 'set a hatch' },
  feedCulture: { stays: true, seconds: 60, words: 'feed a culture' },
  checkRipe: { stays: true, seconds: 40, way: 'watch', words: 'is a culture ripe' },
  harvest: { seconds: 120, words: 'harvest' },
  renewCulture: { stays: true, seconds: 300, words: 'renew a culture' },
});

/** Chores of a running culture on a day. */
export function cultureChores({ culture, state }: DescribedCulture, view: LarderView, day: Day): Chore[] {
  const { timeZone } = view;
  const kind: CultureKind = CULTURES[culture.food];
  const subject = culture.id;
  const started = `started ${formatInstant(culture.startedAt, view.today, timeZone)}`;
  if (day > state.lastDay)
    return kind.batch
      ? []
      : [
          chore(LARDER_CHORES.renewCulture, {
            subject,
            day,
            text: `Renew ${culture.name}`,
            amountText: 'start a new one from it',
            overdue: true,
            why: [started, `Productive for about ${kind.lastsDays} days once ripe.`],
            tick: tick('cultureStarted', null, culture.food),
          }),
        ];
  const chores: Chore[] = [];
  if (state.feedDue && day >= state.feedDue)
    chores.push(
      chore(LARDER_CHORES.feedCulture, {
        subject,
        day,
        text: `Feed ${culture.name}`,
        amountText: kind.feed,
        overdue: day > addDays(state.feedDue, 2),
        why: [`${sentence(everyDays(kind.feedEveryDays))}; ${started}.`],
        tick: tick('cultureFed', culture.id),
      }),
    );
  if (!kind.batch && !culture.ripeSeenAt && day >= state.ripeFrom && day <= state.ripeBy)
    chores.push(
      chore(LARDER_CHORES.checkRipe, {
        subject,
        day,
        text: `${culture.name}: ripe?`,
        amountText: kind.sign,
        why: [`${started}; ripe in ${kind.ripeDays.join(' to ')} days.`],
        tick: tick('cultureRipe', culture.id),
      }),
    );
  return [...chores, ...harvestChores(culture, state, view, day)];
}

/** How much is poured into which tanks of a culture, in walking order. */
function pourings(food: CultureFood, view: LarderView, day: Day): string[] {
  const order = new Map(view.room.tanks.map(({ id }, i) => [id, i]));
  return youngMeals(view, day)
    .filter(({ ration, beside }) => isTaken(ration.food, beside, (one) => substitutesFor(one).includes(food)))
    .sort((a, b) => (order.get(a.tankId) ?? 0) - (order.get(b.tankId) ?? 0))
    .map(({ tankId, ration, read, lot }) => {
      const code = view.tanks.get(tankId)?.code ?? 'no tank';
      // What goes on beside the main food is given once a day, as much as one meal of it.
      const own = fryRation(read.species.figures, food, totalHeads(lot), read.state.lengthMm ?? read.species.figures.fryMm[0]);
      const times = ration.food === food ? own.mealsPerDay : 1;
      return `${code} ${times > 1 ? `${times} × ` : ''}${formatNumber(own.perMeal)} ${own.unit}`;
    });
}

/** Taking food from a culture: a hatch once it is ripe; a standing culture while a brood eats of it. */
function harvestChores(culture: Culture, state: CultureState, view: LarderView, day: Day): Chore[] {
  const kind: CultureKind = CULTURES[culture.food];
  if (day < state.ripeFrom || (!kind.batch && state.phase === 'ripening')) return [];
  const first = view.cultures.find((other) => other.culture.food === culture.food && other.state.phase !== 'ripening')?.culture;
  const pours = first?.id === culture.id ? pourings(culture.food, view, day) : [];
  if (!kind.batch && pours.length === 0) return [];
  return [
    chore(LARDER_CHORES.harvest, {
      subject: culture.id,
      day,
      text: `Harvest ${culture.name}`,
      amountText:
        kind.batch && pours.length === 0
          ? 'keep it cold for later'
          : pours.length > 3
            ? `${pours.slice(0, 3).join(', ')} and ${pours.length - 3} more`
            : pours.join(', '),
      why: [
        kind.batch
          ? `Rinse well; the shells stay behind. A hatch is used up once harvested; best within half a day of hatching, a day or two kept cold and rinsed.`
          : `Take no more than a third; ripe since ${formatDay(state.ripeFrom, view.today)}. A vessel gives some ${formatNumber(kind.yieldMlPerDay)} ml a day for good.`,
        ...pours,
      ],
      tick: tick('cultureHarvested', culture.id),
    }),
  ];
}

/** Brine shrimp to set today for the meals of tomorrow, over all young that take it then. */
export function hatchChore(view: LarderView, day: Day): Chore | null {
  const needs = view.broods.flatMap(({ state, species, lots, brood }) => {
    const feed = state.windows.find((window) => window.stage === 'firstFeed');
    const soon =
      state.feedingDays === null && feed?.earliest != null && houseDay(feed.earliest, view.timeZone) <= addDays(day, 2);
    if (state.feedingDays === null && !soon) return [];
    const age = Math.floor(state.feedingDays ?? 0) + 1;
    const { main, beside } = foodsOn(species.figures, age);
    if (!isTaken(main, beside, (food) => food === 'brineShrimp')) return [];
    const count = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
    const ration = fryRation(species.figures, 'brineShrimp', count, expectedLengthMm(species.figures, age));
    return ration.cystsGPerDay ? [{ name: brood.name, grams: ration.cystsGPerDay }] : [];
  });
  if (needs.length === 0) return null;
  const grams = Math.round(needs.reduce((sum, need) => sum + need.grams, 0) * 100) / 100;
  return chore(LARDER_CHORES.setHatch, {
    subject: 'brineShrimp',
    day,
    text: 'Set a brine shrimp hatch for tomorrow',
    amount: { value: grams, unit: 'g' },
    amountText: `${formatNumber(grams)} g of cysts`,
    why: [
      ...needs.map((need) => `${need.name}: ${formatNumber(need.grams)} g a day`),
      '24 to 30 hours at 27 to 28 °C, 36 to 48 at 22 °C.',
    ],
    tick: tick('cultureStarted', null, 'brineShrimp'),
  });
}

/** Cultures to be started for coming broods: shown from the first sensible day until one is running. */
export function startChores(plans: readonly LarderPlan[], day: Day, today: Day): Chore[] {
  const seen = new Set<Food>();
  return plans.flatMap((plan) => {
    const by = plan.status === 'single' ? plan.backUpBy : plan.startBy;
    if (!by || plan.status === 'safe' || plan.status === 'shelf' || seen.has(plan.food) || plan.food === 'brineShrimp') return [];
    if (plan.startFrom && day < plan.startFrom) return [];
    if (daysBetween(day, by) > 3) return [];
    seen.add(plan.food);
    return [
      chore(LARDER_CHORES.startCulture, {
        subject: `${plan.food}:${plan.key}`,
        day,
        text: `${plan.status === 'single' ? 'Start a second culture of' : 'Start'} ${FOOD_NAMES[plan.food]}`,
        amountText: day > by || by === today ? 'today' : `by ${formatDay(by, today)}`,
        overdue: plan.status === 'late' || day > by,
        why: [plan.text, ...plan.why],
        tick: tick('cultureStarted', null, plan.food),
      }),
    ];
  });
}
