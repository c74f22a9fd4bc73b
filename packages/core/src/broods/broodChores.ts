import { chore, choreKinds, tick, type Chore } from '../agenda';
import { DYE_CAUTION, doseAfterChange, type RoomTank } from '../room';
import { totalHeads, type StockLot } from '../stock';
import { daysBetween, formatDay, formatDayRange, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import type { BroodsView, ReadBrood } from './facts';

export const BROODS_CHORES = choreKinds({
  pickWhite: {
    seconds: 180,
    words: 'pick white eggs',
    asks: { label: 'White eggs picked', of: 'count', unit: 'eggs', needed: false },
  },
  eggChange: { seconds: 240, words: 'change water for eggs', covers: ['waterChange'] },
  dye: { seconds: 60, words: 'dye' },
  sighting: { seconds: 40, way: 'watch', words: 'look for a stage' },
  peatCheck: { seconds: 60, way: 'watch', words: 'check the peat' },
  removeAdults: { seconds: 240, words: 'take the adults out' },
  takeTemperature: {
    seconds: 20,
    words: 'take the temperature',
    asks: { label: 'Temperature', of: 'temperature', unit: '°C', needed: true },
  },
});

const TEMPERATURE_DAYS = 1;
const PEAT_LOOK_DAYS = 7;

/** Eggs in damp peat are left alone but for a weekly look. */
function peatChores({ brood, state }: ReadBrood, tank: RoomTank, day: Day): Chore[] {
  if (state.ageDays % PEAT_LOOK_DAYS !== 0) return [];
  return [
    chore(BROODS_CHORES.peatCheck, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: 'Is the peat damp, not wet?',
      amountText: 'squeeze: no drop falls',
      why: ['Eggs in peat rest for weeks; too wet they rot, too dry they shrink. Look once a week and write down eyed eggs.'],
    }),
  ];
}

function eggChores(read: ReadBrood, tank: RoomTank, day: Day, adults: readonly StockLot[]): Chore[] {
  const { brood, species, state, attempt } = read;
  const chores: Chore[] = [];
  if (species.eggsRest && state.stage === 'eggs') return peatChores(read, tank, day);
  if (species.start === 'laid' && state.stage === 'eggs') {
    const pulled = attempt?.recipe.eggPlan === 'pullEggs' || attempt?.recipe.eggPlan === 'removeParents';
    if (pulled || species.guards === 'nobody')
      chores.push(
        chore(BROODS_CHORES.pickWhite, {
          subject: `${brood.id}:${tank.id}`,
          day,
          text: 'Pick white eggs',
          amountText: 'all',
          why: [
            'Dead eggs turn opaque white and pass fungus on; fertile ones are clear to amber.',
            'Log how many: the count below is what the hatch is judged by.',
          ],
          tick: tick('white', brood.id),
        }),
      );
    if (attempt?.recipe.eggPlan === 'removeParents' && adults.length > 0) {
      const count = adults.reduce((sum, lot) => sum + totalHeads(lot), 0);
      chores.push(
        chore(BROODS_CHORES.removeAdults, {
          subject: `${brood.id}:${tank.id}`,
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
        chore(BROODS_CHORES.eggChange, {
          subject: `${brood.id}:${tank.id}`,
          day,
          text: 'Change water, same temperature',
          amount: { value: Math.round(litres * 10) / 10, unit: 'L' },
          amountText: `${formatNumber(litres)} L`,
          why: [`${formatNumber(dailyChangeFraction * 100)} % of ${formatNumber(tank.litres)} L, from this attempt's recipe.`],
          caution: 'Unplug the heater before the level falls below it.',
          tick: tick('waterChange', tank.id),
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
          chore(BROODS_CHORES.dye, {
            subject: `${brood.id}:${tank.id}`,
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

function sightingChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { timeZone } = view;
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
      chore(BROODS_CHORES.sighting, {
        subject: `${brood.id}:${tank.id}:${window.stage}`,
        day,
        text: words[window.stage],
        amountText:
          window.status === 'overdue' ? `was due by ${formatDay(to, view.today)}` : formatDayRange(from, to, view.today),
        overdue: window.status === 'overdue',
        why: [...window.why.inputs.map((input) => `${input.label}: ${input.value}`), window.why.formula, ...window.why.notes],
        tick: tick(
          window.stage === 'hatch' ? (species.start === 'carried' ? 'freeSwimming' : 'hatched') : 'freeSwimming',
          brood.id,
        ),
      }),
    );
  }
  return chores;
}

/** Chores of one brood in one of its tanks on a day. */
export function broodChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { state, species } = read;
  const adults = (view.lotsByTank.get(tank.id) ?? []).filter(
    (other) => other.broodId === null && other.speciesKey === species.key,
  );
  const chores = [...eggChores(read, tank, day, adults), ...sightingChores(read, tank, view, day)];
  if ((state.stage === 'eggs' || state.stage === 'yolk') && !tank.outdoor && !species.eggsRest) {
    const last = view.room.temperatures[tank.id];
    if (!last || daysBetween(houseDay(last.at, view.timeZone), day) >= TEMPERATURE_DAYS)
      chores.push(
        chore(BROODS_CHORES.takeTemperature, {
          subject: tank.id,
          day,
          text: 'Take the temperature',
          amountText: last ? `last ${formatNumber(last.tempC, 3)} °C` : 'none yet',
          why: ['The hatch window follows the temperatures of this tank.'],
          tick: tick('temperature', tank.id),
        }),
      );
  }
  return chores;
}
