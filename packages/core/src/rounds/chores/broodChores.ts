import { fryRation } from '../../larder';
import { FOOD_NAMES, totalHeads } from '../../stock';
import { DYE_CAUTION, doseAfterChange } from '../../room';
import { daysBetween, formatDay, formatDayRange, houseDay, type Day } from '../../time';
import { formatNumber } from '../../units';
import type { HouseLot, HouseTank } from '../houseState';
import type { ReadBrood, ReadHouse } from '../readHouse';
import { chore, feedChore, type Chore } from './chore';

const TEMPERATURE_DAYS = 1;
const PEAT_LOOK_DAYS = 7;

/** Eggs in damp peat are left alone but for a weekly look. */
function peatChores({ brood, state }: ReadBrood, day: Day): Chore[] {
  if (state.ageDays % PEAT_LOOK_DAYS !== 0) return [];
  return [
    chore({
      kind: 'look',
      mark: 'watch',
      subject: brood.id,
      day,
      text: 'Is the peat damp, not wet?',
      amountText: 'squeeze: no drop falls',
      why: ['Eggs in peat rest for weeks; too wet they rot, too dry they shrink. Look once a week and write down eyed eggs.'],
    }),
  ];
}

function eggChores(read: ReadBrood, tank: HouseTank, day: Day, adults: readonly HouseLot[]): Chore[] {
  const { brood, species, state, attempt } = read;
  const chores: Chore[] = [];
  if (species.method === 'annualPeat' && state.stage === 'eggs') return peatChores(read, day);
  if (species.start === 'laid' && state.stage === 'eggs') {
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
          log: { kind: 'white', broodId: brood.id },
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
          log: { kind: 'waterChange', tankId: tank.id },
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
  if ((state.stage === 'eggs' || state.stage === 'yolk') && !tank.outdoor && species.method !== 'annualPeat') {
    const last = house.state.temperatures.get(tank.id);
    if (!last || daysBetween(houseDay(last.at, house.state.timeZone), day) >= TEMPERATURE_DAYS)
      chores.push(
        chore({
          kind: 'temperature',
          subject: tank.id,
          day,
          text: 'Take the temperature',
          amountText: last ? `last ${formatNumber(last.tempC, 3)} °C` : 'none yet',
          why: ['The hatch window follows the temperatures of this tank.'],
          log: { kind: 'temperature', tankId: tank.id },
        }),
      );
  }
  return chores;
}
