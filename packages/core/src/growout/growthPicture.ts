import { dangerRatio } from './grading';
import type { ReadBrood } from '../broods';
import { middle } from '../species';
import { totalHeads } from '../stock';
import { addDays, daysBetween, houseDay, type Day } from '../time';
import {
  dayIn,
  daysAhead,
  fitOff,
  growBrood,
  growthOf,
  lengthBand,
  readyShares,
  shareOver,
  usualMm,
  type AgedSample,
  type BroodGrowth,
  type Likely,
} from './broodGrowth';
import { crowdingForecast } from './crowding';
import type { GrowoutView } from './facts';
import { CURVES, lengthAt, type Curve } from './growth';
import { nurseryWater, type NurseryWater } from './nurseryWater';
import { slowGrowth, type SlowGrowth } from './slowGrowth';

/** A length that young come to, and what it means. */
export type GrowthTarget = 'sale' | 'sexable' | 'colour' | 'mature';
/** Marks of sex show at about this share of the length at which they can first breed: a guess from general habit. */
const SEXABLE_SHARE = 0.8;
/** A moult lengthens a crayfish or shrimp by about so much. */
const MOULT_GAIN = 1.12;
const POINTS = 48;

/** When shares of a brood are so long. */
export interface TargetDates {
  target: GrowthTarget;
  mm: number;
  isGuess: boolean;
  /** Share that is so long today. */
  now: number;
  shares: { share: number; low: Day | null; mid: Day | null; high: Day | null; isNow: boolean }[];
}

/** A brood's growth as it is drawn and told. */
export interface GrowthPicture {
  broodId: string;
  name: string;
  speciesKey: string;
  speciesName: string;
  alive: number;
  lotIds: readonly { id: string; tankId: string | null; heads: number; code: string }[];
  curve: Curve;
  /** How far each curve is off the means, mm. */
  fits: { curve: Curve; offMm: number | null }[];
  ageDays: number;
  lastAge: number;
  samples: readonly AgedSample[];
  band: ({ age: number } & Likely<number>)[];
  usual: { age: number; mm: number }[];
  sisters: {
    broodId: string;
    name: string;
    ageDays: number;
    samples: readonly AgedSample[];
    line: { age: number; mm: number }[];
  }[];
  now: Likely<number>;
  cv: number;
  isMeasured: boolean;
  daysAhead: number | null;
  targets: TargetDates[];
  slow: SlowGrowth | null;
  /** Days from moult to moult at this length; null for those that do not moult. */
  moultDays: number | null;
  /** How much longer one must be to be a danger to another. */
  dangerRatio: number;
  crowding: {
    tankId: string;
    code: string;
    tightOn: Day | null;
    fullOn: Day | null;
    /** What their food makes of the water. */
    water: NurseryWater | null;
    movesTo: { code: string; heads: number; on: Day }[];
  }[];
}

function targetDates(growth: BroodGrowth, read: ReadBrood, today: Day): TargetDates[] {
  const { figures, colourAt } = read.species;
  const wanted: { target: GrowthTarget; mm: number; isGuess: boolean }[] = [
    { target: 'sexable', mm: Math.round(SEXABLE_SHARE * figures.maturityMm[0]), isGuess: true },
    ...(colourAt === null
      ? []
      : [{ target: 'colour' as const, mm: Math.round(colourAt * figures.maturityMm[0]), isGuess: true }]),
    { target: 'sale', mm: figures.saleMm[0], isGuess: false },
    { target: 'mature', mm: figures.maturityMm[0], isGuess: false },
  ];
  return wanted
    .map((one) => ({
      ...one,
      now: shareOver(growth, one.mm),
      shares: readyShares(growth, one.mm).map(({ share, days }) => ({
        share,
        low: dayIn(days.low, today),
        mid: dayIn(days.mid, today),
        high: dayIn(days.high, today),
        isNow: days.mid === 0,
      })),
    }))
    .sort((a, b) => a.mm - b.mm);
}

