import { choreKinds, chore, tick, type Agenda, type Alarm, type Chore, type PlacedChore } from '../agenda';
import { daysBetween, everyDays, formatDay, formatInstant, houseDay, type Day } from '../time';
import { formatNumber } from '../units';
import { codeOf, heaterCaution, type RoomTank, type RoomView } from './facts';

export const ROOM_CHORES = choreKinds({
  waterChange: { anyHour: true, stays: true, seconds: 360, words: 'change water' },
  feedFilter: { anyHour: true, stays: true, seconds: 30, words: 'feed the filter' },
  testWater: { stays: true, seconds: 300, way: 'watch', words: 'test water' },
  calibrate: { anyHour: true, stays: true, seconds: 420, words: 'calibrate' },
});

/** A cycling filter is fed this often and tested this often, days. */
const FEED_FILTER_DAYS = 2;
const TEST_DAYS = 2;

/** What a change of one tank is of the water that it shares; nothing for a tank of its own. */
function sharedWords({ sump }: RoomTank, view: RoomView, litres: number): string[] {
  if (sump === null) return [];
  const all = view.room.tanks.reduce((sum, one) => sum + (one.sump === sump ? one.litres : 0), 0);
  return [`${sump} is one water of ${formatNumber(all)} L: this changes ${formatNumber((100 * litres) / all)} % of it.`];
}

/** What a nitrate above the tank's limit adds to the why of its change, until it was changed. */
function nitrateWords(tankId: string, { room, timeZone, today }: RoomView): string[] {
  const nitrate = room.nitrate[tankId];
  const ceiling = room.regimes.find((one) => one.tankId === tankId)?.regime.ceilingPpm ?? null;
  if (!nitrate || ceiling === null || nitrate.ppm <= ceiling || (room.lastChanges[tankId] ?? '') > nitrate.at) return [];
  return [
    `Nitrate was ${formatNumber(nitrate.ppm)} mg/L on ${formatDay(houseDay(nitrate.at, timeZone), today)}; the limit here is ${formatNumber(ceiling)}. Change more if it stays so.`,
  ];
}

/** What a tank's own regime and readiness ask for on a day. */
function tankChores(tank: RoomTank, view: RoomView, day: Day): Chore[] {
  const { room } = view;
  const chores: Chore[] = [];
  const due = room.regimes.find((one) => one.tankId === tank.id);
  if (due?.dueOn && due.dueOn <= day) {
    const litres = tank.litres * due.regime.changeFraction;
    const late = daysBetween(due.dueOn, day);
    chores.push(
      chore(ROOM_CHORES.waterChange, {
        subject: tank.id,
        day,
        text: 'Change water',
        amount: { value: Math.round(litres * 10) / 10, unit: 'L' },
        amountText: `${formatNumber(litres)} L`,
        overdue: late > 1,
        why: [
          `${formatNumber(due.regime.changeFraction * 100)} % of ${formatNumber(tank.litres)} L ${everyDays(due.regime.everyDays ?? 1)}, this tank’s routine.`,
          ...nitrateWords(tank.id, view),
          ...sharedWords(tank, view, litres),
          late > 0 ? `It was due on ${formatDay(due.dueOn, view.today)}.` : 'It is due today.',
        ],
        caution: heaterCaution(tank),
        tick: tick('waterChange', tank.id),
      }),
    );
  }
  const cycling = room.cycling[tank.id];
  if (cycling && room.readiness[tank.id]?.state === 'cycling') {
    if (!cycling.lastFed || daysBetween(cycling.lastFed, day) >= FEED_FILTER_DAYS)
      chores.push(
        chore(ROOM_CHORES.feedFilter, {
          subject: tank.id,
          day,
          text: 'Feed the filter',
          amountText: 'as if fish lived there',
          why: ['A filter needs feeding to start. Zeros without food prove nothing.'],
          tick: tick('filterFed', tank.id),
        }),
      );
    if (!cycling.lastTest || daysBetween(cycling.lastTest, day) >= TEST_DAYS)
      chores.push(
        chore(ROOM_CHORES.testWater, {
          subject: tank.id,
          day,
          text: 'Test ammonia and nitrite',
          amountText: cycling.lastTest ? `last on ${formatDay(cycling.lastTest, view.today)}` : 'not tested yet',
          why: ['Log both on the tank. It’s ready once both stay at zero for long enough.'],
        }),
      );
  }
  return chores;
}

/** Instruments whose calibration is due on a day. */
function meterChores(view: RoomView, day: Day): Chore[] {
  return view.room.meters.flatMap((meter) =>
    meter.dueOn !== null && meter.dueOn <= day
      ? [
          chore(ROOM_CHORES.calibrate, {
            subject: meter.id,
            day,
            text: `Calibrate ${meter.name}`,
            amountText: `due ${formatDay(meter.dueOn, view.today)}`,
            overdue: daysBetween(meter.dueOn, day) > 7,
            why: ['A meter overdue for calibration is trusted less.'],
            tick: tick('calibrated', meter.id),
          }),
        ]
      : [],
  );
}

/** A tank without a temperature for so many days is not watched. */
export const STALE_DAYS = 3;

