import type { CultureFood } from '../larder';
import type { Food } from '../species';
import type { LossCause } from '../stock';
import type { Instant } from '../time';
import type { Ate, CultureAction, EquipmentPart, EquipmentState, JotReading, JotTankEvent } from './words/terms';

/** Which animals of a tank are meant, as far as it was said or only one can be meant. */
export interface JotGroup {
  sex?: 'males' | 'females';
  /** Name of the group; "young" or "adults" where no groups are known by name. */
  group?: string;
}
/** What one phrase of a line says; temperatures in °C, volumes in litres, concentrations in ppm, lengths in mm. */
export type JotPhrase =
  | { kind: 'reading'; what: JotReading; value: number }
  | { kind: 'change'; litres: number }
  | { kind: 'change'; fraction: number }
  | { kind: 'topUp'; litres: number }
  | ({ kind: 'loss'; count: number; cause: LossCause | null } & JotGroup)
  | ({ kind: 'count'; count: number } & JotGroup)
  | ({ kind: 'eggs'; count: number | null; white: number | null } & JotGroup)
  | ({ kind: 'white'; count: number } & JotGroup)
  | ({ kind: 'stage'; stage: 'hatched' | 'freeSwimming' | 'released'; count: number | null } & JotGroup)
  | ({ kind: 'birth'; count: number | null } & JotGroup)
  | ({ kind: 'carrying'; count: number | null } & JotGroup)
  | ({ kind: 'move'; count: number | null; toTank: string } & JotGroup)
  | ({ kind: 'sale'; count: number; outlet?: string; cents?: number; centsEach?: number } & JotGroup)
  | ({ kind: 'sexed'; males: number; females: number } & JotGroup)
  | ({ kind: 'lengths'; mm: number[] } & JotGroup)
  | ({ kind: 'condition'; score: number } & JotGroup)
  | { kind: 'feed'; food: Food; ate?: Ate }
  | { kind: 'harvest'; food: Food }
  | { kind: 'culture'; action: CultureAction; food: CultureFood; culture?: string }
  | { kind: 'equipment'; what: EquipmentPart; state: EquipmentState }
  | { kind: 'tankEvent'; event: JotTankEvent }
  | { kind: 'sign'; text: string }
  | { kind: 'note'; text: string };
/** Where in a line something stands: characters `from` to `to`, the last excluded. */
export interface Span {
  from: number;
  to: number;
}
/** One thing a line logs: of which tank (null for a culture that stands in none), and between which instants. */
export type JotLog = JotPhrase & { tank: string | null; from: Instant; to: Instant };
/** A log with where it stands in the line, and which group of its tank is meant. */
export type PlacedLog = JotLog & { at: Span; of?: number };

export type JotErrorKind = 'unknownTank' | 'ambiguous' | 'outOfRange' | 'incomplete';
/** Why nothing can be logged, with the word that stands in the way. */
export interface JotError extends Span {
  error: JotErrorKind;
  word: string;
  message: string;
}
/** One answer to a question, and the line as it reads with that answer in it. */
export interface JotChoice {
  label: string;
  line: string;
}
/** What has to be asked before the line can be logged: one word, and what it may mean. */
export interface JotAsk extends Span {
  word: string;
  question: string;
  choices: JotChoice[];
}

/** Where a group of animals stands in its life. */
export const JOT_STAGES = ['eggs', 'yolk', 'fry', 'growing', 'adult'] as const;
/** Animals that are booked together in a tank, as a line can mean them. */
export interface JotAnimals {
  name: string;
  species: string;
  stage: (typeof JOT_STAGES)[number];
  heads: number;
  males: number | null;
  females: number | null;
}
export interface JotTankTold {
  code: string;
  litres: number;
  /** The groups of animals booked in it, or only how many there are. */
  groups: number | readonly JotAnimals[];
}
/** What the reading of a line depends on. */
export interface JotReader {
  now: Instant;
  timeZone: string;
  units: { temperature: 'degC' | 'degF'; volume: 'L' | 'galUS' };
  tanks: readonly JotTankTold[];
  outlets?: readonly string[];
  cultures?: readonly { name: string; food: CultureFood }[];
}
export type JotRead = { kind: 'logs'; logs: PlacedLog[] } | { kind: 'ask'; ask: JotAsk } | { kind: 'error'; problem: JotError };

/** Thrown while a line is read: nothing can be logged. */
export class JotProblem extends Error {
  constructor(
    readonly error: JotErrorKind,
    readonly at: Span,
    message: string,
  ) {
    super(message);
  }
}
/** Thrown while a line is read: one word may mean several things. */
export class JotQuestion extends Error {
  constructor(
    readonly at: Span,
    readonly question: string,
    readonly choices: JotChoice[],
  ) {
    super(question);
  }
}
/** @throws {JotProblem} always */
export const fail = (error: JotErrorKind, at: Span, message: string): never => {
  throw new JotProblem(error, { from: at.from, to: at.to }, message);
};
export const MAX_COUNT = 100_000;
export const HELP =
  'Such as: 25.5, change 30%, lost 2, count 60, eggs 120, hatched 90, fed microworms, no3 20, moved 5 to B1, since 22:00.';
