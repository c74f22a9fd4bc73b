import { BAR_RANK, chore, feedWords, tick, type Agenda, type Alarm, type Bar, type Chore, type PlacedChore } from '../agenda';
import type { ReadBrood } from '../broods';
import { codesOf, mealsByWalk, heaterCaution } from '../room';
import { FOOD_NAMES, foodSpans } from '../species';
import { addDays, dayNumber, daysBetween, formatDay, formatDayRange, houseDay, inARow, sentence, type Day } from '../time';
import { formatNumber } from '../units';
import { amountWords } from './amountWords';
import { planBackUps } from './backUps';
import { LARDER_CHORES } from './choreKinds';
import { CULTURES, kindOf, type CultureKind } from './cultureKinds';
import { cultureRisks } from './cultureRisk';
import { successorOf } from './cultures';
import { learnCulture } from './learnCulture';
import { deriveLarder, type LarderPlan } from './deriveLarder';
import type { LarderView } from './facts';
import { cultureChores, hatchChores, startChores } from './larderChores';
import { adultMeal, isoWeekday, youngMeals } from './meals';
import { newFoodFor } from './newFood';
import { pourList } from './pourList';
import { isForNight, type Ration } from './rations';
import { openStarts } from './tide';
import type { CultureFood } from './keys';

/** Whether what is given every so many days is due: counted from a fixed day, so that a list does not wander. */
const isDue = ({ everyDays }: Ration, day: Day) => dayNumber(day) % everyDays === 0;

/** A feeding as chores: one for each walk that gives a meal of it. */
function feedChores(
  kind: (typeof LARDER_CHORES)['feedYoung'],
  subject: string,
  day: Day,
  ration: Ration,
  walks: number,
  {
    text = feedWords(FOOD_NAMES[ration.food]),
    more = '',
    why: also = [],
  }: { text?: string; more?: string; why?: readonly string[] } = {},
): Chore[] {
  const { food, perMeal, unit, mealsPerDay } = ration;
  const shares = mealsByWalk(mealsPerDay, walks);
  const all = mealsPerDay > 1 ? [`${amountWords(ration)} a day, shared between the walks.`] : [];
  return (isForNight(food) ? shares.reverse() : shares).flatMap((meals, walk) =>
    meals === 0
      ? []
      : [
          chore(kind, {
            subject: walk === 0 ? subject : `${subject}@${walk}`,
            day,
            text,
            more,
            walk,
            amount: { value: Math.round(perMeal * meals * 1000) / 1000, unit },
            amountText: amountWords({ ...ration, mealsPerDay: meals }),
            why: [...ration.why, ...all, ...also],
            tick: tick('fed', null, FOOD_NAMES[ration.food]),
          }),
        ],
  );
}

/** Food of young: each lot by its own number and length, with what is given beside the main food. */
function youngChores(view: LarderView, day: Day): PlacedChore[] {
  const walks = view.room.hours.walks.length;
  return youngMeals(view, day).flatMap(({ read, lot, tankId, ration, beside, isFirst }) => {
    if (!isDue(ration, day)) return [];
    const name = FOOD_NAMES[ration.food];
    if (isFirst)
      return feedChores(LARDER_CHORES.feedYoung, `${lot.id}:first`, day, ration, walks, {
        text: feedWords(name),
        more: 'their first food, if any are swimming',
      }).map((due) => ({ tankId, chore: due }));
    const others = beside.filter(({ food }) => food !== ration.food).map(({ food }) => FOOD_NAMES[food]);
    const fresh = view.room.hours.newFoodOn === isoWeekday(day) ? newFoodFor(view, read, ration.food, day) : null;
    const more = [
      ...(others.length > 0 ? [`plus a little ${inARow(others)}`] : []),
      ...(fresh ? [`a taste of ${FOOD_NAMES[fresh]}, new to them`] : []),
    ].join(', and ');
    const { smallestMm, lengthMm, feedingDays } = read.state;
    const size =
      lengthMm === null || smallestMm === null
        ? []
        : [
            `Day ${Math.floor(feedingDays ?? 0)} of feeding: about ${formatNumber(lengthMm)} mm, the smallest ${formatNumber(smallestMm)} mm, from the growth curve. Keep giving the old food for slow ones.`,
          ];
    return feedChores(LARDER_CHORES.feedYoung, lot.id, day, ration, walks, { more, why: size }).map((due) => ({
      tankId,
      chore: due,
    }));
  });
}

/** Food of the grown animals of a tank: one feeding for all of them. */
function adultChores(view: LarderView, tankId: string, day: Day): PlacedChore[] {
  const meal = adultMeal(view, tankId, day);
  if (!meal?.ration || !isDue(meal.ration, day)) return [];
  const { ration, conditioning, names, fasts } = meal;
  const others = (view.lotsByTank.get(tankId) ?? []).length > names.length || names.length > 1;
  const food = conditioning ? 'conditioning food, live or frozen' : FOOD_NAMES[ration.food];
  return feedChores(LARDER_CHORES.feedAdults, tankId, day, ration, view.room.hours.walks.length, {
    text: feedWords(food),
    more: others && names.length > 0 ? `for the ${inARow(names).toLowerCase()}` : '',
    why: fasts.map(({ words }) => words),
  }).map((due) => ({ tankId, chore: due }));
}

const learnedOf = (view: LarderView) => (described: LarderView['cultures'][number]) =>
  learnCulture(described.culture, described.state, view.today, view.timeZone);

/** Share of the water that is changed after a treatment. */
const CHANGE_AFTER = 1 / 3;

