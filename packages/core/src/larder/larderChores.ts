import { chore, tick, type Chore } from '../agenda';
import { expectedLengthMm, FOOD_NAMES, foodsOn, type Food } from '../species';
import { totalHeads } from '../stock';
import { addDays, daysBetween, everyDays, formatDay, formatInstant, houseDay, sentence, type Day } from '../time';
import { formatNumber } from '../units';
import type { BackUpStep } from './backUps';
import { LARDER_CHORES } from './choreKinds';
import { kindOf } from './cultureKinds';
import { pouredWords, standsStill, type DescribedCulture } from './cultures';
import type { LarderPlan } from './deriveLarder';
import type { LarderView } from './facts';
import { hatchShareNow } from './knowledge';
import { isTaken } from './meals';
import type { PouredVessel } from './pourList';
import { fryRation, NOTHING_KNOWN } from './rations';
import type { openStarts } from './tide';

/** A culture is looked at so often once it gives. */
const LOOK_DAYS = 7;

/** Chores of a running culture on a day. @param poured - what is taken of it that day */
export function cultureChores(
  { culture, state }: DescribedCulture,
  view: LarderView,
  day: Day,
  steps: readonly BackUpStep[],
  poured: PouredVessel | undefined,
): Chore[] {
  const { timeZone } = view;
  const kind = kindOf(culture);
  const subject = culture.id;
  const started = `started ${formatInstant(culture.startedAt, view.today, timeZone)}`;
  const chores: Chore[] = [];
  // A hatch is done with once it is past its time, kept cold or forgotten.
  const goodUntil = culture.kept && state.hatch ? state.hatch.goodUntil : null;
  if (kind.batch && (goodUntil ? houseDay(goodUntil, timeZone) <= day : state.phase === 'overdue'))
    chores.push(
      chore(LARDER_CHORES.discardHatch, {
        subject,
        day,
        text: `Discard what is left of ${culture.name}`,
        amountText: `good until ${goodUntil ? formatInstant(goodUntil, view.today, timeZone) : formatDay(state.lastDay, view.today)}`,
        why: ['They’ve used up their yolk, so there’s little food in them, and dead ones foul the water.'],
        tick: tick('cultureEnded', culture.id),
      }),
    );
  const step = steps.find(({ cultureId, day: due }) => cultureId === culture.id && due <= day);
  if (step && step.action !== 'thin') {
    const late = step.action === 'renew' && day > state.lastDay;
    const declared = { split: LARDER_CHORES.splitCulture, renew: LARDER_CHORES.renewCulture, empty: LARDER_CHORES.emptyCulture };
    chores.push(
      chore(declared[step.action], {
        subject,
        day,
        text: `${{ split: 'Split', renew: 'Renew', empty: 'Empty' }[step.action]} ${culture.name}`,
        amountText: step.action === 'empty' ? '' : 'start a new one from it',
        overdue: late,
        why: [step.why, `${sentence(started)}.`],
        tick: step.action === 'empty' ? tick('cultureEnded', culture.id) : tick('cultureSplit', culture.id),
      }),
    );
  }
  if (day > state.lastDay) return chores;
  if (state.feedDue && day >= state.feedDue && !standsStill({ culture, state }))
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
        why: [`${sentence(started)}; ripe in ${kind.ripeDays.join(' to ')} days.`],
        tick: tick('cultureRipe', culture.id),
      }),
    );
  const lastLook = culture.looks?.at(-1)?.at ?? culture.ripeSeenAt;
  if (!kind.batch && lastLook && daysBetween(houseDay(lastLook, timeZone), day) >= LOOK_DAYS)
    chores.push(
      chore(LARDER_CHORES.lookAtCulture, {
        subject,
        day,
        text: `${culture.name}: how dense?`,
        amountText: kind.sign,
        why: [
          `Last looked at ${formatInstant(lastLook, view.today, timeZone)}. How dense it is tells how fast it grows, and how much you can take every day.`,
        ],
        tick: tick('cultureLooked', culture.id),
      }),
    );
  return [...chores, ...harvestChores({ culture, state }, view, day, poured)];
}

