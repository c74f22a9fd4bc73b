import { parseQuantity, type QuantityKind, type Unit } from '@freshet/core/units';
import { FieldProblem } from '../data';
import { TextField } from './Field';
import type { ComponentProps } from 'react';

const NAMES: Partial<Record<Unit | 'd', string>> = {
  degC: '°C',
  degF: '°F',
  L: 'L',
  mL: 'ml',
  galUS: 'US gal',
  galUK: 'imperial gal',
  cm: 'cm',
  mm: 'mm',
  in: 'in',
  ft: 'ft',
  kg: 'kg',
  g: 'g',
  lb: 'lb',
  oz: 'oz',
};

/** Reads a typed quantity in base units. @throws {FieldProblem} with what is wrong */
export function readQuantity(field: string, text: string, kind: QuantityKind, defaultUnit?: Unit): number {
  const parsed = parseQuantity(text, kind, defaultUnit);
  if (!parsed.ok) throw new FieldProblem(field, parsed.message);
  return parsed.value;
}

/** A quantity typed in either unit; says how it is read when the unit is not the base one. */
export function QuantityField({
  kind,
  text,
  defaultUnit,
  hint,
  ...rest
}: ComponentProps<typeof TextField> & { kind: QuantityKind; text: string; defaultUnit?: Unit | undefined }) {
  const parsed = parseQuantity(text, kind, defaultUnit);
  const base = { temperature: 'degC', volume: 'L', length: 'cm', mass: 'kg', days: 'd' }[kind];
  const read =
    parsed.ok && parsed.unit !== base ? `read as ${Number(parsed.value.toFixed(1))} ${NAMES[base as Unit] ?? 'days'}` : hint;
  return <TextField inputMode="decimal" {...rest} hint={read} />;
}
