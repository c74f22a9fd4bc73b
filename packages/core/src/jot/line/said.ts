import type { CultureFood } from '../../larder';
import type { TimeRange } from '../../time';
import type { Span } from '../jotTypes';
import type { Meaning } from '../words/lexicon';
import type { Housed } from '../words/names';

/** One thing a line says, by a word or a row of words. */
export type Said =
  | Meaning
  | { is: 'tank'; codes: string[] }
  /** A tank that animals go to. */
  | { is: 'dest'; code: string }
  | { is: 'time'; range: TimeRange }
  | { is: 'number'; value: number; isDecimal: boolean; isThousand: boolean }
  | { is: 'percent'; fraction: number }
  | { is: 'volume'; litres: number }
  | { is: 'celsius'; value: number }
  | { is: 'mm'; value: number }
  | { is: 'money'; cents: number; each: boolean }
  | { is: 'score'; value: number }
  | { is: 'measure' }
  /** `called`: the name as it stands among the names, without slips. */
  | { is: 'names'; groups: readonly Housed[]; called: string }
  | { is: 'vessel'; name: string; food: CultureFood }
  | { is: 'outlet'; name: string }
  | { is: 'unknown' };
export type Item = Said & Span & { text: string; low: string; breaks: boolean; asks: boolean };
