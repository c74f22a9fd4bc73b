import { groupBy, type Alarm } from '../agenda';
import type { RoomTank } from '../room';
import type { SpawningAttempt } from '../spawning';
import { totalHeads } from '../stock';
import { addDays, formatDay, inARow, type Day } from '../time';
import type { GrowoutView } from './facts';
import { tankFreeOn } from './tankFreeOn';

/** Plans further ahead than this are not checked yet. */
const AHEAD_DAYS = 42;

/** What keeps a planned tank from being used on its day, in words; null when nothing does. */
function hindranceOf(attempt: SpawningAttempt, tank: RoomTank, view: GrowoutView): string | null {
  const day = attempt.setUpOn ?? attempt.from;
  const code = tank.code;
  const others = (view.lotsByTank.get(tank.id) ?? []).filter(
    (lot) => !attempt.parentLotIds.includes(lot.id) && totalHeads(lot) > 0,
  );
  const quarantine = view.stock.quarantines[tank.id];
  if (quarantine && quarantine.endsOn > day) return `${code} is in quarantine until ${formatDay(quarantine.endsOn, view.today)}.`;
  const move = view.movesTo.get(tank.id)?.find(({ on, lotId }) => on <= day && !attempt.parentLotIds.includes(lotId));
  if (move) return `Your plan puts ${move.heads} fry into ${code} on ${formatDay(move.on, view.today)}.`;
  const [other] = others;
  if (other) {
    const free = tankFreeOn(view, tank.id);
    if (free === null || free > day) {
      const name = view.species.get(other.speciesKey)?.commonName.toLowerCase() ?? 'others';
      return `${totalHeads(other)} ${name} live in ${code}${free ? ` until about ${formatDay(free, view.today)}` : ''}.`;
    }
  }
  const readiness = view.room.readiness[tank.id];
  const expected = readiness?.expected?.to ?? null;
  if (readiness && !readiness.ready && (expected === null || expected > day))
    return `${code} is not ready${expected ? ` before ${formatDay(expected, view.today)}` : ''}. ${readiness.hindrances[0]?.what ?? ''}`.trim();
  return null;
}

/** The free tank nearest in size and place that could be used on a day instead. */
function nearestFree(tank: RoomTank, day: string, view: GrowoutView): RoomTank | null {
  const distance = (other: RoomTank) =>
    Math.abs(Math.log(other.litres / tank.litres)) * 4 + (other.rackCode === tank.rackCode ? 0 : 1);
  const free = view.room.tanks.filter((other) => {
    if (other.id === tank.id || other.outdoor !== tank.outdoor || other.quarantine || other.litres < tank.litres * 0.5)
      return false;
    const from = tankFreeOn(view, other.id);
    return from !== null && from <= day && view.room.readiness[other.id]?.ready !== false;
  });
  return [...free].sort((a, b) => distance(a) - distance(b))[0] ?? null;
}

/** Spawnings whose tank is taken, in quarantine or not ready on the day it is planned for, with the nearest free one; a tank once. */
export function bookingAlarms(view: GrowoutView): Alarm[] {
  const found = [...view.attempts.values()].flatMap((attempt) => {
    const day = attempt.setUpOn ?? attempt.from;
    const tank = view.tanks.get(attempt.tankId);
    if (!tank || attempt.hasBrood || day < view.today || day > addDays(view.today, AHEAD_DAYS)) return [];
    const hindrance = hindranceOf(attempt, tank, view);
    return hindrance ? [{ attempt, day, tank, hindrance }] : [];
  });
  return [...groupBy(found, ({ tank }) => tank.id).values()].flatMap((all): Alarm[] => {
    const sorted = [...all].sort((a, b) => (a.day < b.day ? -1 : 1));
    const [first] = sorted;
    if (!first) return [];
    const { attempt, day, tank, hindrance } = first;
    const other = nearestFree(tank, day, view);
    const on = (one: Day) => formatDay(one, view.today);
    return [
      {
        key: `planned:${attempt.id}`,
        cause: `booked:${tank.id}`,
        severity: 'soon',
        title:
          sorted.length === 1
            ? `${attempt.name}: ${tank.code} will not be free on ${on(day)}.`
            : `${tank.code} will not be free for ${inARow(sorted.map((one) => `${one.attempt.name} (${on(one.day)})`))}.`,
        text: `${hindrance} ${other ? `${other.code} is free then.` : 'No other tank is free then. Change the day.'}`,
        subject: { kind: 'attempt', id: attempt.id },
      },
    ];
  });
}
