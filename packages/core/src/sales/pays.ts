import { costPerFish, shelf } from '../economics';
import type { LotUpkeep, Rates } from './upkeep';

/** What a species or a brood took and brought over a time; money in cents. */
export interface Account {
  key: string;
  name: string;
  upkeep: LotUpkeep;
  /** Of food bought, by meals. */
  foodCents: number;
  /** Breeders bought, fees, treatments booked on it. */
  directCents: number;
  /** Share of what its parents took. */
  parentsCents: number;
  incomeCents: number;
  sold: number;
  given: number;
  /** Of sale size now, not yet sold. */
  ready: number;
}

/** What came of it. */
export interface Paid {
  key: string;
  name: string;
  sold: number;
  given: number;
  ready: number;
  incomeCents: number;
  costs: { food: number; direct: number; parents: number; tank: number; heating: number; water: number };
  costCents: number;
  netCents: number;
  /** For each that was sold, given away or is ready: the price that would just cover the cost; null while there is none. */
  perFishCents: number | null;
  heatingKwh: number;
  litreWeeks: number;
  /** Cents that a litre earns in a week. */
  perLitreWeek: number | null;
  /** Cents that an hour at its tanks earns. */
  perHour: number | null;
  hours: number;
  /** What heating that costs half as much again would leave. */
  netDearHeatCents: number;
}

const DEAR_HEAT = 1.5;
const LEAST_HOURS = 0.5;

/** What one account comes to. Source: docs/sources.md#pays */
export function payOf(account: Account, rates: Rates): Paid {
  const { upkeep, foodCents, directCents, parentsCents, incomeCents, sold, given, ready } = account;
  const fish = sold + given + ready;
  const water = (upkeep.waterL / 1000) * rates.waterCentsPerM3;
  const heating = upkeep.heatingKwh * rates.kwhCents;
  const cost = costPerFish({
    costs: [
      { kind: 'food', amount: foodCents },
      { kind: 'direct', amount: directCents },
      { kind: 'parents', amount: parentsCents },
      { kind: 'water', amount: water },
      { kind: 'heating', amount: heating },
    ],
    tankDays: upkeep.tankDays,
    tankDayRate: rates.tankDayCents,
    fishReady: fish,
  });
  const { litreWeeks, net, perLitreWeek } = shelf({
    tanks: [{ litres: 1, days: upkeep.litreDays }],
    income: [{ amount: incomeCents }],
    costs: [{ amount: cost.total }],
  });
  const hours = upkeep.seconds / 3600;
  return {
    key: account.key,
    name: account.name,
    sold,
    given,
    ready,
    incomeCents,
    costs: { food: foodCents, direct: directCents, parents: parentsCents, tank: cost.tankCost, heating, water },
    costCents: cost.total,
    netCents: net,
    perFishCents: cost.perFish,
    heatingKwh: upkeep.heatingKwh,
    litreWeeks,
    perLitreWeek,
    perHour: hours < LEAST_HOURS ? null : net / hours,
    hours,
    netDearHeatCents: net - heating * (DEAR_HEAT - 1),
  };
}

/** Many lots' upkeep in one. */
export function sumUpkeep(all: readonly LotUpkeep[]): LotUpkeep {
  const sum: LotUpkeep = { tankDays: 0, litreDays: 0, heatingKwh: 0, waterL: 0, meals: 0, seconds: 0 };
  for (const one of all) for (const key of Object.keys(sum) as (keyof LotUpkeep)[]) sum[key] += one[key];
  return sum;
}