/** Taking food from a vessel: a hatch once it is ready; a standing culture while a brood eats of it. */
function harvestChores(
  { culture, state }: DescribedCulture,
  view: LarderView,
  day: Day,
  poured: PouredVessel | undefined,
): Chore[] {
  const kind = kindOf(culture);
  if (day < state.ripeFrom || culture.kept || (!kind.batch && (state.phase === 'ripening' || !poured?.pours.length))) return [];
  const pours = (poured?.pours ?? []).map(
    ({ code, ml, meals }) => `${code} ${meals > 1 ? `${meals} × ${formatNumber(ml / meals)}` : formatNumber(ml)} ml`,
  );
  return [
    chore(LARDER_CHORES.harvest, {
      subject: culture.id,
      day,
      text: `Harvest ${culture.name}`,
      amount: poured && poured.takeMl > 0 ? { value: poured.takeMl, unit: 'ml' } : null,
      amountText:
        pours.length === 0
          ? 'keep it cold for later'
          : pours.length > 3
            ? `${pours.slice(0, 3).join(', ')} and ${pours.length - 3} more`
            : pours.join(', '),
      why: [
        kind.batch
          ? 'Rinse well; the shells stay behind. A hatch is used up once harvested; best within half a day of hatching, a day or two kept cold and rinsed.'
          : `It may give ${pouredWords(poured?.mayTakeMl ?? 0)} today and stays strong; ripe since ${formatDay(state.ripeFrom, view.today)}.`,
        ...pours,
        ...(poured?.over ? [poured.over] : []),
      ],
      tick: tick('cultureHarvested', culture.id),
    }),
  ];
}

/** Salt of a hatch, g a litre: most hatch in 20 to 30. */
export const HATCH_SALT_G_PER_L = 25;
/** From here on a hatch is set at each walk, so that each meal is fresh, g a day. */
const STAGGER_G = 0.05;

/** Brine shrimp to set today for the meals of tomorrow, over all young that take it then: at each walk its part, so that none is older than half a day. */
export function hatchChores(view: LarderView, day: Day): Chore[] {
  const known = { ...NOTHING_KNOWN, doses: view.larder.doses, hatchShare: hatchShareNow(view) };
  const needs = view.broods.flatMap(({ state, species, lots, brood }) => {
    const feed = state.windows.find((window) => window.stage === 'firstFeed');
    const soon =
      state.feedingDays === null && feed?.earliest != null && houseDay(feed.earliest, view.timeZone) <= addDays(day, 2);
    if (state.feedingDays === null && !soon) return [];
    const age = Math.floor(state.feedingDays ?? 0) + 1;
    const { main, beside } = foodsOn(species.figures, age);
    if (!isTaken(main, beside, (food) => food === 'brineShrimp')) return [];
    const heads = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
    const ration = fryRation(species.figures, 'brineShrimp', heads, expectedLengthMm(species.figures, age), false, known);
    return ration.cystsGPerDay ? [{ name: brood.name, grams: ration.cystsGPerDay }] : [];
  });
  if (needs.length === 0) return [];
  const whole = needs.reduce((sum, need) => sum + need.grams, 0);
  const walks = view.room.hours.walks.length > 1 && whole >= STAGGER_G ? 2 : 1;
  const grams = Math.max(0.01, Math.round((whole / walks) * 100) / 100);
  return Array.from({ length: walks }, (_, walk) =>
    chore(LARDER_CHORES.setHatch, {
      subject: walk === 0 ? 'brineShrimp' : `brineShrimp@${walk}`,
      day,
      walk,
      text: 'Set a brine shrimp hatch for tomorrow',
      amount: { value: grams, unit: 'g' },
      amountText: `${formatNumber(grams)} g of cysts`,
      why: [
        ...needs.map((need) => `${need.name}: ${formatNumber(need.grams)} g a day`),
        ...(walks > 1 ? ['Half on each walk, so no meal is more than half a day old.'] : []),
        `${HATCH_SALT_G_PER_L} g of salt a litre, air and light; 24 to 30 hours at 27 to 28 °C, 36 to 48 at 22 °C.`,
      ],
      tick: tick('cultureStarted', null, 'brineShrimp'),
    }),
  );
}

/** Cultures to be started: by the plan that was taken, and for coming broods that it does not cover, from the first sensible day on. */
export function startChores(plans: readonly LarderPlan[], planned: ReturnType<typeof openStarts>, day: Day, today: Day): Chore[] {
  const seen = new Set<Food>();
  const taken = planned
    .filter((one) => one.day <= day)
    .map((one) => {
      seen.add(one.food);
      const moved = one.movedDays;
      return chore(LARDER_CHORES.startCulture, {
        subject: `planned:${one.id}`,
        day,
        text: `Start ${FOOD_NAMES[one.food]}`,
        amountText: one.day < day ? `since ${formatDay(one.day, today)}` : 'today',
        overdue: one.day < day,
        why: [
          'From your plan.',
          ...(moved !== 0
            ? [
                `Moved ${Math.abs(moved)} ${Math.abs(moved) === 1 ? 'day' : 'days'} ${moved > 0 ? 'later' : 'earlier'} with its hatch.`,
              ]
            : []),
        ],
        tick: tick('cultureStarted', null, one.food),
      });
    });
  const byNeed = plans.flatMap((plan) => {
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
  return [...taken, ...byNeed];
}
