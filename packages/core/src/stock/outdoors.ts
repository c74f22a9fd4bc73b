import type { Alarm } from '../agenda';
import { STALE_DAYS } from '../room';
import type { ResolvedSpecies } from '../species';
import { daysBetween, formatDay, houseDay } from '../time';
import { formatNumber, formatRange } from '../units';
import type { StockView } from './facts';

/** Older than this a temperature outdoors says nothing of the water now. */
const OLD_DAYS = 7;
/** Below this nobody outdoors is fed: cold animals do not digest, and the food rots. */
const FEED_FROM_C = 10;

/** The temperature of an outdoor tank as far as it still says something; null indoors, unread, or too old. */
export function outdoorC(view: StockView, tankId: string): number | null {
  const last = view.room.temperatures[tankId];
  if (!view.tanks.get(tankId)?.outdoor || !last) return null;
  return daysBetween(houseDay(last.at, view.timeZone), view.today) > OLD_DAYS ? null : last.tempC;
}

/** The kinds that live in a tank, each once. */
export const kindsIn = (view: StockView, tankId: string): ResolvedSpecies[] =>
  [...new Set((view.lotsByTank.get(tankId) ?? []).map((lot) => lot.speciesKey))].flatMap((key) => view.species.get(key) ?? []);

/** Why an outdoor tank is not fed: too cold to digest, or warmer than somebody there bears; null when it is fed. */
export function foodStop(view: StockView, tankId: string): { tempC: number; by: 'cold' | 'heat' } | null {
  const tempC = outdoorC(view, tankId);
  if (tempC === null) return null;
  if (tempC < FEED_FROM_C) return { tempC, by: 'cold' };
  return kindsIn(view, tankId).some(({ figures }) => tempC > figures.bearsC[1]) ? { tempC, by: 'heat' } : null;
}

const REMEDY = {
  cold: 'Don’t feed. Cover it and keep a hole in the ice; never hit the ice. Bring in those that can’t stand it.',
  heat: 'Don’t feed. Shade it, run air, and top up slowly with water a little cooler; no sudden change.',
} as const;

/** Heat and cold outdoors beyond what somebody there bears, by a reading of the last days. */
export function outdoorAlarm(view: StockView, tankId: string): Alarm | null {
  const last = view.room.temperatures[tankId];
  const tank = view.tanks.get(tankId);
  if (!tank || !last || daysBetween(houseDay(last.at, view.timeZone), view.today) > STALE_DAYS) return null;
  const kinds = kindsIn(view, tankId);
  const cold = kinds.filter(({ figures }) => last.tempC < figures.bearsC[0]);
  const wrong = cold.length > 0 ? cold : kinds.filter(({ figures }) => last.tempC > figures.bearsC[1]);
  if (wrong.length === 0) return null;
  const by = cold.length > 0 ? 'cold' : 'heat';
  const who = wrong.map(({ commonName, figures }) => `${commonName} bear ${formatRange(figures.bearsC)} °C`).join(', ');
  return {
    key: `temp:${tankId}`,
    about: { topic: by === 'cold' ? 'cold' : 'warm', part: `${tank.code}: ${formatNumber(last.tempC, 3)} °C outdoors` },
    cause: `temp:${tankId}`,
    severity: 'now',
    title: `${tank.code} is too ${by === 'cold' ? 'cold' : 'warm'}: ${formatNumber(last.tempC, 3)} °C.`,
    text: `${who}; measured ${formatDay(houseDay(last.at, view.timeZone), view.today)}. ${REMEDY[by]}`,
    subject: { kind: 'tank', id: tankId },
  };
}

/** What is to be known of the food of an outdoor tank. */
export function outdoorNotes(view: StockView, tankId: string): string[] {
  const stop = foodStop(view, tankId);
  if (!view.lotsByTank.has(tankId)) return [];
  if (stop)
    return [
      stop.by === 'cold'
        ? `${formatNumber(stop.tempC)} °C, too cold to feed; food would rot.`
        : `${formatNumber(stop.tempC)} °C, too warm to feed; it takes the air they need.`,
    ];
  const last = view.room.temperatures[tankId];
  if (!view.tanks.get(tankId)?.outdoor || !last || outdoorC(view, tankId) !== null) return [];
  const on = houseDay(last.at, view.timeZone);
  return [
    `Last measured ${formatDay(on, view.today)}, ${daysBetween(on, view.today)} days ago: ${formatNumber(last.tempC)} °C. Measure before you feed.`,
  ];
}
