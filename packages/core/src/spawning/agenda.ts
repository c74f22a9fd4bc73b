import { BAR_RANK, chore, choreKinds, tick, type Agenda, type Alarm, type Bar, type Chore } from '../agenda';
import { codeOf } from '../room';
import { totalHeads } from '../stock';
import { addDays, formatDay, formatDayRange, type Day } from '../time';
import { decideBooking } from './decideBooking';
import type { SpawningAttempt, SpawningView } from './facts';
import type { TriggerSchool } from './schools';

export const SPAWNING_CHORES = choreKinds({
  setUp: { stays: true, seconds: 900, words: 'set up' },
  trigger: { stays: true, seconds: 600, words: 'trigger' },
});

/** What each school does to set spawning off. */
const TRIGGER_WORDS: Record<TriggerSchool, string> = {
  coolChange: 'Trigger: large cool change',
  warm: 'Trigger: warm the tank',
  stable: 'Keep everything steady; look for chasing',
  dawnLightAndFood: 'Trigger: live food at first light',
  season: 'Trigger: season; look for chasing',
};

/** What an attempt asks for on a day: set-up, trigger. */
function attemptChores(attempt: SpawningAttempt, day: Day, view: SpawningView): Chore[] {
  const chores: Chore[] = [];
  if (attempt.hasBrood || attempt.triggered) return chores;
  if (
    attempt.setUpOn &&
    day >= attempt.setUpOn &&
    attempt.parentLotIds.length > 0 &&
    !(view.lotsByTank.get(attempt.tankId) ?? []).some((lot) => attempt.parentLotIds.includes(lot.id))
  )
    chores.push(
      chore(SPAWNING_CHORES.setUp, {
        subject: attempt.id,
        day,
        text: 'Set up and move the parents in',
        amountText: attempt.name,
        overdue: day > addDays(attempt.setUpOn, 1),
        why: [
          'Ticking moves whole groups. To move only some, use Move where they live; this goes away once they’re here.',
          ...view.stock.lots
            .filter((lot) => attempt.parentLotIds.includes(lot.id))
            .map((lot) => `${totalHeads(lot)} from ${codeOf(view, lot.tankId) || 'no tank'}.`),
        ],
        tick: tick('parentsIn', attempt.id),
      }),
    );
  if (attempt.triggerOn && day >= attempt.triggerOn) {
    chores.push(
      chore(SPAWNING_CHORES.trigger, {
        subject: attempt.id,
        day,
        text: TRIGGER_WORDS[attempt.recipe.trigger],
        amountText: attempt.name,
        overdue: day > addDays(attempt.triggerOn, 1),
        why: [`Planned for ${formatDay(attempt.triggerOn, view.today)}.`],
        tick: tick('triggered', attempt.id),
      }),
    );
  }
  return chores;
}

/** Tanks that two attempts hold on the same days. */
function bookingAlarms(view: SpawningView): Alarm[] {
  const alarms: Alarm[] = [];
  const bookings = [...view.attempts.values()]
    .filter(({ hasBrood }) => !hasBrood)
    .map((attempt) => ({
      id: attempt.id,
      name: attempt.name,
      tankId: attempt.tankId,
      from: attempt.from,
      to: attempt.to,
    }));
  for (const [i, booking] of bookings.entries()) {
    const decision = decideBooking(booking, bookings.slice(i + 1));
    if (decision.ok) continue;
    const from = [booking.from, decision.clash.from].sort()[1] ?? booking.from;
    alarms.push({
      key: `booked:${booking.id}:${decision.clash.id}`,
      cause: `booked:${booking.tankId}`,
      severity: 'soon',
      title: `${codeOf(view, booking.tankId)} is booked twice.`,
      text: `${booking.name} and ${decision.clash.name} both need it from ${formatDayRange(from, from, view.today)}. Move one.`,
      subject: { kind: 'attempt', id: decision.clash.id },
    });
  }
  return alarms;
}

function attemptBars(view: SpawningView): Bar[] {
  const items: Bar[] = [];
  for (const attempt of view.attempts.values()) {
    const code = codeOf(view, attempt.tankId);
    const subject = { kind: 'attempt', id: attempt.id } as const;
    if (attempt.triggerOn && !attempt.triggered && !attempt.hasBrood)
      items.push({
        key: `${attempt.id}:trigger`,
        kind: 'breeders',
        rank: BAR_RANK.attempt,
        from: attempt.triggerOn,
        to: attempt.triggerOn,
        label: `trigger ${code}`,
        predicted: false,
        urgent: false,
        subject,
      });
    if (attempt.to && attempt.to >= view.today)
      items.push({
        key: `${attempt.id}:free`,
        kind: 'tank',
        rank: BAR_RANK.tank,
        from: addDays(attempt.to, 1),
        to: addDays(attempt.to, 1),
        label: `tank ${code} free`,
        predicted: true,
        urgent: false,
        subject: { kind: 'tank', id: attempt.tankId },
      });
  }
  return items;
}

export const spawningAgenda: Agenda<SpawningView> = {
  kinds: SPAWNING_CHORES,
  chores: (view, day) =>
    [...view.attempts.values()].flatMap((attempt) =>
      attemptChores(attempt, day, view).map((due) => ({ tankId: attempt.tankId, chore: due })),
    ),
  alarms: bookingAlarms,
  bars: attemptBars,
};
