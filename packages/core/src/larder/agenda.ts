import { BAR_RANK, chore, type Agenda, type Alarm, type Bar, type Chore, type PlacedChore } from '../agenda';
import type { ReadBrood } from '../broods';
import { codesOf } from '../room';
import { expectedLengthMm, FOOD_NAMES } from '../species';
import { runningProgrammes, tooColdToFeed, totalHeads, type StockLot } from '../stock';
import { addDays, daysBetween, formatDay, houseDay, sentence, type Day } from '../time';
import { formatNumber } from '../units';
import { CULTURES, type CultureFood, type CultureKind } from './cultures';
import { deriveLarder, type LarderPlan } from './deriveLarder';
import type { LarderView } from './facts';
import { cultureChores, hatchChore, LARDER_CHORES, startChores } from './larderChores';
import { adultRation, fryRation, type Ration } from './rations';

/** Young grow while a coming day is planned. */
const MM_A_DAY = 0.15;
const PLURALS: Partial<Record<Ration['unit'], string>> = {
  smear: 'smears',
  drop: 'drops',
  spatula: 'spatulas',
  pinch: 'pinches',
};

/** A feeding as a chore. */
function feedChore(
  kind: (typeof LARDER_CHORES)['feedYoung'],
  subject: string,
  day: Day,
  ration: Ration,
  text = sentence(FOOD_NAMES[ration.food]),
): Chore {
  const { perMeal, unit, mealsPerDay } = ration;
  const each = `${formatNumber(perMeal)} ${perMeal > 1 ? (PLURALS[unit] ?? unit) : unit}`;
  return chore(kind, {
    subject,
    day,
    text,
    amount: { value: perMeal * mealsPerDay, unit },
    amountText: mealsPerDay > 1 ? `${mealsPerDay} × ${each}` : each,
    why: ration.why,
  });
}

/** Food of one brood in one of its tanks: each lot by its own number. */
function youngChores({ state, species, lots }: ReadBrood, tankId: string, view: LarderView, day: Day): Chore[] {
  const ahead = Math.max(0, daysBetween(view.today, day));
  return lots
    .filter((lot) => lot.tankId === tankId)
    .flatMap((lot) => {
      if (state.feedingDays !== null && state.lengthMm !== null)
        return [
          feedChore(
            LARDER_CHORES.feedYoung,
            lot.id,
            day,
            fryRation(species.figures, totalHeads(lot), state.lengthMm + ahead * MM_A_DAY),
          ),
        ];
      const feed = state.windows.find((window) => window.stage === 'firstFeed');
      if (state.stage !== 'yolk' || !feed?.earliest || houseDay(feed.earliest, view.timeZone) > day) return [];
      return [
        feedChore(
          LARDER_CHORES.feedYoung,
          `${lot.id}:first`,
          day,
          fryRation(species.figures, totalHeads(lot), species.figures.fryMm[0]),
          `First food if any swim: ${FOOD_NAMES[species.figures.ladder[0]?.food ?? 'finePowder']}`,
        ),
      ];
    });
}

/** Food of the grown animals of a tank: one feeding for all of them. */
function adultChores(tankId: string, lots: readonly StockLot[], view: LarderView, day: Day): Chore[] {
  const first = lots[0];
  const species = view.species.get(first?.speciesKey ?? '');
  if (!first || !species || tooColdToFeed(view, tankId) !== null) return [];
  // Whoever is conditioned by a programme of their own eats by it.
  if (runningProgrammes(lots, view, day).length > 0) return [];
  const attempt = (view.attemptsByTank.get(tankId) ?? []).find((one) => lots.some((lot) => one.parentLotIds.includes(lot.id)));
  const conditioning = attempt?.conditioningFrom != null && attempt.conditioningFrom <= day && !attempt.hasBrood;
  const heads = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
  return [
    feedChore(
      LARDER_CHORES.feedAdults,
      tankId,
      day,
      adultRation(species.figures, heads, conditioning),
      ...(conditioning ? ['Conditioning food, live or frozen if there is any'] : []),
    ),
  ];
}

function larderChores(view: LarderView, day: Day): PlacedChore[] {
  const at = (tankId: string | null) => (due: Chore) => ({ tankId, chore: due });
  const hatching = hatchChore(view, day);
  return [
    ...[...view.broodsByTank].flatMap(([tankId, broods]) =>
      broods.flatMap((read) => youngChores(read, tankId, view, day)).map(at(tankId)),
    ),
    ...[...view.lotsByTank].flatMap(([tankId, lots]) =>
      adultChores(
        tankId,
        lots.filter((lot) => lot.broodId === null),
        view,
        day,
      ).map(at(tankId)),
    ),
    ...[...startChores(deriveLarder(view), day, view.today), ...(hatching ? [hatching] : [])].map(at(null)),
    ...view.cultures.flatMap((described) => cultureChores(described, view, day).map(at(described.culture.tankId))),
  ];
}

