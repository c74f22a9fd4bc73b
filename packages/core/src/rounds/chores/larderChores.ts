import {
  CULTURES,
  fryRation,
  type Culture,
  type CultureFood,
  type CultureKind,
  type CultureState,
  type DescribedCulture,
} from '../../larder';
import { FOOD_NAMES, totalHeads, type Food, type Heads } from '../../stock';
import { addDays, daysBetween, formatDay, formatInstant, houseDay, type Day } from '../../time';
import { formatNumber } from '../../units';
import type { LarderPlan } from '../deriveLarder';
import type { ReadHouse } from '../readHouse';
import { chore, type Chore } from './chore';

/** Chores of a running culture on a day. */
export function cultureChores({ culture, state }: DescribedCulture, house: ReadHouse, day: Day): Chore[] {
  const { timeZone } = house.state;
  const kind: CultureKind = CULTURES[culture.food];
  const subject = culture.id;
  const started = `started ${formatInstant(culture.startedAt, house.today, timeZone)}`;
  if (day > state.lastDay)
    return kind.batch
      ? []
      : [
          chore({
            kind: 'renewCulture',
            subject,
            day,
            text: `Renew ${culture.name}`,
            amountText: 'start a new one from it',
            overdue: true,
            why: [started, `Productive for about ${kind.lastsDays} days once ripe.`],
            log: { kind: 'cultureStarted', food: culture.food },
          }),
        ];
  const chores: Chore[] = [];
  if (state.feedDue && day >= state.feedDue)
    chores.push(
      chore({
        kind: 'feedCulture',
        subject,
        day,
        text: `Feed ${culture.name}`,
        amountText: kind.feed,
        overdue: day > addDays(state.feedDue, 2),
        why: [`Every ${kind.feedEveryDays} days; ${started}.`],
        log: { kind: 'cultureFed', cultureId: culture.id },
      }),
    );
  if (!kind.batch && !culture.ripeSeenAt && day >= state.ripeFrom && day <= state.ripeBy)
    chores.push(
      chore({
        kind: 'checkRipe',
        mark: 'watch',
        subject,
        day,
        text: `${culture.name}: ripe?`,
        amountText: kind.sign,
        why: [`${started}; ripe in ${kind.ripeDays.join(' to ')} days.`],
        log: { kind: 'cultureRipe', cultureId: culture.id },
      }),
    );
  return [...chores, ...harvestChores(culture, state, house, day)];
}

/** Taking food from a culture: a hatch once it is ripe; a standing culture while a brood eats of it. */
function harvestChores(culture: Culture, state: CultureState, house: ReadHouse, day: Day): Chore[] {
  const kind: CultureKind = CULTURES[culture.food];
  if (day < state.ripeFrom || (!kind.batch && state.phase === 'ripening')) return [];
  const eaters = house.broods.filter((read) => read.state.food === culture.food);
  const codes = [
    ...new Set(eaters.flatMap(({ lots }) => lots.map((lot) => house.tanks.get(lot.tankId ?? '')?.code ?? ''))),
  ].filter(Boolean);
  const first = house.cultures.find((other) => other.culture.food === culture.food && other.state.phase !== 'ripening')?.culture;
  if (!kind.batch && (codes.length === 0 || first?.id !== culture.id)) return [];
  return [
    chore({
      kind: 'harvest',
      subject: culture.id,
      day,
      text: `Harvest ${culture.name}`,
      amountText:
        codes.length > 4
          ? `for ${codes.slice(0, 3).join(', ')} and ${codes.length - 3} more`
          : codes.length > 0
            ? `for ${codes.join(', ')}`
            : '',
      overdue: kind.batch && day > state.ripeBy,
      why: [
        kind.batch
          ? 'Rinse well; the shells stay behind. A hatch is used up once harvested.'
          : `Take no more than a third; ripe since ${formatDay(state.ripeFrom, house.today)}.`,
      ],
      log: { kind: 'cultureHarvested', cultureId: culture.id },
    }),
  ];
}

/** Brine shrimp to set today for the meals of tomorrow, over all broods that take it then. */
export function hatchChore(house: ReadHouse, day: Day): Chore | null {
  const needs = house.broods.flatMap(({ state, species, lots, brood }) => {
    const feed = state.windows.find((window) => window.stage === 'firstFeed');
    const soon =
      state.feedingDays === null &&
      species.figures.ladder[0]?.food === 'brineShrimp' &&
      feed?.earliest != null &&
      houseDay(feed.earliest, house.state.timeZone) <= addDays(day, 2);
    if (state.feedingDays === null && !soon) return [];
    const count = lots.reduce((sum, lot) => sum + totalHeads(lot as Heads), 0);
    const ration = fryRation(species.figures, count, (state.lengthMm ?? species.figures.fryMm[0]) + 0.3);
    return ration.cystsGPerDay ? [{ name: brood.name, grams: ration.cystsGPerDay }] : [];
  });
  if (needs.length === 0) return null;
  const grams = Math.round(needs.reduce((sum, need) => sum + need.grams, 0) * 100) / 100;
  return chore({
    kind: 'setHatch',
    subject: 'brineShrimp',
    day,
    text: 'Set a brine shrimp hatch for tomorrow',
    amount: { value: grams, unit: 'g' },
    amountText: `${formatNumber(grams)} g of cysts`,
    why: needs.map((need) => `${need.name}: ${formatNumber(need.grams)} g a day`),
    log: { kind: 'cultureStarted', food: 'brineShrimp' },
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
      chore({
        kind: 'startCulture',
        subject: `${plan.food}:${plan.key}`,
        day,
        text: `${plan.status === 'single' ? 'Start a second culture of' : 'Start'} ${FOOD_NAMES[plan.food]}`,
        amountText: day > by || by === today ? 'today' : `by ${formatDay(by, today)}`,
        overdue: plan.status === 'late' || day > by,
        why: [plan.text, ...plan.why],
        log: { kind: 'cultureStarted', food: plan.food as CultureFood },
      }),
    ];
  });
}
