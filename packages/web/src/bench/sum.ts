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
  /** One of these words rather than a number. */
  choices?: readonly string[];
}

/** A line of the result. */
export interface SumOutput {
  path: string;
  label: string;
  kind?: 'temperature' | 'volume';
  unit?: string;
  percent?: boolean;
  /** Said where there is no number; "never" by default. */
  absent?: string;
}

/** One sum of the bench; name, words and source come from the catalogue. */
export interface Sum {
  name: string;
  group: 'Water' | 'Warmth' | 'Changes' | 'Doses' | 'Units' | 'Room' | 'Breeding' | 'Live food';
  inputs: readonly SumInput[];
  outputs: readonly SumOutput[];
  /** Fixed parts of the input. */
  fixed?: Record<string, unknown>;
  /** Where starting values come from: path of a field → fact, "tank.litres", "water.0.ghDeg". */
  prefill?: Readonly<Record<string, string>>;
  /** What change the result stands for, in base units; null when none. */
  change?: (input: unknown, output: unknown, tankLitres: number) => { litres: number; tempC: number | null } | null;
  /** Said in place, because it can hurt someone or something. */
  caution?: string;
}

/** Fields in few words. */
export const plain = (path: string, label: string, start: string, unit = ''): SumInput => ({ path, label, start, unit });
export const may = (input: SumInput): SumInput => ({ ...input, start: '', optional: true });
export const litres = (path: string, label: string, start: string): SumInput => ({ path, label, start, kind: 'volume' });
export const warm = (path: string, label: string, start: string): SumInput => ({ path, label, start, kind: 'temperature' });

/** Facts known of a tank and of source waters, by the name of their place: "tank.litres" → 44. */
export type SumFacts = Readonly<Record<string, number | null | undefined>>;

/** A sum with what is known standing in its fields at first. */
export function withFacts(sum: Sum, facts: SumFacts): Sum {
  const { prefill } = sum;
  if (!prefill) return sum;
  return {
    ...sum,
    inputs: sum.inputs.map((input) => {
      const known = facts[prefill[input.path] ?? ''];
      return known == null ? input : { ...input, start: String(Number(known.toPrecision(6))) };
    }),
  };
}

/** Fields of a part of water, prefilled from a source water or a tank. */
export const fromWater = (path: string, fact: string, keys: readonly string[]): Record<string, string> =>
  Object.fromEntries(keys.map((key) => [`${path}.${key}`, `${fact}.${key}`]));