/** Water changes that a treatment asks for. */
function treatmentChores(view: LarderView, day: Day): PlacedChore[] {
  return view.larder.pests.flatMap(({ id, pest, tankId, changesOn }) => {
    const tank = tankId ? view.tanks.get(tankId) : undefined;
    if (!tank || !changesOn.includes(day)) return [];
    const litres = Math.round(tank.litres * CHANGE_AFTER * 10) / 10;
    return [
      {
        tankId,
        chore: chore(LARDER_CHORES.changeAfterTreatment, {
          subject: id,
          day,
          text: `Change water after the treatment against ${pest}`,
          amount: { value: litres, unit: 'L' },
          amountText: `${formatNumber(litres)} L`,
          why: ['Take out what’s left of a treatment a third at a time. Put carbon in at the end.'],
          caution: heaterCaution(tank),
          tick: tick('waterChange', tank.id),
        }),
      },
    ];
  });
}

function larderChores(view: LarderView, day: Day): PlacedChore[] {
  const at = (tankId: string | null) => (due: Chore) => ({ tankId, chore: due });
  const steps = planBackUps(view.cultures, learnedOf(view), view.today);
  const poured = new Map(pourList(view, day).vessels.map((vessel) => [vessel.cultureId, vessel]));
  return [
    ...youngChores(view, day),
    ...[...view.lotsByTank.keys()].flatMap((tankId) => adultChores(view, tankId, day)),
    ...[...startChores(deriveLarder(view), openStarts(view), day, view.today), ...hatchChores(view, day)].map(at(null)),
    ...treatmentChores(view, day),
    ...view.cultures.flatMap((described) =>
      cultureChores(described, view, day, steps, poured.get(described.culture.id)).map(at(described.culture.tankId)),
    ),
  ];
}

function larderAlarms(view: LarderView, plans: readonly LarderPlan[]): Alarm[] {
  const alarms: Alarm[] = [];
  // One culture serves several broods: one sentence a food, for the most pressing, with the others named.
  const said = new Set<string>();
  for (const plan of plans) {
    if (said.has(plan.food)) continue;
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
    if (!severity) continue;
    said.add(plan.food);
    const others = plans
      .filter((one) => one !== plan && one.food === plan.food && one.status !== 'safe')
      .map(({ label }) => label);
    alarms.push({
      key: `food:${plan.key}`,
      about: { topic: 'food', part: `${plan.label}: ${FOOD_NAMES[plan.food]} ${formatDayRange(plan.from, plan.to, view.today)}` },
      severity,
      title: `${plan.title}.`,
      text: others.length > 0 ? `${plan.text} Also for ${others.join(', ')}.` : plan.text,
      subject: { kind: 'larder', id: plan.key },
    });
  }
  for (const described of view.cultures) {
    const { culture, state } = described;
    const successor = successorOf(described, view.cultures);
    // One that another has taken over from is binned on the walk.
    if (state.phase === 'overdue' && !kindOf(culture).batch && !successor)
      alarms.push({
        key: `culture:${culture.id}`,
        severity: 'soon',
        title: `${culture.name} is finished.`,
        text: `${sentence(FOOD_NAMES[culture.food])} started ${formatDay(houseDay(culture.startedAt, view.timeZone), view.today)}; good until ${formatDay(state.lastDay, view.today)}. Start a new one from it, then bin it.`,
        subject: { kind: 'larder', id: culture.id },
      });
    const [risk] = cultureRisks(described, view.cultures, learnedOf(view)(described), view.today, view.timeZone);
    if (risk?.level === 'high' && state.phase !== 'overdue')
      alarms.push({
        key: `risk:${culture.id}`,
        severity: 'now',
        title: `${culture.name} is failing.`,
        text: `${risk.words} ${risk.remedy}`,
        subject: { kind: 'larder', id: culture.id },
      });
  }
  return alarms;
}

/** When a brood moves up to its next food. */
function foodBars({ brood, species, state, lots }: ReadBrood, view: LarderView, last: Day): Bar[] {
  if (state.feedingDays === null) return [];
  const codes = codesOf(
    view,
    lots.map((lot) => lot.tankId),
  );
  const next = foodSpans(species.figures).find(({ fromDay }) => fromDay > (state.feedingDays ?? 0));
  const day = next ? addDays(view.today, Math.ceil(next.fromDay - state.feedingDays)) : null;
  return next && day && day <= last
    ? [
        {
          key: `${brood.id}:food:${next.food}`,
          kind: 'fry',
          rank: BAR_RANK.food,
          from: day,
          to: day,
          label: `${FOOD_NAMES[next.food]} from here, ${codes}`,
          predicted: true,
          urgent: false,
          subject: { kind: 'brood', id: brood.id },
        },
      ]
    : [];
}

function cultureBars(view: LarderView): Bar[] {
  const items: Bar[] = [];
  for (const { culture, state } of view.cultures) {
    const kind = kindOf(culture);
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
  const said = new Set<string>();
  for (const planned of openStarts(view)) {
    said.add(planned.food);
    items.push({
      key: `${planned.id}:start`,
      kind: 'culture',
      rank: BAR_RANK.culture,
      from: planned.day,
      to: planned.day,
      label: `start ${FOOD_NAMES[planned.food]}`,
      predicted: false,
      urgent: planned.day <= view.today,
      subject: { kind: 'larder', id: planned.id },
    });
  }
  for (const plan of deriveLarder(view)) {
    if (said.has(plan.food)) continue;
    const by = plan.startBy ?? plan.backUpBy;
    const daily = (CULTURES[plan.food as CultureFood] as CultureKind | undefined)?.batch && plan.status !== 'late';
    if (!by || plan.status === 'safe' || daily) continue;
    said.add(plan.food);
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
  notes: (view, tankId) => adultMeal(view, tankId, view.today)?.fasts.map(({ words }) => words) ?? [],
  bars: (view, last) => [...view.broods.flatMap((read) => foodBars(read, view, last)), ...cultureBars(view)],
};
