import { freeAmmonia, oxygenSaturation } from '../room';
import { bodyG, methodOf, type Figures, type Method } from '../species';

/** What the upper part of a bag holds. */
export const BAG_GASES = ['air', 'oxygen'] as const;
export type BagGas = (typeof BAG_GASES)[number];

/** How animals are bagged. */
export interface BagChoices {
  /** Water and gas together, L. */
  bagL: number;
  /** Share that is water. */
  waterShare: number;
  gas: BagGas;
  /** Until they swim in a tank again, h. */
  hours: number;
  tempC: number;
  /** Of the water they leave; null where it was not measured. */
  ph: number | null;
}
export const USUAL_BAG: Omit<BagChoices, 'tempC' | 'ph'> = { bagL: 3, waterShare: 1 / 3, gas: 'air', hours: 4 };

/** Oxygen a fish of one gram takes in an hour at 25 °C, excited as it is in a bag, mg. */
const OXYGEN_MG = 0.6;
/** Ammonia nitrogen it gives off in an hour after a day without food, mg. */
const AMMONIA_MG = 0.02;
/** Both grow with the body by this power, and double with each ten degrees. */
const BODY_POWER = 0.8;
/**
 * Oxygen in a litre of gas, mg, at about 25 °C; the share of it there is to use before fish gasp; and the carbon dioxide they bear in the
 * water, mg/L: more where there is oxygen to spare.
 */
const GAS = { air: { mgPerL: 275, usable: 0.25, co2: 50 }, oxygen: { mgPerL: 1310, usable: 0.7, co2: 80 } } as const;
/** Carbon dioxide breathed out for a milligram of oxygen, mg; and how much more of it a litre of gas holds than one of water. */
const CO2_PER_OXYGEN = 1.17;
const CO2_IN_GAS = 1.2;
const WATER_USABLE = 0.4;
/** Free ammonia nitrogen that is borne for some hours, mg/L. */
const FREE_AMMONIA_LIMIT = 0.05;
/** What they breathe out brings the pH of a closed bag to this or below. */
const BAG_PH = 7;
/** A bag is packed for so many times the hours. */
const SAFETY = 2;
/** Water asked for by a gram of animal however short the way, L. */
const ROOM_L_PER_G = 0.02;

export interface BagPlan {
  /** Most in one bag. */
  perBag: number;
  bags: number;
  limitedBy: 'oxygen' | 'breath' | 'ammonia' | 'room' | 'alone';
  /** Hours that a full bag lasts by the sum, before the margin. */
  lastsHours: number;
  massG: number;
  why: string[];
}

/**
 * How many animals go into a bag, from their mass, the hours and the warmth: no more than the oxygen of gas and water carries, and than
 * keeps carbon dioxide and free ammonia low, for twice the time. A starting point; who carries animals for others follows the carrier's and the law's rules.
 * Source: docs/sources.md#bags
 * @param lengthMm - their usual length, above 0
 * @param heads - how many are to go, at least 1
 */
export function planBags(
  { figures, method }: { figures: Pick<Figures, 'bodyGPerMm3'>; method: Method },
  lengthMm: number,
  heads: number,
  { bagL, waterShare, gas, hours, tempC, ph }: BagChoices,
): BagPlan {
  const massG = bodyG(figures, lengthMm);
  const pace = massG ** BODY_POWER * 2 ** ((tempC - 25) / 10);
  const waterL = bagL * waterShare;
  const oxygenMg =
    (bagL - waterL) * GAS[gas].mgPerL * GAS[gas].usable +
    waterL * oxygenSaturation({ tempC, salinityPpt: 0 }).mgPerL * WATER_USABLE;
  const { fraction } = freeAmmonia({ totalAmmoniaNPpm: 1, ph: Math.min(ph ?? BAG_PH, BAG_PH), tempC, salinityPpt: 0 });
  const ammoniaMg = (waterL * FREE_AMMONIA_LIMIT) / Math.max(1e-9, fraction);
  const co2Mg = (waterL + (bagL - waterL) * CO2_IN_GAS) * GAS[gas].co2;
  const byBreath = co2Mg / (OXYGEN_MG * CO2_PER_OXYGEN * pace);
  const byOxygen = oxygenMg / (OXYGEN_MG * pace);
  const byAmmonia = ammoniaMg / (AMMONIA_MG * pace);
  const limits = {
    oxygen: Math.floor(byOxygen / (hours * SAFETY)),
    breath: Math.floor(byBreath / (hours * SAFETY)),
    ammonia: Math.floor(byAmmonia / (hours * SAFETY)),
    room: Math.floor(waterL / (ROOM_L_PER_G * massG)),
  };
  const alone = methodOf({ method }).baggedAlone;
  const [limitedBy, most] = alone
    ? (['alone', 1] as const)
    : (Object.entries(limits) as ['oxygen' | 'breath' | 'ammonia' | 'room', number][]).reduce((a, b) => (b[1] < a[1] ? b : a));
  const perBag = Math.max(1, Math.min(most, heads));
  const bags = Math.ceil(heads / perBag);
  const full = Math.ceil(heads / bags);
  return {
    perBag: full,
    bags,
    limitedBy,
    lastsHours: Math.min(byOxygen, byBreath, byAmmonia) / full,
    massG,
    why: [
      `${massG < 0.1 ? 'Under 0.1' : Math.round(massG * 10) / 10} g each at ${Math.round(lengthMm)} mm; ${Math.round(bagL * 10) / 10} L bags, a ${Math.round(waterShare * 100)} % water, the rest ${gas}.`,
      alone
        ? `One to a bag: ${alone}.`
        : `Packed for ${SAFETY} × ${hours} h: by oxygen ${limits.oxygen} to a bag, by carbon dioxide ${limits.breath}, by ammonia ${limits.ammonia}, by room ${limits.room}.`,
      ...(most < 1 && !alone ? ['Even one is too many. Use a larger bag, oxygen, or a shorter trip.'] : []),
      'A day without food before; an estimate from general figures, not for this species.',
    ],
  };
}