const FAULTS = {
  silent: { title: 'probe is silent', remedy: 'Check its power and network. Take a temperature by hand.' },
  stuck: { title: 'probe is stuck', remedy: 'Lift it out and put it back. Take a temperature by hand.' },
  outOfRange: { title: 'out of range', remedy: 'Check the heater and the room. Change it slowly, 1 °C an hour.' },
  changingFast: { title: 'changes fast', remedy: 'Check heater, lid and room now. Fry can’t take swings.' },
  drifting: {
    title: 'probe and hand disagree',
    remedy: 'Measure again with a second thermometer; calibrate or replace the probe.',
  },
} as const;

/** Alarms of probes, quarantine and water. */
function roomAlarms(view: RoomView): Alarm[] {
  const { room, timeZone } = view;
  const alarms: Alarm[] = [];
  const code = (tankId: string) => codeOf(view, tankId);
  for (const probe of room.probes)
    for (const verdict of probe.verdicts) {
      const { title, remedy } = FAULTS[verdict.fault];
      const isWater = verdict.fault === 'outOfRange' || verdict.fault === 'changingFast';
      // A probe silent for days is a tank without a temperature: that is said already.
      if (verdict.fault === 'silent' && daysBetween(houseDay(verdict.since, timeZone), view.today) >= STALE_DAYS) continue;
      if (isWater && !room.heads[probe.tankId]) continue;
      // A value that a thermometer contradicts is measured again before anything is done about it.
      const isDoubted = probe.verdicts.some(({ fault }) => fault === 'drifting');
      if (verdict.fault === 'outOfRange' && isDoubted) continue;
      const shift = verdict.by === 0 ? '' : `, ${verdict.by > 0 ? '+' : '−'}${formatNumber(Math.abs(verdict.by))} °C`;
      alarms.push({
        key: `probe:${probe.tankId}:${verdict.fault}`,
        ...(verdict.fault === 'outOfRange' ? { cause: `temp:${probe.tankId}` } : {}),
        ...(isWater ? {} : { about: { topic: 'probe', part: `${code(probe.tankId)}: ${title}` } }),
        severity: isWater ? 'now' : 'soon',
        title: `${code(probe.tankId)}: ${title}.`,
        text: `${probe.name} shows ${formatNumber(verdict.value, 3)} °C${shift} since ${formatInstant(verdict.since, view.today, timeZone)}. ${remedy}`,
        subject: { kind: 'tank', id: probe.tankId },
      });
    }
  for (const risk of room.risks) {
    const reached = risk.reached.map(code).slice(0, 4).join(', ');
    const more = risk.reached.length > 4 ? ` and ${risk.reached.length - 4} more` : '';
    alarms.push({
      key: `risk:${risk.tankId}:${risk.kind}`,
      severity: 'soon',
      title: `${code(risk.tankId)}: quarantine ${risk.kind === 'sump' ? 'shares its water' : 'drips on others'}.`,
      text:
        risk.kind === 'sump'
          ? `It shares a sump with ${reached}${more}. Move it to a tank with separate water.`
          : `It drips on ${reached}${more}. Move it to the lowest shelf.`,
      subject: { kind: 'tank', id: risk.tankId },
    });
  }
  for (const { tankId, regime, dueOn } of room.regimes) {
    const nitrate = room.nitrate[tankId];
    if (!nitrate || regime.ceilingPpm === null || nitrate.ppm <= regime.ceilingPpm) continue;
    if ((room.lastChanges[tankId] ?? '') > nitrate.at) continue;
    // Today's change is on the walk, and says why.
    if (dueOn !== null && dueOn <= view.today) continue;
    alarms.push({
      key: `nitrate:${tankId}`,
      about: { topic: 'nitrate', part: `${code(tankId)}: ${formatNumber(nitrate.ppm)} mg/L` },
      severity: 'soon',
      title: `${code(tankId)}: nitrate is too high.`,
      text: `${formatNumber(nitrate.ppm)} mg/L on ${formatDay(houseDay(nitrate.at, timeZone), view.today)} (limit ${formatNumber(regime.ceilingPpm)}). Change water, or change more each time.`,
      subject: { kind: 'tank', id: tankId },
    });
  }
  return alarms;
}

/** Signs that were seen in a tank lately. */
const signNotes = (view: RoomView, tankId: string): string[] =>
  (view.room.care[tankId] ?? [])
    .filter(({ kind }) => kind === 'sign')
    .map(({ what, at }) => `Seen ${formatInstant(at, view.today, view.timeZone)}: ${what}.`);

export const roomAgenda: Agenda<RoomView> = {
  kinds: ROOM_CHORES,
  bench: { code: 'Bench', who: 'Instruments', detail: 'calibration', stage: null },
  chores: (view, day): PlacedChore[] => [
    ...view.room.tanks.flatMap((tank) => tankChores(tank, view, day).map((due) => ({ tankId: tank.id, chore: due }))),
    ...meterChores(view, day).map((due) => ({ tankId: null, chore: due })),
  ],
  alarms: roomAlarms,
  notes: signNotes,
};
