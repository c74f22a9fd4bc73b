import { FOOD_NAMES, totalHeads } from '../stock';
import { checkTemperature } from '../room';
import { decideBooking } from '../spawning';
import { daysBetween, formatDay, formatDayRange, formatInstant, houseDay } from '../time';
import { formatNumber, formatRange } from '../units';
import { STALE_DAYS, type Alarm } from './alarm';
import { crowdedOn, youngPerLitre } from './crowding';
import type { LarderPlan } from './deriveLarder';
import type { ReadHouse } from './readHouse';
import { roomAlarms } from './roomAlarms';

const CROWD_LOOKAHEAD_DAYS = 14;

function larderAlarms(house: ReadHouse, plans: readonly LarderPlan[]): Alarm[] {
  const alarms: Alarm[] = [];
  for (const plan of plans) {
    const days = plan.startBy
      ? daysBetween(house.today, plan.startBy)
      : plan.backUpBy
        ? daysBetween(house.today, plan.backUpBy)
        : Infinity;
    const severity =
      plan.status === 'late' || (plan.status === 'start' && days <= 0)
        ? 'now'
        : (plan.status === 'start' && days <= 2 && plan.food !== 'brineShrimp') || (plan.status === 'single' && days <= 1)
          ? 'soon'
          : null;
    if (severity)
      alarms.push({
        key: `food:${plan.key}`,
        severity,
        title: `${plan.title}.`,
        text: plan.text,
        subject: { kind: 'larder', id: plan.key },
      });
  }
  for (const { culture, state } of house.cultures) {
    if (state.phase === 'overdue')
      alarms.push({
        key: `culture:${culture.id}`,
        severity: 'soon',
        title: `${culture.name} is past its time.`,
        text: `${FOOD_NAMES[culture.food]} started ${formatDay(houseDay(culture.startedAt, house.state.timeZone), house.today)}; good until ${formatDay(state.lastDay, house.today)}. Start a new one from it, then empty it.`,
        subject: { kind: 'larder', id: culture.id },
      });
  }
  return alarms;
}

function broodAlarms(house: ReadHouse): Alarm[] {
  const alarms: Alarm[] = [];
  const { now, timeZone } = house.state;
  for (const read of house.broods) {
    const { brood, species, state } = read;
    const subject = { kind: 'brood', id: brood.id } as const;
    const codes = [...new Set(read.lots.map((lot) => house.tanks.get(lot.tankId ?? '')?.code ?? 'no tank'))].join(', ');
    for (const window of state.windows)
      if (window.status === 'overdue')
        alarms.push({
          key: `overdue:${brood.id}:${window.stage}`,
          severity: 'now',
          title: `${codes}: ${window.stage === 'hatch' ? 'no hatch' : 'not swimming'} logged.`,
          text: `${species.commonName} should have ${window.stage === 'hatch' ? 'hatched' : 'swum free'} by ${formatInstant(window.latest ?? now, house.today, timeZone)}. Look with a torch and log what you see.`,
          subject,
        });
      else if (window.status === 'notReached' && window.stage === 'hatch')
        alarms.push({
          key: `cold:${brood.id}`,
          severity: 'now',
          title: `${codes}: too cold to develop.`,
          text: window.why.notes.at(-1) ?? '',
          subject,
        });
    for (const lot of read.lots) {
      const tank = house.tanks.get(lot.tankId ?? '');
      if (!tank) continue;
      const crowd = crowdedOn(read, totalHeads(lot), tank.litres, house.today, CROWD_LOOKAHEAD_DAYS);
      if (!crowd) continue;
      const nowCrowded = crowd.day === house.today;
      alarms.push({
        key: `crowd:${lot.id}`,
        severity: nowCrowded ? 'now' : 'soon',
        title: nowCrowded ? `${tank.code} is crowded.` : `${tank.code} crowds on ${formatDay(crowd.day, house.today)}.`,
        text: `${totalHeads(lot)} ${species.commonName.toLowerCase()} at ${formatNumber(crowd.lengthMm)} mm; ${formatNumber(tank.litres)} L carries about ${Math.floor(youngPerLitre(species.figures, crowd.lengthMm) * tank.litres)}. Split them: crowding stunts for good.`,
        subject,
      });
    }
  }
  return alarms;
}

function tankAlarms(house: ReadHouse): Alarm[] {
  const alarms: Alarm[] = [];
  const { now, timeZone, temperatures, species } = house.state;
  for (const [tankId, lots] of house.lotsByTank) {
    const tank = house.tanks.get(tankId);
    const last = temperatures.get(tankId);
    if (!tank || !last || tank.outdoor) continue;
    const subject = { kind: 'tank', id: tankId } as const;
    const age = daysBetween(houseDay(last.at, timeZone), house.today);
    if (age > STALE_DAYS) {
      alarms.push({
        key: `silent:${tankId}`,
        severity: 'soon',
        title: `${tank.code}: no temperature for ${age} days.`,
        text: `The last was ${formatNumber(last.tempC, 3)} °C on ${formatDay(houseDay(last.at, timeZone), house.today)}. Check the probe and its battery, and take one by hand.`,
        subject,
      });
      continue;
    }
    const kept = species.get(lots[0]?.speciesKey ?? '');
    if (!kept) continue;
    const verdict = checkTemperature(last.tempC, kept.figures.tempC);
    if (verdict !== 'within')
      alarms.push({
        key: `temp:${tankId}`,
        severity: 'now',
        title: `${tank.code} is too ${verdict === 'below' ? 'cold' : 'warm'}: ${formatNumber(last.tempC, 3)} °C.`,
        text: `${kept.commonName} want ${formatRange(kept.figures.tempC)} °C; measured ${formatInstant(last.at, houseDay(now, timeZone), timeZone)}. Check heater and room, and change it slowly.`,
        subject,
      });
  }
  const bookings = house.state.attempts.map((attempt) => ({
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
      severity: 'soon',
      title: `${house.tanks.get(booking.tankId)?.code ?? ''} is booked twice.`,
      text: `${booking.name} and ${decision.clash.name} both hold it from ${formatDayRange(from, from, house.today)}. Move one of them.`,
      subject: { kind: 'attempt', id: decision.clash.id },
    });
  }
  return alarms;
}

/** Everything that needs the keeper now, the pressing first. */
export function deriveAlarms(house: ReadHouse, plans: readonly LarderPlan[]): Alarm[] {
  const alarms = [...larderAlarms(house, plans), ...broodAlarms(house), ...tankAlarms(house), ...roomAlarms(house)];
  return [...alarms.filter((alarm) => alarm.severity === 'now'), ...alarms.filter((alarm) => alarm.severity === 'soon')];
}