/** Days from one moult to the next at the length of now. */
function moultDays({ middle: grown, ageDays }: BroodGrowth): number | null {
  const rate = Math.log(lengthAt(grown, ageDays + 1) / lengthAt(grown, ageDays));
  return rate <= 1e-5 ? null : Math.log(MOULT_GAIN) / rate;
}

/** A brood's growth with its points, its band, what is usual and its sisters; null where it does not feed yet or is gone. */
export function growthPicture(view: GrowoutView, broodId: string, curve: Curve = 'gompertz'): GrowthPicture | null {
  const read = view.broods.find(({ brood }) => brood.id === broodId);
  const known = read ? growthOf(read) : null;
  if (!read || !known) return null;
  const { brood, species, lots } = read;
  const { figures } = species;
  const growth = curve === known.curve ? known : growBrood(figures, known.samples, known.ageDays, curve);
  const { ageDays } = growth;
  const targets = targetDates(growth, read, view.today);
  const saleDay = targets.find(({ target }) => target === 'sale')?.shares[2]?.mid;
  const lastAge = Math.max(ageDays + 28, saleDay ? ageDays + daysBetween(view.today, saleDay) + 7 : middle(figures.saleDays));
  const ages = Array.from({ length: POINTS + 1 }, (_, i) => (lastAge * i) / POINTS);
  const code = (tankId: string | null) => view.tanks.get(tankId ?? '')?.code ?? 'no tank';
  const tankIds = [...new Set(lots.flatMap(({ tankId }) => tankId ?? []))];
  return {
    broodId,
    name: brood.name,
    speciesKey: species.key,
    speciesName: species.commonName,
    alive: lots.reduce((sum, lot) => sum + totalHeads(lot), 0),
    lotIds: lots.map((lot) => ({ id: lot.id, tankId: lot.tankId, heads: totalHeads(lot), code: code(lot.tankId) })),
    curve,
    fits: CURVES.map((one) => ({
      curve: one,
      offMm: growth.samples.length > 0 ? fitOff({ samples: growth.samples, curve: one }, figures) : null,
    })),
    ageDays,
    lastAge,
    samples: growth.samples,
    band: ages.map((age) => ({ age, ...lengthBand(growth, age) })),
    usual: ages.map((age) => ({ age, mm: usualMm(figures, curve, age) })),
    sisters: view.broods.flatMap((other) => {
      const grown = other !== read && other.species.key === species.key ? growthOf(other) : null;
      if (!grown) return [];
      const line = ages.filter((age) => age <= grown.ageDays).map((age) => ({ age, mm: lengthAt(grown.middle, age) }));
      return [{ broodId: other.brood.id, name: other.brood.name, ageDays: grown.ageDays, samples: grown.samples, line }];
    }),
    now: lengthBand(growth, ageDays),
    cv: growth.cv,
    isMeasured: growth.samples.length > 0,
    daysAhead: growth.samples.length > 0 ? daysAhead(growth, figures) : null,
    targets,
    slow: slowGrowth(view, read),
    dangerRatio: dangerRatio(species),
    moultDays: species.start === 'carried' ? moultDays(growth) : null,
    crowding: tankIds.map((tankId) => {
      const forecast = crowdingForecast(view, tankId, 120);
      const own = new Set(lots.filter((lot) => lot.tankId === tankId).map(({ id }) => id));
      return {
        tankId,
        code: code(tankId),
        tightOn: forecast?.tightOn ?? null,
        fullOn: forecast?.fullOn ?? null,
        water: nurseryWater(view, tankId),
        movesTo: view.moves
          .filter(({ lotId }) => own.has(lotId))
          .map(({ toTankId, heads, on }) => ({ code: code(toTankId), heads, on })),
      };
    }),
  };
}

/** The day a brood's age on an axis falls on. */
export const dayOfAge = (age: number, ageDays: number, now: string, timeZone: string): Day =>
  addDays(houseDay(now, timeZone), Math.round(age - ageDays));
