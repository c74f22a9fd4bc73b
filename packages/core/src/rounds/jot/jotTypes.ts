import type { Food } from '../../species';
import type { LossCause } from '../../stock';
import type { Instant, TimeRange } from '../../time';
import type { JotReading } from './jotWords';

/** Which animals of a tank are meant, as far as it was said. */
export interface JotGroup {
  sex?: 'males' | 'females';
  group?: 'young' | 'adults';
}
/** What one phrase of a line says; temperatures in °C, volumes in litres, concentrations in ppm. */
export type JotPhrase =
  | { kind: 'reading'; what: JotReading; value: number }
  | { kind: 'change'; litres: number }
  | { kind: 'change'; fraction: number }
  | ({ kind: 'loss'; count: number; cause: LossCause | null } & JotGroup)
  | ({ kind: 'count'; count: number } & JotGroup)
  | { kind: 'eggs'; count: number; white: number | null }
  | { kind: 'white'; count: number }
  | { kind: 'stage'; stage: 'hatched' | 'freeSwimming' | 'released'; count: number | null }
  | ({ kind: 'move'; count: number | null; toTank: string } & JotGroup)
  | ({ kind: 'sale'; count: number } & JotGroup)
  | { kind: 'feed'; food: Food }
  | { kind: 'harvest'; food: Food }
  | { kind: 'sign'; text: string };
/** One thing a line logs: of which tank, and between which instants (equal when it is known exactly). */
export type JotLog = JotPhrase & { tank: string; from: Instant; to: Instant };

export type JotErrorKind = 'notUnderstood' | 'unknownTank' | 'ambiguous' | 'outOfRange' | 'incomplete';
/** The first word that stands in the way, at characters `from` to `to` (excluded) of the line. */
export interface JotError {
  error: JotErrorKind;
  word: string;
  from: number;
  to: number;
  message: string;
}

/** What the reading of a line depends on; `groups` are the groups of animals booked in a tank. */
export interface JotReader {
  now: Instant;
  timeZone: string;
  units: { temperature: 'degC' | 'degF'; volume: 'L' | 'galUS' };
  tanks: readonly { code: string; litres: number; groups: number }[];
}
export type JotRead = { ok: true; logs: (JotLog & { at: { from: number; to: number } })[] } | { ok: false; problem: JotError };

export class JotProblem extends Error {
  constructor(
    readonly error: JotErrorKind,
    readonly from: number,
    readonly to: number,
    message: string,
  ) {
    super(message);
  }
}

export interface Word {
  text: string;
  low: string;
  from: number;
  to: number;
  /** A comma, a semicolon or the end of the line follows. */
  breaks: boolean;
}
export type Phrase = JotPhrase & { word: Word };
/** A stretch of a line that speaks of some tanks. */
export interface Segment {
  tanks: string[];
  phrases: Phrase[];
  when: TimeRange | null;
}

export const MAX_COUNT = 100_000;
export const HELP =
  'Try: 25.5, change 30%, lost 2, count 60, eggs 120, hatched 90, fed microworms, no3 20, moved 5 to B1, since 22:00.';
export const plain = (code: string) => code.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '');
export const fail = (error: JotErrorKind, word: Pick<Word, 'from' | 'to'>, message: string): never => {
  throw new JotProblem(error, word.from, word.to, message);
};

/** A phrase and the word behind which the next one begins. */
export interface Read {
  phrase: JotPhrase;
  next: number;
  /** A tank named inside the phrase: "moved 5 from A1 to B2". */
  from?: string;
}
