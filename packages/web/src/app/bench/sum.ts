import type { QuantityKind } from '@freshet/core/units';

/** A field of a sum; its path leads into the calculation's input, "parts.0.litres". */
export interface SumInput {
  path: string;
  label: string;
  /** What stands in it at first; empty where it may stay empty. */
  start: string;
  /** Read with either unit; plain numbers otherwise, in `unit`. */
  kind?: QuantityKind;
  unit?: string;
  optional?: boolean;
}

/** A line of the result. */
export interface SumOutput {
  path: string;
  label: string;
  kind?: 'temperature' | 'volume';
  unit?: string;
  percent?: boolean;
}

/** One sum of the bench; name, words and source come from the catalogue. */
export interface Sum {
  name: string;
  group: 'Water' | 'Warmth' | 'Changes' | 'Doses' | 'Room' | 'Live food';
  inputs: readonly SumInput[];
  outputs: readonly SumOutput[];
  /** Fixed parts of the input. */
  fixed?: Record<string, unknown>;
  /** Said in place, because it can hurt someone or something. */
  caution?: string;
}

/** Fields in few words. */
export const plain = (path: string, label: string, start: string, unit = ''): SumInput => ({ path, label, start, unit });
export const may = (input: SumInput): SumInput => ({ ...input, start: '', optional: true });
export const litres = (path: string, label: string, start: string): SumInput => ({ path, label, start, kind: 'volume' });
export const warm = (path: string, label: string, start: string): SumInput => ({ path, label, start, kind: 'temperature' });
