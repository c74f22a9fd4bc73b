import { chore, choreKinds, tick, type Chore } from '../agenda';
import { DYE_CAUTION, doseAfterChange, isProbed, type RoomTank } from '../room';
import { addDays, daysBetween, formatDay, formatDayRange, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import type { BroodsView, ReadBrood } from './facts';
import { leaveChores } from './leaves';
import { residentsOf } from './residents';

export const BROODS_CHORES = choreKinds({
  pickWhite: {
    seconds: 180,
    words: 'pick white eggs',
    asks: { label: 'White eggs picked', of: 'count', unit: 'eggs', needed: false },
  },
  eggChange: { seconds: 240, words: 'change water for eggs', covers: ['waterChange'] },
  dye: { seconds: 60, words: 'dye' },
  clearDye: { seconds: 240, words: 'clear the dye out' },
  sighting: {
    seconds: 40,
    way: 'watch',
    words: 'look for a stage',
    asks: { label: 'Seen', of: 'sighting', unit: '', needed: true },
  },
  lookEggs: { seconds: 20, way: 'watch', words: 'look at eggs and wrigglers' },
  eggCare: { seconds: 90, words: 'care of eggs by the method' },
  peatCheck: { seconds: 60, way: 'watch', words: 'check the peat' },
  leave: { stays: true, seconds: 240, words: 'who leaves' },
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

/** A box that loses a cup at a time, L, and the cup. */
const SMALL_BOX_L = 5;
const CUP_L = 0.25;
/** Changes of a box after which a dye is a trace. */
const CLEAR_DAYS = 5;

/** Whether eggs were taken into a box or tumbler of their own: only there is water changed daily and white eggs are picked. */
const isBoxed = ({ attempt, species }: ReadBrood, tank: RoomTank): boolean =>
  (attempt?.recipe.eggPlan === 'pullEggs' || attempt?.recipe.eggPlan === 'tumbler') && !tank.outdoor && species.start === 'laid';

/** White eggs are picked where they can be seen and reached: in a box, or on glass that nobody guards. */
const isReached = (read: ReadBrood, tank: RoomTank): boolean =>
  isBoxed(read, tank) || (read.species.eggSite === 'glass' && read.species.guards === 'nobody');

/** Water and dye of a box of eggs. */
function boxChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, attempt, state } = read;
  if (!attempt || attempt.recipe.dailyChangeFraction <= 0 || !isBoxed(read, tank)) return [];
  const { dailyChangeFraction, fungus, dyeMgPerL, dyeStockPercent } = attempt.recipe;
  const dyed = fungus === 'dye' && dyeMgPerL !== null && dyeStockPercent !== null;
  const hatch = state.windows.find((window) => window.stage === 'hatch');
  const dueToday =
    hatch?.earliest != null &&
    houseDay(hatch.earliest, view.timeZone) <= day &&
    houseDay(hatch.latest ?? hatch.earliest, view.timeZone) >= day;
  // Hatchlings go with the water: on the day they are due only dye asks for a change.
  if (dueToday && !dyed) return [];
  const small = tank.litres < SMALL_BOX_L;
  const litres = small ? Math.min(CUP_L, tank.litres * dailyChangeFraction) : tank.litres * dailyChangeFraction;
  const chores = [
    chore(BROODS_CHORES.eggChange, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: small ? 'A cup of water out and in, same temperature' : 'Change water, same temperature',
      amount: { value: Math.round(litres * 100) / 100, unit: 'L' },
      amountText: `${formatNumber(litres)} L`,
      why: [
        small
          ? `A box of ${formatNumber(tank.litres)} L loses a cup at a time.`
          : `${formatNumber(dailyChangeFraction * 100)} % of ${formatNumber(tank.litres)} L, from this attempt's recipe for a box of eggs.`,
        ...(dueToday ? ['The hatch is due: pour through a net and look at what is in it.'] : []),
      ],
      ...(small ? {} : { caution: 'Unplug the heater before the level falls below it.' }),
      tick: tick('waterChange', tank.id),
    }),
  ];
  if (!dyed) return chores;
  const { ml } = doseAfterChange({
    tankLitres: tank.litres,
    changeFraction: litres / tank.litres,
    targetMgPerL: dyeMgPerL,
    stock: { percentWv: dyeStockPercent },
  });
  const invertebrates = residentsOf(view, tank.id).some(({ species }) => species.waterSteps < 1);
  chores.push(
    chore(BROODS_CHORES.dye, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: 'Then dye for the new water',
      amount: { value: Math.round(ml * 100) / 100, unit: 'ml' },
      amountText: `${formatNumber(ml)} ml`,
      why: [
        `${formatNumber(litres)} L × ${dyeMgPerL} mg/L ÷ ${formatNumber(dyeStockPercent * 10)} mg/ml (${dyeStockPercent} % stock).`,
        'Assumes the tank was at the target before the change. Carbon and sponge stay out or bypassed: they take the dye away, and the dye kills the filter.',
      ],
      caution: invertebrates ? `Shrimp or crayfish live here: no dye. ${DYE_CAUTION}` : DYE_CAUTION,
      tick: tick('dyed', null, 'for the new water'),
    }),
  );
  return chores;
}

