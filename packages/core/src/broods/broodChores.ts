import { chore, tick, type Chore } from '../agenda';
import { isProbed, warmthTankId, type RoomTank } from '../room';
import { daysBetween, formatDay, formatDayRange, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import { BROODS_CHORES } from './choreKinds';
import { boxChores, boxEggsChores, clearChores, isBoxed, methodChores } from './eggCareChores';
import { isResting, type BroodsView, type ReadBrood } from './facts';
import { larvaeChores } from './larvalSalt';
import { leaveChores } from './leaves';
import { peatChores } from './peat';
import { residentsOf } from './residents';
import { isStripped, lieOpen, stripChores } from './stripping';

const TEMPERATURE_DAYS = 1;

/** White eggs are picked where they can be seen and reached: in a box, or on glass that nobody guards. */
const isReached = (read: ReadBrood, tank: RoomTank, view: BroodsView): boolean =>
  isBoxed(read, tank, view) || (read.species.eggSite === 'glass' && read.species.guards === 'nobody');

function eggChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { brood, species, state } = read;
  if (isResting(read)) return peatChores(read, tank.id, view, day);
  if (species.eggsRest && state.stage === 'eggs') return [];
  const chores: Chore[] = [...leaveChores(BROODS_CHORES.leave, read, tank, view, day), ...clearChores(read, tank, view, day)];
  if (!lieOpen(read) || state.stage !== 'eggs') return chores;
  if (isReached(read, tank, view))
    chores.push(
      chore(BROODS_CHORES.pickWhite, {
        subject: `${brood.id}:${tank.id}`,
        day,
        text: 'Pick white eggs',
        amountText: 'all',
        why: [
          'Dead eggs turn white and spread fungus. Fertile ones are clear to amber.',
          'Log how many, so the hatch can be judged.',
        ],
        tick: tick('white', brood.id),
      }),
    );
  return [...chores, ...boxEggsChores(read, tank, view, day), ...boxChores(read, tank, view, day)];
}

/** Eggs and wrigglers are looked at every day, also when nothing else is due. */
function lookChores(read: ReadBrood, tank: RoomTank, day: Day): Chore[] {
  const { brood, species, state } = read;
  if (species.eggsRest || !lieOpen(read) || (state.stage !== 'eggs' && state.stage !== 'yolk')) return [];
  return [
    chore(BROODS_CHORES.lookEggs, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: state.stage === 'eggs' ? 'Look at the eggs' : 'Look at the wrigglers',
      amountText: state.stage === 'eggs' ? 'white, fungus, eyes' : 'gathered, yolk left',
      why:
        species.guards === 'nobody' || isStripped(read)
          ? ['Shine a torch from the side. You’ll see fungus first, and eyes before the hatch.']
          : ['Look from a distance. A disturbed parent may eat the clutch.'],
    }),
  ];
}

function sightingChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { timeZone } = view;
  const { brood, state, species } = read;
  const chores: Chore[] = [];
  const words = {
    hatch: isStripped(read)
      ? 'Look for free-swimming young'
      : species.start === 'carried' && !species.hangs
        ? 'Look for young let go'
        : 'Look for the hatch',
    freeSwimming: species.hangs ? 'Look for young let go' : 'Look for free-swimming young',
  } as const;
  // Eggs in peat hatch when they are wetted; the bag has its own chore.
  if (isResting(read)) return [];
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

/** Daily layers: the mop is looked through each day while the adults lay, and what is found joins the batch. */
function pickChores({ brood, species, state, attempt }: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  if (species.eggSite !== 'mop' || state.stage !== 'eggs' || !attempt || (attempt.to !== null && attempt.to < day)) return [];
  const lays = residentsOf(view, attempt.tankId).some((one) => one.species.key === species.key && one.brood === null);
  const newest = view.broods.every(
    (other) => other.brood.attemptId !== attempt.id || other.brood.laid.from <= brood.laid.from || other.state.stage !== 'eggs',
  );
  if (!lays || !newest) return [];
  return [
    chore(BROODS_CHORES.pickEggs, {
      subject: `${brood.id}:${tank.id}`,
      day,
      text: `Pick eggs from the mop of ${view.tanks.get(attempt.tankId)?.code ?? 'the adults'}`,
      amountText: 'a few a day',
      why: [
        'They lay a few eggs a day and eat some. Use clean fingers; good eggs are hard, bad ones burst.',
        'The number joins the batch. Found none? Enter 0.',
      ],
      tick: tick('picked', brood.id),
    }),
  ];
}

/** Chores of one brood in one of its tanks on a day. */
export function broodChores(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  const { state } = read;
  if (state.isForgotten) return sightingChores(read, tank, view, day);
  const chores = [
    ...eggChores(read, tank, view, day),
    ...methodChores(read, tank, view, day),
    ...pickChores(read, tank, view, day),
    ...larvaeChores(read, tank, view, day),
    ...stripChores(read, tank, view, day),
    ...sightingChores(read, tank, view, day),
  ];
  if (!chores.some(({ kind }) => kind === 'pickWhite' || kind === 'sighting')) chores.push(...lookChores(read, tank, day));
  if ((state.stage === 'eggs' || state.stage === 'yolk') && !tank.outdoor && !isResting(read)) {
    const last = view.room.temperatures[tank.id];
    if (isProbed(view, tank.id)) return chores;
    if (!last || daysBetween(houseDay(last.at, view.timeZone), day) >= TEMPERATURE_DAYS)
      chores.push(
        chore(BROODS_CHORES.takeTemperature, {
          subject: warmthTankId(tank),
          day,
          text: 'Take the temperature',
          amountText: last ? `last ${formatNumber(last.tempC, 3)} °C` : 'none yet',
          why: ['The hatch dates come from this tank’s temperatures.'],
          tick: tick('temperature', warmthTankId(tank)),
        }),
      );
  }
  return chores;
}
