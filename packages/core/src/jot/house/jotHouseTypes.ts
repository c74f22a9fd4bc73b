import type { CultureFood } from '../../larder';
import type { Quantity } from '../../room';
import type { Payment } from '../../sales';
import type { Heads, LossCause } from '../../stock';
import type { Instant, TimeRange } from '../../time';
import type { JotAnimals, JotReader } from '../jotTypes';
import type { CultureAction, JotReading, JotTankEvent } from '../words/terms';

/** One thing a jotted line logs in a house. */
export type JotCommand = { tankId: string | null } & (
  | { kind: 'reading'; quantity: Quantity; value: number; at: Instant }
  | { kind: 'change'; litres: number; at: Instant }
  | { kind: 'eggs'; count: number; white: number; laid: TimeRange }
  | { kind: 'found'; speciesKey: string; count: number; laid: TimeRange }
  | { kind: 'white'; broodId: string; count: number; at: Instant }
  | { kind: 'hatched' | 'freeSwimming'; broodId: string; count: number | null; at: TimeRange }
  | { kind: 'count'; lotId: string; count: number; at: TimeRange }
  | { kind: 'lost'; lotId: string; heads: Heads; cause: LossCause; at: TimeRange }
  | { kind: 'sold'; lotId: string; heads: Heads; buyerId: string; cents: number; pays: Payment; at: Instant }
  | { kind: 'move'; lotId: string; heads: Heads; toTankId: string; at: Instant }
  | { kind: 'sexed'; lotId: string; heads: Heads; at: Instant }
  | { kind: 'lengths'; lotId: string; mm: number[]; at: Instant }
  | { kind: 'condition'; lotId: string; score: number; at: Instant }
  | { kind: 'tankEvent'; event: JotTankEvent; at: Instant }
  | { kind: 'harvest'; cultureId: string; at: Instant }
  | { kind: 'culture'; cultureId: string; action: Exclude<CultureAction, 'started' | 'split' | 'harvested'>; at: Instant }
  | { kind: 'cultureStart'; food: CultureFood; fromId: string | null; at: Instant }
  | { kind: 'care'; care: 'fed' | 'sign' | 'note'; text: string; at: Instant }
);

/** A lot as the jot line must know it. `young` ones belong to a brood, eggs included. */
export type JotLot = Heads & {
  id: string;
  /** What it is called: its own name, its brood's, or its species'. */
  label: string;
  speciesKey: string;
  speciesName: string;
  stage: JotAnimals['stage'];
  broodId: string | null;
};
/** A tank as the jot line must know it. */
export interface JotTank {
  id: string;
  code: string;
  litres: number;
  /** Living lots in it. */
  lots: readonly JotLot[];
  /** `carried` young are let go by their mother. */
  broods: readonly { id: string; stage: string; carried: boolean }[];
  /** Open attempts to which eggs seen here could belong. */
  attempts: number;
}
export interface JotCulture {
  id: string;
  name: string;
  food: CultureFood;
  tankId: string | null;
}

/** Who fish go to, as the jot line must know it. */
export interface JotBuyer {
  id: string;
  name: string;
  pays: Payment;
}

/** What the reading of a line depends on. */
export interface JotContext extends Omit<JotReader, 'tanks' | 'cultures'> {
  tanks: readonly JotTank[];
  /** Running cultures, those that ripen first before the others. */
  cultures: readonly JotCulture[];
  /** Buyers a sale can be booked for; none for who may not sell. */
  buyers?: readonly JotBuyer[];
}

/** Readings as the house keeps them. */
export const QUANTITY: Record<JotReading, { quantity: Quantity; words: string; unit: string }> = {
  temperature: { quantity: 'tempC', words: 'temperature', unit: '°C' },
  ph: { quantity: 'ph', words: 'pH', unit: '' },
  gh: { quantity: 'ghDeg', words: 'GH', unit: '°' },
  kh: { quantity: 'khDeg', words: 'KH', unit: '°' },
  tds: { quantity: 'tdsPpm', words: 'TDS', unit: 'ppm' },
  nitrate: { quantity: 'nitratePpm', words: 'nitrate', unit: 'mg/L' },
  nitrite: { quantity: 'nitritePpm', words: 'nitrite', unit: 'mg/L' },
  ammonia: { quantity: 'ammoniaPpm', words: 'ammonia', unit: 'mg/L' },
  oxygen: { quantity: 'oxygenPpm', words: 'oxygen', unit: 'mg/L' },
};
