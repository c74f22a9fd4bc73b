import { middle } from '../species';
import { addDays, daysBetween, formatDay, houseDay } from '../time';
import { formatNumber } from '../units';
import type { ReadBrood } from '../broods';
import { daysAhead, growthOf, likelySlower, usualMm } from './broodGrowth';
import { tankCrowding } from './crowding';
import type { GrowoutView } from './facts';
import { lengthAt } from './growth';

/** As sure as this that they are slower, and so many days behind, before it is said. */
const SURE = 0.9;
const LEAST_DAYS = 5;
const FED_LOOK_DAYS = 6;

/** A brood that grows slower than its kind usually does, and what the records show beside it: hints, no causes. */
export interface SlowGrowth {
  daysBehind: number;
  share: number;
  hints: string[];
}

/** What stands in the records beside slow growth; null where a brood is not slow, or nobody measured it. */
export function slowGrowth(view: GrowoutView, read: ReadBrood): SlowGrowth | null {
  const { species, brood, lots } = read;
  const growth = growthOf(read);
  if (!growth || growth.samples.length === 0) return null;
  const ahead = daysAhead(growth, species.figures);
  if (ahead === null || ahead > -LEAST_DAYS || likelySlower(growth, species.figures) < SURE) return null;
  const tankIds = [...new Set(lots.flatMap(({ tankId }) => tankId ?? []))];
  const code = (tankId: string) => view.tanks.get(tankId)?.code ?? '';
  const sisters = view.broods.filter(
    (other) => other !== read && other.species.key === species.key && other.state.feedingDays !== null,
  );
  const tempOf = (of: ReadBrood) =>
    of.lots.flatMap(({ tankId }) => (tankId ? (view.room.temperatures[tankId]?.tempC ?? []) : []))[0] ?? null;
  const [temp, usual] = [tempOf(read), middle(species.figures.tempC)];
  const warmer = sisters.find((other) => (tempOf(other) ?? -99) > (temp ?? 99) + 1);
  const hints = [
    ...tankIds.flatMap((tankId) => {
      const load = tankCrowding(view, tankId);
      return load !== null && load > 0.7 ? [`${code(tankId)} is ${formatNumber(load * 100)} % full. Crowding stunts fish.`] : [];
    }),
    ...(temp !== null && temp < usual - 1.5
      ? [`${formatNumber(temp, 3)} °C; the middle of what they are kept at is ${formatNumber(usual, 3)} °C.`]
      : []),
    ...(warmer ? [`${warmer.brood.name} is kept ${formatNumber((tempOf(warmer) ?? 0) - (temp ?? 0))} °C warmer.`] : []),
    ...tankIds.flatMap((tankId) => {
      const fed = (view.room.care[tankId] ?? [])
        .filter(({ kind }) => kind === 'fed')
        .map(({ at }) => houseDay(at, view.timeZone));
      const days = Array.from({ length: FED_LOOK_DAYS }, (_, i) => addDays(view.today, -1 - i));
      const without = fed.length === 0 ? [] : days.filter((day) => !fed.includes(day) && fed.some((one) => one < day));
      return without.length > 0
        ? [`No meal is logged in ${code(tankId)} on ${without.map((day) => formatDay(day, view.today)).join(', ')}.`]
        : [];
    }),
    ...tankIds.flatMap((tankId) => {
      const nitrate = view.room.nitrate[tankId];
      return nitrate && nitrate.ppm > 50
        ? [
            `${formatNumber(nitrate.ppm)} mg/L nitrate in ${code(tankId)} on ${formatDay(houseDay(nitrate.at, view.timeZone), view.today)}.`,
          ]
        : [];
    }),
  ];
  const measured = brood.measured ? daysBetween(houseDay(brood.measured.at, view.timeZone), view.today) : 0;
  if (measured > 21) hints.push(`Last measured ${measured} days ago. Measure ten again first.`);
  return {
    daysBehind: Math.round(-ahead),
    share: lengthAt(growth.middle, growth.ageDays) / usualMm(species.figures, growth.curve, growth.ageDays),
    hints: hints.length > 0 ? hints : ['Nothing else in your records. Check food, water and bullying.'],
  };
}
