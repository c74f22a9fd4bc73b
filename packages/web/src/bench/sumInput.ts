import { parseQuantity, type Unit } from '@freshet/core/units';
import type { Sum, SumInput } from './sum';

type Tree = Record<string, unknown> | unknown[];

/** Puts a value at a path such as "parts.0.litres", making what is missing on the way. */
export function putAt(tree: Tree, path: string, value: unknown): void {
  const keys = path.split('.');
  let at = tree as Record<string, unknown>;
  for (const [i, key] of keys.slice(0, -1).entries()) {
    at[key] ??= /^\d+$/.test(keys[i + 1] ?? '') ? [] : {};
    at = at[key] as Record<string, unknown>;
  }
  at[keys.at(-1) ?? ''] = value;
}

/** What stands at a path; undefined when nothing does. */
export function lookAt(tree: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>(
      (at, key) => (typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined),
      tree,
    );
}

/** Units taken when none is typed. */
export interface HouseUnits {
  temperature: 'degC' | 'degF';
  volume: 'L' | 'galUS';
}
const usual = (input: SumInput, units: HouseUnits): Unit | undefined =>
  input.kind === 'temperature' ? units.temperature : input.kind === 'volume' ? units.volume : undefined;

/** The calculation's input from what is typed, or the first field that cannot be read. */
export function toSumInput(
  sum: Sum,
  typed: Readonly<Record<string, string>>,
  units: HouseUnits,
): { input: Record<string, unknown> } | { path: string; message: string } {
  const input = structuredClone(sum.fixed ?? {});
  for (const field of sum.inputs) {
    const text = (typed[field.path] ?? field.start).trim();
    if (text === '' && field.optional) continue;
    if (field.choices) {
      putAt(input, field.path, text);
      continue;
    }
    if (field.kind) {
      // A starting value is in base units, whatever the house shows.
      const parsed = parseQuantity(text, field.kind, typed[field.path] === undefined ? undefined : usual(field, units));
      if (!parsed.ok) return { path: field.path, message: parsed.message };
      putAt(input, field.path, parsed.value);
      continue;
    }
    const value = text === '' ? Number.NaN : Number(text.replace(',', '.'));
    if (!Number.isFinite(value))
      return { path: field.path, message: text === '' ? 'A number is needed.' : `"${text}" is not a number.` };
    putAt(input, field.path, value);
  }
  return { input };
}
