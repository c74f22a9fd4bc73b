import { daysBetween, formatDay, formatInstant, houseDay } from '../time';
import { formatNumber } from '../units';
import type { ReadHouse } from './readHouse';
import { STALE_DAYS, type Alarm } from './alarm';

/** A breach is still worth a word for as long as what it carried may show. */
const BREACH_DAYS = 28;

const FAULTS = {
  silent: { title: 'probe is silent', remedy: 'Look at its power and network; take a temperature by hand.' },
  stuck: { title: 'probe does not move', remedy: 'Lift it out and in again; take a temperature by hand.' },
  outOfRange: { title: 'out of range', remedy: 'Look at the heater and at the room; change it slowly.' },
  changingFast: { title: 'changes fast', remedy: 'Look at the heater, the lid and the room now; young stand no swings.' },
  drifting: {
    title: 'probe and hand disagree',
    remedy: 'Measure again with a second thermometer; calibrate or replace the probe.',
  },
} as const;

/** Alarms of probes, quarantine and water. */
export function roomAlarms(house: ReadHouse): Alarm[] {
  const { room, timeZone } = house.state;
  const alarms: Alarm[] = [];
  const codeOf = (tankId: string) => house.tanks.get(tankId)?.code ?? '';
  for (const probe of room.probes)
    for (const verdict of probe.verdicts) {
      const { title, remedy } = FAULTS[verdict.fault];
      const isWater = verdict.fault === 'outOfRange' || verdict.fault === 'changingFast';
      // A probe silent for days is a tank without a temperature: that is said already.
      if (verdict.fault === 'silent' && daysBetween(houseDay(verdict.since, timeZone), house.today) >= STALE_DAYS) continue;
      if (isWater && !house.lotsByTank.has(probe.tankId)) continue;
      const shift = verdict.by === 0 ? '' : `, ${verdict.by > 0 ? '+' : '−'}${formatNumber(Math.abs(verdict.by))} °C`;
      alarms.push({
        key: `probe:${probe.tankId}:${verdict.fault}`,
        severity: isWater ? 'now' : 'soon',
        title: `${codeOf(probe.tankId)}: ${title}.`,
        text: `${probe.name} shows ${formatNumber(verdict.value, 3)} °C${shift} since ${formatInstant(verdict.since, house.today, timeZone)}. ${remedy}`,
        subject: { kind: 'tank', id: probe.tankId },
      });
    }
  for (const risk of room.risks) {
    const reached = risk.reached.map(codeOf).slice(0, 4).join(', ');
    const more = risk.reached.length > 4 ? ` and ${risk.reached.length - 4} more` : '';
    alarms.push({
      key: `risk:${risk.tankId}:${risk.kind}`,
      severity: 'soon',
      title: `${codeOf(risk.tankId)}: quarantine ${risk.kind === 'sump' ? 'shares its water' : 'drips on others'}.`,
      text:
        risk.kind === 'sump'
          ? `It shares a sump with ${reached}${more}. Move it to a tank with water of its own.`
          : `It drips on ${reached}${more}. Move it to the lowest shelf.`,
      subject: { kind: 'tank', id: risk.tankId },
    });
  }
  for (const breach of room.breaches) {
    if (daysBetween(houseDay(breach.at, timeZone), house.today) > BREACH_DAYS) continue;
    alarms.push({
      key: `breach:${breach.lotId}:${breach.toTankId}`,
      severity: 'soon',
      title: `${codeOf(breach.toTankId)}: moved out of quarantine early.`,
      text: `From ${codeOf(breach.fromTankId)} on ${formatDay(houseDay(breach.at, timeZone), house.today)}; it was to stay until ${formatDay(breach.endsOn, house.today)}. Watch ${codeOf(breach.toTankId)} and serve it last.`,
      subject: { kind: 'tank', id: breach.toTankId },
    });
  }
  for (const { tankId, regime } of room.regimes) {
    const nitrate = room.nitrate.get(tankId);
    if (!nitrate || regime.ceilingPpm === null || nitrate.ppm <= regime.ceilingPpm) continue;
    if ((room.lastChanges.get(tankId) ?? '') > nitrate.at) continue;
    alarms.push({
      key: `nitrate:${tankId}`,
      severity: 'soon',
      title: `${codeOf(tankId)}: nitrate is above its ceiling.`,
      text: `${formatNumber(nitrate.ppm)} mg/L on ${formatDay(houseDay(nitrate.at, timeZone), house.today)}, ceiling ${formatNumber(regime.ceilingPpm)}. Change water, and look at the regime.`,
      subject: { kind: 'tank', id: tankId },
    });
  }
  return alarms;
}
