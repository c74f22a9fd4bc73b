import { addDays, daysBetween, houseDay, type Day } from '../time';
import type { LarderView } from './facts';

/** A month of heavy feeding wears active soil like so many months of usual feeding: a keepers' guess, not measured. */
export const HEAVY_WEAR = 1.5;
/** What active soil serves at usual feeding, months. */
export const SOIL_MONTHS = 15;
const DAYS_A_MONTH = 30.44;

export interface SoilWear {
  ageMonths: number;
  /** Age as it counts, months: days of heavy feeding count more. */
  wornMonths: number;
  heavyDays: number;
  /** When it will have served, fed as now. */
  servesUntil: Day;
}

/**
 * How far active soil is worn: days of heavy feeding count one and a half times.
 * Source: docs/sources.md#soil-wear
 * @param heavySince - since when it is fed heavily without a break; null when it is not
 */
export function soilWear(laidOn: Day, heavySince: Day | null, today: Day): SoilWear {
  const age = Math.max(0, daysBetween(laidOn, today));
  const from = heavySince !== null && heavySince < laidOn ? laidOn : heavySince;
  const heavyDays = from === null ? 0 : Math.max(0, daysBetween(from, today));
  const worn = age + heavyDays * (HEAVY_WEAR - 1);
  const left = (SOIL_MONTHS * DAYS_A_MONTH - worn) / (heavySince === null ? 1 : HEAVY_WEAR);
  return {
    ageMonths: age / DAYS_A_MONTH,
    wornMonths: worn / DAYS_A_MONTH,
    heavyDays,
    servesUntil: addDays(today, Math.round(left)),
  };
}

/** Since when a tank is fed heavily: as long as young stand in it whose recipe says so, or where meals were left over; null when it is not. */
export function heavySince(view: LarderView, tankId: string): Day | null {
  const days = (view.lotsByTank.get(tankId) ?? []).flatMap((lot) => {
    const brood = view.broods.find(({ brood: { id } }) => id === lot.broodId)?.brood;
    const recipe = brood?.attemptId ? view.attempts.get(brood.attemptId)?.recipe : null;
    return recipe?.feeding === 'heavy' ? [houseDay(lot.since, view.timeZone)] : [];
  });
  const left = view.larder.meals.filter((look) => look.tankId === tankId && (look.sight === 'left' || look.sight === 'fouled'));
  // One meal left over is a mishap; three are a habit.
  const first = left.length >= 3 ? left[0] : undefined;
  if (first) days.push(houseDay(first.at, view.timeZone));
  return days.sort()[0] ?? null;
}

/** What a keeper is told of the soil of a tank, most pressing first; nothing where none was laid or there is time. */
export function soilNotes(view: LarderView, tankId: string): string[] {
  const laidOn = view.room.readiness[tankId]?.soilLaidOn ?? null;
  if (laidOn === null) return [];
  const heavy = heavySince(view, tankId);
  const { ageMonths, wornMonths, heavyDays, servesUntil } = soilWear(laidOn, heavy, view.today);
  const how =
    heavyDays >= 7
      ? ` Fed heavily for ${Math.round(heavyDays / 7)} weeks, which counts one and a half times (a guess): like ${Math.floor(wornMonths)} months.`
      : '';
  if (wornMonths > SOIL_MONTHS)
    return [
      `Active soil is ${Math.floor(ageMonths)} months old; it serves about ${SOIL_MONTHS}.${how} Watch pH and KH, and plan new soil.`,
    ];
  const months = daysBetween(view.today, servesUntil) / DAYS_A_MONTH;
  return heavyDays >= 7
    ? [
        `Active soil, ${Math.floor(ageMonths)} months old.${how} Fed on like this it serves about ${Math.max(1, Math.round(months))} more ${months < 1.5 ? 'month' : 'months'}.`,
      ]
    : [];
}
