import { chore, tick, type Alarm, type Chore, type ChoreKind } from '../agenda';
import type { RoomTank } from '../room';
import { EGG_WAYS } from '../spawning';
import { wouldEat, type Leave } from '../species';
import { mayBeMixed, totalHeads, type StockLot } from '../stock';
import { addDays, daysBetween, formatDay, houseDay, type Day } from '../time';
import { BROODS_CHORES } from './choreKinds';
import type { BroodsView, ReadBrood } from './facts';
import { residentsOf } from './residents';

/** Who has to leave a tank, from when and by when. */
export interface DueLeave {
  leave: Leave;
  from: Day;
  /** Still there after this day it is an alarm. */
  latest: Day;
  lots: readonly { lot: StockLot; heads: number }[];
}

/** More grown animals than this are a colony: nobody is singled out. */
const PAIR_AND_SOME = 4;

const WHO: Record<Leave['who'], string> = {
  adults: 'the adults',
  female: 'the female',
  male: 'the male',
  mother: 'the mother',
  youngMales: 'the young males',
};
const REASON: Record<Leave['when'], string> = {
  afterSpawning: 'They eat eggs or get worn out. Take them out on spawning day.',
  whenCarrying: 'He won’t leave a carrying female in peace.',
  atHatch: 'They leave eggs alone but eat fry. Take them out before the hatch.',
  whenSwimming: 'He guards until the fry swim, and may eat them after that.',
  atRelease: 'She’s let her fry go; now she may eat them.',
  atAge: 'From week four the males’ anal fin turns into a rod. From then on they breed with their sisters.',
};

/** The days a leave is about: the first on which to do it and the last. Null while nothing says when. */
function daysOf(read: ReadBrood, { when, withinDays }: Leave, view: BroodsView): { from: Day; latest: Day } | null {
  const { brood, species, state } = read;
  const dayOf = (at: string) => houseDay(at, view.timeZone);
  const window = (stage: 'hatch' | 'freeSwimming') => state.windows.find((one) => one.stage === stage) ?? null;
  const laid = dayOf(brood.laid.to);
  const seen = brood.freeSwimming ? dayOf(brood.freeSwimming.to) : null;
  switch (when) {
    case 'afterSpawning':
    case 'whenCarrying':
      return { from: laid, latest: addDays(laid, withinDays) };
    case 'atHatch': {
      const hatch = brood.hatched ? dayOf(brood.hatched.from) : window('hatch')?.earliest;
      if (!hatch) return null;
      const day = brood.hatched ? hatch : dayOf(hatch);
      return { from: addDays(day, -1), latest: addDays(day, withinDays) };
    }
    case 'whenSwimming':
      return seen ? { from: seen, latest: addDays(seen, withinDays) } : null;
    case 'atRelease': {
      const day = species.start === 'born' ? laid : seen;
      return day ? { from: day, latest: addDays(day, withinDays) } : null;
    }
    case 'atAge': {
      const born = seen ?? (species.start === 'born' ? laid : null);
      if (!born) return null;
      const day = addDays(born, withinDays);
      return { from: addDays(day, -7), latest: day };
    }
  }
}

/** Grown animals of the brood's kind in a tank that a leave is about, with how many of each lot. */
function leavers(read: ReadBrood, { who }: Leave, tankId: string, view: BroodsView): DueLeave['lots'] {
  if (who === 'youngMales')
    return read.lots
      .filter((lot) => lot.tankId === tankId && mayBeMixed(lot))
      .map((lot) => ({ lot, heads: lot.males || totalHeads(lot) }));
  const young = read.state.smallestMm;
  return residentsOf(view, tankId)
    .filter(
      ({ species, brood, isYoung, heads, lengthMm }) =>
        species.key === read.species.key &&
        brood === null &&
        !isYoung &&
        // Young too long to be swallowed are safe; a colony is left together, with cover for the young.
        (young === null ||
          wouldEat({ species, lengthMm: lengthMm ?? 0 }, { species: read.species, lengthMm: young, isYoung: true })) &&
        (who === 'adults' || heads <= PAIR_AND_SOME),
    )
    .map(({ lot }) => ({
      lot,
      heads: who === 'adults' ? totalHeads(lot) : who === 'male' ? lot.males : lot.females,
    }))
    .filter(({ heads }) => heads > 0);
}