/** After the hatch the dye goes out: as many changes as leave a trace. */
function clearChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, attempt } = read;
  if (!brood.hatched || attempt?.recipe.fungus !== 'dye' || !attempt.recipe.dyeMgPerL || !isBoxed(read, tank)) return [];
  const gone = daysBetween(houseDay(brood.hatched.to, view.timeZone), day);
  if (gone < 0 || gone >= CLEAR_DAYS) return [];
  const share = Math.min(0.5, attempt.recipe.dailyChangeFraction || 0.5);
  const litres = tank.litres * share;
  const left = (1 - share) ** (gone + 1);
  return [
    chore(BROODS_CHORES.clearDye, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: 'Clear the dye out: change, same temperature',
      amount: { value: Math.round(litres * 100) / 100, unit: 'L' },
      amountText: `${formatNumber(litres)} L, ${gone + 1} of ${CLEAR_DAYS}`,
      why: [
        `Hatchlings do without dye. After this change some ${formatNumber(left * 100)} % of it is left, after the last ${formatNumber(100 * (1 - share) ** CLEAR_DAYS)} %; then carbon may go back in.`,
      ],
      tick: tick('waterChange', tank.id),
    }),
  ];
}

function eggChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, species, state } = read;
  if (species.eggsRest && state.stage === 'eggs') return peatChores(read, tank, day);
  const chores: Chore[] = [...leaveChores(BROODS_CHORES.leave, read, tank, view, day), ...clearChores(read, tank, view, day)];
  if (species.start !== 'laid' || state.stage !== 'eggs') return chores;
  if (isReached(read, tank))
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
  return [...chores, ...boxChores(read, tank, view, day)];
}

/** What the method asks for once: shade, an air-stone, a lid. */
function methodChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, species, state } = read;
  const hatch = state.windows.find((window) => window.stage === 'hatch')?.earliest;
  const on = {
    laid: houseDay(brood.laid.to, view.timeZone),
    beforeHatch: hatch && !brood.hatched ? addDays(houseDay(hatch, view.timeZone), -1) : null,
    swimming: brood.freeSwimming ? houseDay(brood.freeSwimming.to, view.timeZone) : null,
  };
  return species.eggCare
    .filter((care) => on[care.on] === day)
    .map((care) =>
      chore(BROODS_CHORES.eggCare, {
        subject: `${brood.id}:${tank.id}:${care.on}`,
        day,
        text: care.text,
        why: [care.why, `So it is done with the method: ${species.eggPlan}`],
      }),
    );
}

/** Eggs and wrigglers are looked at every day, also when nothing else is due. */
function lookChores(read: ReadBrood, tank: RoomTank, day: Day): Chore[] {
  const { brood, species, state } = read;
  if (species.eggsRest || species.start !== 'laid' || (state.stage !== 'eggs' && state.stage !== 'yolk')) return [];
  return [
    chore(BROODS_CHORES.lookEggs, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: state.stage === 'eggs' ? 'Look at the eggs' : 'Look at the wrigglers',
      amountText: state.stage === 'eggs' ? 'white, fungus, eyes' : 'gathered, yolk left',
      why:
        species.guards === 'nobody'
          ? ['A torch from the side shows fungus first, and eyes before the hatch.']
          : ['From a distance: a guardian that is disturbed may eat the clutch.'],
    }),
  ];
}

function sightingChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { timeZone } = view;
  const { brood, state, species } = read;
  const chores: Chore[] = [];
  const words = {
    hatch: species.eggsRest
      ? 'Wet the peat, and look for the hatch'
      : species.start === 'carried' && !species.hangs
        ? 'Look for young let go'
        : 'Look for the hatch',
    freeSwimming: species.hangs ? 'Look for young let go' : 'Look for free-swimming young',
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
          window.stage === 'hatch' && (species.start !== 'carried' || species.hangs) ? 'hatched' : 'freeSwimming',
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
  const chores = [
    ...eggChores(read, tank, view, day),
    ...methodChores(read, tank, view, day),
    ...sightingChores(read, tank, view, day),
  ];
  if (!chores.some(({ kind }) => kind === 'pickWhite' || kind === 'sighting')) chores.push(...lookChores(read, tank, day));
  if ((state.stage === 'eggs' || state.stage === 'yolk') && !tank.outdoor && !species.eggsRest) {
    const last = view.room.temperatures[tank.id];
    if (isProbed(view, tank.id)) return chores;
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