function larderAlarms(view: LarderView, plans: readonly LarderPlan[]): Alarm[] {
  const alarms: Alarm[] = [];
  for (const plan of plans) {
    const days = plan.startBy
      ? daysBetween(view.today, plan.startBy)
      : plan.backUpBy
        ? daysBetween(view.today, plan.backUpBy)
        : Infinity;
    const severity =
      plan.status === 'late' || (plan.status === 'start' && days <= 0)
        ? 'now'
        : (plan.status === 'start' && days <= 2 && plan.food !== 'brineShrimp') || (plan.status === 'single' && days <= 1)
          ? 'soon'
          : null;
    if (severity)
      alarms.push({
        key: `food:${plan.key}`,
        severity,
        title: `${plan.title}.`,
        text: plan.text,
        subject: { kind: 'larder', id: plan.key },
      });
  }
  for (const { culture, state } of view.cultures) {
    if (state.phase === 'overdue')
      alarms.push({
        key: `culture:${culture.id}`,
        severity: 'soon',
        title: `${culture.name} is past its time.`,
        text: `${FOOD_NAMES[culture.food]} started ${formatDay(houseDay(culture.startedAt, view.timeZone), view.today)}; good until ${formatDay(state.lastDay, view.today)}. Start a new one from it, then empty it.`,
        subject: { kind: 'larder', id: culture.id },
      });
  }
  return alarms;
}

/** When a brood moves up to its next food. */
function foodBars({ brood, species, state, lots }: ReadBrood, view: LarderView, last: Day): Bar[] {
  const items: Bar[] = [];
  if (state.feedingDays === null || state.lengthMm === null) return items;
  const subject = { kind: 'brood', id: brood.id } as const;
  const codes = codesOf(
    view,
    lots.map((lot) => lot.tankId),
  );
  const rung = species.figures.ladder.find((step) => step.fromMm > (state.lengthMm ?? 0));
  for (let ahead = 1; rung && ahead <= daysBetween(view.today, last); ahead++)
    if (expectedLengthMm(species.figures, state.feedingDays + ahead) >= rung.fromMm) {
      const day = addDays(view.today, ahead);
      items.push({
        key: `${brood.id}:food:${rung.food}`,
        kind: 'fry',
        rank: BAR_RANK.food,
        from: day,
        to: addDays(day, 1),
        label: `${FOOD_NAMES[rung.food]} from here, ${codes}`,
        predicted: true,
        urgent: false,
        subject,
      });
      break;
    }
  return items;
}

function cultureBars(view: LarderView): Bar[] {
  const items: Bar[] = [];
  for (const { culture, state } of view.cultures) {
    const kind: CultureKind = CULTURES[culture.food];
    const subject = { kind: 'larder', id: culture.id } as const;
    if (state.phase === 'ripening' || state.phase === 'maybeRipe')
      items.push({
        key: `${culture.id}:ripe`,
        kind: 'culture',
        rank: BAR_RANK.culture,
        from: state.ripeFrom,
        to: state.ripeBy,
        label: `${culture.name} ripe`,
        predicted: true,
        urgent: false,
        subject,
      });
    else if (!kind.batch)
      items.push({
        key: `${culture.id}:renew`,
        kind: 'culture',
        rank: BAR_RANK.culture,
        from: state.lastDay,
        to: state.lastDay,
        label: `renew ${culture.name}`,
        predicted: true,
        urgent: false,
        subject,
      });
  }
  for (const plan of deriveLarder(view)) {
    const by = plan.startBy ?? plan.backUpBy;
    const daily = CULTURES[plan.food as CultureFood]?.batch && plan.status !== 'late';
    if (by && plan.status !== 'safe' && !daily)
      items.push({
        key: `${plan.key}:start`,
        kind: 'culture',
        rank: BAR_RANK.culture,
        from: by,
        to: by,
        label: `start ${FOOD_NAMES[plan.food]}${plan.status === 'single' ? ', back-up' : ''}`,
        predicted: false,
        urgent: plan.status === 'late',
        subject: { kind: 'larder', id: plan.key },
      });
  }
  return items;
}

export const larderAgenda: Agenda<LarderView> = {
  kinds: LARDER_CHORES,
  bench: { code: 'Larder', who: 'Live food', detail: 'cultures and hatches', stage: 'culture' },
  chores: larderChores,
  alarms: (view) => larderAlarms(view, deriveLarder(view)),
  bars: (view, last) => [...view.broods.flatMap((read) => foodBars(read, view, last)), ...cultureBars(view)],
};