/** Who should leave a tank for the sake of a brood in it, by the method's plan and the recipe's choice. */
export function dueLeaves(read: ReadBrood, tankId: string, view: BroodsView): DueLeave[] {
  // With the eggs left to them, or taken from them, the adults stay where they are.
  const plan = read.keeping?.plan;
  const stays = plan === 'leaveWithParents' || (plan !== undefined && EGG_WAYS[plan].areApart && read.state.stage === 'eggs');
  return read.species.leaves.flatMap((leave) => {
    if (stays && leave.who === 'adults') return [];
    const days = daysOf(read, leave, view);
    const lots = days ? leavers(read, leave, tankId, view) : [];
    return days && lots.length > 0 ? [{ leave, ...days, lots }] : [];
  });
}

/** What a look for young males is logged as, and how often it is asked for, days. */
const YOUNG_MALES = 'young males';
const LOOK_DAYS = 7;

/** A weekly look for males among young that breed early; it ends when all are sexed and the males are out. */
function lookForMales(read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day, latest: Day): Chore[] {
  const last = (view.room.care[tank.id] ?? []).findLast(({ kind: care, what }) => care === 'looked' && what === YOUNG_MALES);
  const lastOn = last ? houseDay(last.at, view.timeZone) : null;
  if (lastOn !== null && lastOn !== day && daysBetween(lastOn, day) < LOOK_DAYS) return [];
  return [
    chore(BROODS_CHORES.lookForMales, {
      subject: `${read.brood.id}:${tank.id}`,
      day,
      text: 'Look for young males and move them out',
      amountText: 'fin turning into a rod',
      overdue: lastOn === null && day > latest,
      why: [REASON.atAge, 'None yet? Tick it, and look again in a week. Found some? Use Send on the tank to move them.'],
      tick: tick('looked', tank.id, YOUNG_MALES),
    }),
  ];
}

/** Taking out whoever has to leave: a tick moves them back to where they came from, where that is known. */
export function leaveChores(kind: ChoreKind, read: ReadBrood, tank: RoomTank, view: BroodsView, day: Day): Chore[] {
  return dueLeaves(read, tank.id, view).flatMap(({ leave, from, latest, lots }) => {
    if (day < from) return [];
    if (leave.who === 'youngMales') return lookForMales(read, tank, view, day, latest);
    const home = lots.map(({ lot }) => lot.homeTankId).find((id) => id !== null && id !== tank.id) ?? null;
    const heads = lots.reduce((sum, one) => sum + one.heads, 0);
    const to = view.tanks.get(home ?? '')?.code ?? null;
    return [
      chore(kind, {
        subject: `${read.brood.id}:${tank.id}:${leave.who}`,
        day,
        text: `Take ${WHO[leave.who]} out`,
        amountText: `${heads}${to ? `, back to ${to}` : ': choose a tank'}`,
        overdue: day > latest,
        why: [
          REASON[leave.when],
          to
            ? `Ticking logs the move to ${to}, where they came from. For another tank use Move on the tank.`
            : 'Log it with Move on the tank. This goes away once they’re out.',
          'Net slowly and cover the eggs.',
        ],
        tick: home ? tick('goHome', tank.id, `${leave.who}:${read.species.key}`) : null,
      }),
    ];
  });
}

/** Whoever is still there when they should have left. */
export function leaveAlarms(view: BroodsView): Alarm[] {
  return [...view.broodsByTank].flatMap(([tankId, broods]) =>
    broods.flatMap((read) =>
      dueLeaves(read, tankId, view)
        .filter(({ latest, leave }) => view.today > latest && leave.who !== 'youngMales')
        .map(({ leave, latest }): Alarm => ({
          key: `leave:${read.brood.id}:${tankId}:${leave.who}`,
          severity: 'now',
          title: `${view.tanks.get(tankId)?.code ?? ''}: ${WHO[leave.who]} ${leave.who === 'adults' ? 'are' : 'is'} still there.`,
          text: `${read.species.commonName}: they were to be out by ${formatDay(latest, view.today)}. ${REASON[leave.when]}`,
          subject: { kind: 'tank', id: tankId },
        })),
    ),
  );
}
