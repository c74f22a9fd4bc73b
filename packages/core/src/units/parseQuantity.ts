import { convert, type Unit } from './convert';

/** What a field asks for; decides the base unit and the unit taken when none is typed. */
export type QuantityKind = 'temperature' | 'volume' | 'length' | 'mass' | 'days';

/** A typed quantity in base units, or the reason it cannot be read. */
export type ParsedQuantity = { ok: true; value: number; unit: Unit | 'd' } | { ok: false; message: string };

const BASE: Record<QuantityKind, Unit | 'd'> = { temperature: 'degC', volume: 'L', length: 'cm', mass: 'kg', days: 'd' };

/** Volumes as they are written by hand. */
export const VOLUME_SPELLINGS = {
  l: 'L',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  liters: 'L',
  ml: 'mL',
  gal: 'galUS',
  gallon: 'galUS',
  gallons: 'galUS',
  galuk: 'galUK',
} as const satisfies Record<string, Unit>;

const SPELLINGS: Record<QuantityKind, Record<string, Unit | 'd'>> = {
  temperature: {
    c: 'degC',
    '°c': 'degC',
    degc: 'degC',
    celsius: 'degC',
    f: 'degF',
    '°f': 'degF',
    degf: 'degF',
    fahrenheit: 'degF',
  },
  volume: { ...VOLUME_SPELLINGS, galus: 'galUS' },
  length: { cm: 'cm', mm: 'mm', in: 'in', inch: 'in', inches: 'in', '"': 'in', ft: 'ft', "'": 'ft' },
  mass: { kg: 'kg', g: 'g', lb: 'lb', lbs: 'lb', oz: 'oz' },
  days: { d: 'd', day: 'd', days: 'd' },
};

/**
 * Reads what a keeper typed ("26", "78F", "20 gal", "24,5 °C") as a quantity in base units: °C, litres, cm, kg, days.
 * A decimal comma is understood. `gal` is the US gallon; `galuk` the imperial one.
 * @param defaultUnit - unit taken when none is typed; the base unit by default
 */
export function parseQuantity(text: string, kind: QuantityKind, defaultUnit: Unit | 'd' = BASE[kind]): ParsedQuantity {
  // Inches come with fractions: "20 1/4", "3/8 in".
  const fraction = /^(\d+\s+)?(\d+)\/(\d+)(.*)$/.exec(text.trim());
  const plain =
    fraction && Number(fraction[3]) > 0
      ? `${Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3])}${fraction[4] ?? ''}`
      : text.trim();
  const match = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*([a-z°"']*)$/i.exec(plain);
  if (!match?.[1])
    return { ok: false, message: text.trim() ? `"${text.trim()}" is not a number with a unit.` : 'A value is needed.' };
  const value = Number(match[1].replace(',', '.'));
  const word = (match[2] ?? '').toLowerCase();
  const unit = word ? SPELLINGS[kind][word] : defaultUnit;
  if (!unit) return { ok: false, message: `"${match[2]}" is not a unit of ${kind}.` };
  if (unit === 'd') return { ok: true, value, unit };
  try {
    return { ok: true, value: convert({ value, from: unit, to: BASE[kind] }).value, unit };
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : 'That cannot be read.' };
  }
}
