import {
  CULTURES,
  describeCulture,
  FOOD_NAMES,
  fryRation,
  keeperRation,
  type Culture,
  type CultureFood,
  type CultureKind,
} from '../larder';
import { doseAfterChange } from '../room';
import { totalHeads, type Food, type Heads } from '../stock';
import { addDays, daysBetween, formatDay, formatDayRange, formatInstant, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import type { LarderPlan } from './deriveLarder';
import type { HouseAttempt, HouseLot, HouseTank } from './houseState';
import type { ReadBrood, ReadHouse } from './readHouse';

export type ChoreKind =
  | 'feed'
  | 'pickWhite'
  | 'change'
  | 'dye'
  | 'look'
  | 'removeAdults'
  | 'temperature'
  | 'startCulture'
  | 'setHatch'
  | 'feedCulture'
  | 'checkRipe'
  | 'harvest'
  | 'renewCulture'
  | 'trigger'
  | 'setUp';

/** What "done" also logs besides the chore itself. */
export type ChoreLog =
  | { kind: 'hatched' | 'freeSwimming'; broodId: string }
  | { kind: 'cultureFed' | 'cultureHarvested' | 'cultureRipe'; cultureId: string }
  | { kind: 'cultureStarted'; food: CultureFood }
  | { kind: 'triggered'; attemptId: string };

/** One thing to do or to look for at a stop; computed, never stored. */
export interface Chore {
  /** Stable for one subject and day, so that an outcome finds its chore again. */
  key: string;
  kind: ChoreKind;
  /** `watch` is looked for and may be logged; `do` is ticked. */
  mark: 'do' | 'watch';
  text: string;
  amount: { value: number; unit: string } | null;
  /** The amount as shown, "3 × 2 ml"; may hold words only. */
  amountText: string;
  why: string[];
  caution: string | null;
  overdue: boolean;
  log: ChoreLog | null;
  outcome: { entryId: string; status: 'done' | 'skipped'; amount: number | null; by: string } | null;
}

type Draft = Omit<Chore, 'key' | 'mark' | 'amount' | 'amountText' | 'why' | 'caution' | 'overdue' | 'log' | 'outcome'> &
  Partial<Chore>;

const DYE_CAUTION =
  'Label and data sheet first; gloves; never mix; kills invertebrates; keep from children; never for fish meant as food. Dispose as local rules say.';
const TEMPERATURE_DAYS = 1;

function chore(draft: Draft & { subject: string; day: Day }): Chore {
  const { subject, day, ...rest } = draft;
  return {
    key: `${draft.kind}:${subject}:${day}`,
    mark: 'do',
    amount: null,
    amountText: '',
    why: [],
    caution: null,
    overdue: false,
    log: null,
    outcome: null,
    ...rest,
  };
}

function feedChore(subject: string, day: Day, ration: ReturnType<typeof fryRation>, extra: Partial<Chore> = {}): Chore {
  const plural =
    ration.perMeal > 1 && (ration.unit === 'smear' || ration.unit === 'drop' || ration.unit === 'spatula')
      ? 's'
      : ration.unit === 'pinch' && ration.perMeal > 1
        ? 'es'
        : '';
  const each = `${formatNumber(ration.perMeal)} ${ration.unit}${plural}`;
  const name = FOOD_NAMES[ration.food];
  return chore({
    kind: 'feed',
    subject,
    day,
    text: name.charAt(0).toUpperCase() + name.slice(1),
    amount: { value: ration.perMeal * ration.mealsPerDay, unit: ration.unit },
    amountText: ration.mealsPerDay > 1 ? `${ration.mealsPerDay} × ${each}` : each,
    why: ration.why,
    ...extra,
  });
}

function eggChores(read: ReadBrood, tank: HouseTank, day: Day, adults: readonly HouseLot[]): Chore[] {
  const { brood, species, state, attempt } = read;
  const chores: Chore[] = [];
  const laid = species.start === 'laid';
  if (laid && state.stage === 'eggs') {
    const pulled = attempt?.recipe.eggPlan === 'pullEggs' || attempt?.recipe.eggPlan === 'removeParents';
    if (pulled || species.guards === 'nobody')
      chores.push(
        chore({
          kind: 'pickWhite',
          subject: brood.id,
          day,
          text: 'Pick white eggs',
          amountText: 'all',
          why: [
            'Dead eggs turn opaque white and pass fungus on; fertile ones are clear to amber.',
            'Log how many: the count below is what the hatch is judged by.',
          ],
        }),
      );
    if (attempt?.recipe.eggPlan === 'removeParents' && adults.length > 0) {
      const count = adults.reduce((sum, lot) => sum + totalHeads(lot), 0);
      chores.push(
        chore({
          kind: 'removeAdults',
          subject: brood.id,
          day,
          text: 'Take the adults out',
          amount: { value: count, unit: 'fish' },
          amountText: `${count} fish`,
          overdue: state.ageDays >= 1,
          why: [
            `${species.commonName}: eggs are eaten by ${species.figures.eggsEatenBy === 'anyAdult' ? 'any adult' : 'the parents'}. Net slowly; log the move so the headcount follows.`,
          ],
        }),
      );
    }
    if (attempt && attempt.recipe.dailyChangeFraction > 0 && pulled) {
      const { dailyChangeFraction, fungus, dyeMgPerL, dyeStockPercent } = attempt.recipe;
      const litres = tank.litres * dailyChangeFraction;
      chores.push(
        chore({
          kind: 'change',
          subject: brood.id,
          day,
          text: 'Change water, same temperature',
          amount: { value: Math.round(litres * 10) / 10, unit: 'L' },
          amountText: `${formatNumber(litres)} L`,
          why: [`${formatNumber(dailyChangeFraction * 100)} % of ${formatNumber(tank.litres)} L, from this attempt's recipe.`],
          caution: 'Unplug the heater before the level falls below it.',
        }),
      );
      if (fungus === 'dye' && dyeMgPerL && dyeStockPercent) {
        const { ml } = doseAfterChange({
          tankLitres: tank.litres,
          changeFraction: dailyChangeFraction,
          targetMgPerL: dyeMgPerL,
          stock: { percentWv: dyeStockPercent },
        });
        chores.push(
          chore({
            kind: 'dye',
            subject: brood.id,
            day,
            text: 'Then dye for the new water',
            amount: { value: Math.round(ml * 100) / 100, unit: 'ml' },
            amountText: `${formatNumber(ml)} ml`,
            why: [
              `${formatNumber(tank.litres)} L × ${formatNumber(dailyChangeFraction * 100)} % × ${dyeMgPerL} mg/L ÷ ${formatNumber(dyeStockPercent * 10)} mg/ml (${dyeStockPercent} % stock).`,
              'Assumes the tank was at the target before the change.',
            ],
            caution: DYE_CAUTION,
          }),
        );
      }
    }
  }
  return chores;
}

function lookChores(read: ReadBrood, house: ReadHouse, day: Day): Chore[] {
  const { timeZone } = house.state;
  const { brood, state, species } = read;
  const chores: Chore[] = [];
  const words = {
    hatch: species.start === 'carried' ? 'Look for young let go' : 'Look for the hatch',
    freeSwimming: 'Look for free-swimming young',
  } as const;
  for (const window of state.windows) {
    if (window.stage !== 'hatch' && window.stage !== 'freeSwimming') continue;
    if (window.stage === 'freeSwimming' && state.stage === 'eggs') continue;
    if (!window.earliest || (window.status !== 'predicted' && window.status !== 'overdue')) continue;
    const [from, to] = [houseDay(window.earliest, timeZone), houseDay(window.latest ?? window.earliest, timeZone)];
    if (day < from || (day > to && window.status !== 'overdue')) continue;
    chores.push(
      chore({
        kind: 'look',
        mark: 'watch',
        subject: `${brood.id}:${window.stage}`,
        day,
        text: words[window.stage],
        amountText:
          window.status === 'overdue' ? `was due by ${formatDay(to, house.today)}` : formatDayRange(from, to, house.today),
        overdue: window.status === 'overdue',
        why: [...window.why.inputs.map((input) => `${input.label}: ${input.value}`), window.why.formula, ...window.why.notes],
        log: {
          kind: window.stage === 'hatch' ? (species.start === 'carried' ? 'freeSwimming' : 'hatched') : 'freeSwimming',
          broodId: brood.id,
        },
      }),
    );
  }
  return chores;
}

/** Chores of one brood in one of its tanks on a day. */
export function broodChores(read: ReadBrood, tank: HouseTank, lot: HouseLot, house: ReadHouse, day: Day): Chore[] {
  const { state, species } = read;
  const ahead = daysBetween(house.today, day);
  const adults = (house.lotsByTank.get(tank.id) ?? []).filter(
    (other) => other.broodId === null && other.speciesKey === species.key,
  );
  const chores = [...eggChores(read, tank, day, adults), ...lookChores(read, house, day)];
  if (state.stage === 'yolk') {
    const feed = state.windows.find((window) => window.stage === 'firstFeed');
    if (feed?.earliest && houseDay(feed.earliest, house.state.timeZone) <= day)
      chores.push(
        feedChore(`${lot.id}:first`, day, fryRation(species.figures, totalHeads(lot), species.figures.fryMm[0]), {
          text: `First food if any swim: ${FOOD_NAMES[species.figures.ladder[0]?.food ?? 'finePowder']}`,
        }),
      );
  } else if (state.feedingDays !== null && state.lengthMm !== null)
    chores.push(feedChore(lot.id, day, fryRation(species.figures, totalHeads(lot), state.lengthMm + Math.max(0, ahead) * 0.15)));
  if ((state.stage === 'eggs' || state.stage === 'yolk') && !tank.outdoor) {
    const last = house.state.temperatures.get(tank.id)?.at(-1);
    if (!last || daysBetween(houseDay(last.at, house.state.timeZone), day) >= TEMPERATURE_DAYS)
      chores.push(
        chore({
          kind: 'temperature',
          subject: tank.id,
          day,
          text: 'Take the temperature',
          amountText: last ? `last ${formatNumber(last.tempC, 3)} °C` : 'none yet',
          why: ['The hatch window follows the temperatures of this tank.'],
        }),
      );
  }
  return chores;
}

/** Chores of the grown animals in a tank on a day: one feeding for all of them. */
export function keeperChores(lots: readonly HouseLot[], attempt: HouseAttempt | null, house: ReadHouse, day: Day): Chore[] {
  const first = lots[0];
  const species = house.state.species.get(first?.speciesKey ?? '');
  if (!first || !species) return [];
  const heads = lots.reduce((sum, lot) => sum + totalHeads(lot), 0);
  const conditioning = attempt?.conditioningFrom != null && attempt.conditioningFrom <= day && !attempt.hasBrood;
  return [
    feedChore(
      first.tankId ?? first.id,
      day,
      keeperRation(species.figures, heads, conditioning),
      conditioning ? { text: 'Conditioning food, live or frozen if there is any' } : {},
    ),
  ];
}

/** What an attempt asks for on a day: set-up, trigger. */
export function attemptChores(attempt: HouseAttempt, day: Day, house: ReadHouse): Chore[] {
  const chores: Chore[] = [];
  if (attempt.hasBrood || attempt.triggered) return chores;
  if (
    attempt.setUpOn &&
    day >= attempt.setUpOn &&
    attempt.parentLotIds.length > 0 &&
    !(house.lotsByTank.get(attempt.tankId) ?? []).some((lot) => attempt.parentLotIds.includes(lot.id))
  )
    chores.push(
      chore({
        kind: 'setUp',
        subject: attempt.id,
        day,
        text: 'Set up and move the parents in',
        amountText: attempt.name,
        overdue: day > addDays(attempt.setUpOn, 1),
        why: ['Log the move: the chore goes when they are here.'],
      }),
    );
  if (attempt.triggerOn && day >= attempt.triggerOn) {
    const words: Record<HouseAttempt['recipe']['trigger'], string> = {
      coolChange: 'Trigger: large cool change',
      warm: 'Trigger: warm the tank',
      stable: 'Keep everything steady; look for chasing',
      dawnLightAndFood: 'Trigger: live food at first light',
      season: 'Trigger: season; look for chasing',
    };
    chores.push(
      chore({
        kind: 'trigger',
        subject: attempt.id,
        day,
        text: words[attempt.recipe.trigger],
        amountText: attempt.name,
        overdue: day > addDays(attempt.triggerOn, 1),
        why: [`Planned for ${formatDay(attempt.triggerOn, house.today)}.`],
        log: { kind: 'triggered', attemptId: attempt.id },
      }),
    );
  }
  return chores;
}

/** Chores of a running culture on a day. */
export function cultureChores(culture: Culture, house: ReadHouse, day: Day): Chore[] {
  const { now, timeZone } = house.state;
  const kind: CultureKind = CULTURES[culture.food];
  const state = describeCulture(culture, now, timeZone);
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
  if (!culture.ripeSeenAt && day >= state.ripeFrom && day <= state.ripeBy)
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
  return chores;
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
