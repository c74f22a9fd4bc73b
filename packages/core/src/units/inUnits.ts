import { convert, type Unit } from './convert';
import { formatNumber } from './formatNumber';

/** The units a house reads in. */
export interface HouseUnits {
  temperature: 'degC' | 'degF';
  volume: 'L' | 'galUS';
}

const NUMBER = String.raw`[-−]?\d+(?:[.,]\d+)?`;
const BETWEEN = String.raw`\s?(?:–|to|and)\s?`;
/** Words that make a figure a difference of temperatures, before or behind it. */
const DIFFERENCE_BEFORE = /(?:\bby|[+±]|within|off by|drop of|rise of|swing of)\s?$/i;
const DIFFERENCE_BEHIND =
  /^\s?(?:cooler|colder|warmer|hotter|lower|higher|less|more|in (?:two|\d+) hours|a day|off\b|apart|give or take)/i;
const TEMPERATURE = new RegExp(`(${NUMBER})(?:(${BETWEEN})(${NUMBER}))?\\s?°C(?![A-Za-z])`, 'g');

interface Rule {
  pattern: RegExp;
  from: Unit;
  to: Unit;
  shown: string;
}
const rule = (unit: string, from: Unit, to: Unit, shown: string): Rule => ({
  pattern: new RegExp(`(${NUMBER})(?:(${BETWEEN})(${NUMBER}))?\\s?${unit}(?![A-Za-z/²³])`, 'g'),
  from,
  to,
  shown,
});
const VOLUMES: readonly Rule[] = [
  rule('L', 'L', 'galUS', 'gal'),
  // With gallons go pounds and inches; what is poured or measured on an animal stays in ml, g and mm.
  rule('kg', 'kg', 'lb', 'lb'),
  rule('cm', 'cm', 'in', 'in'),
];
/** Measures of a box: "60 × 30 × 36 cm". */
const BOX = new RegExp(`${NUMBER}(?:\\s?×\\s?${NUMBER})+\\s?cm(?![A-Za-z²³])`, 'g');

const numberOf = (text: string) => Number(text.replace('−', '-').replace(',', '.'));
/** Figures a text's number was written with, at least two. */
const figuresOf = (text: string) => Math.max(2, text.replace(/[^\d]/g, '').replace(/^0+/, '').length);

/**
 * A sentence with its temperatures, volumes, weights and lengths in the units of the house; those that suit it already stay as they are.
 * Differences of temperatures ("5 °C cooler", "by 2 °C") are turned into differences.
 */
export function inUnits(text: string, units: HouseUnits): string {
  let said = text;
  if (units.temperature === 'degF' && said.includes('°C'))
    said = said.replace(
      TEMPERATURE,
      (whole: string, low: string, between: string | undefined, high: string | undefined, at: number) => {
        const [before, behind] = [text.slice(0, at), text.slice(at + whole.length)];
        const difference = DIFFERENCE_BEFORE.test(before) || DIFFERENCE_BEHIND.test(behind);
        const show = (typed: string) => {
          const celsius = numberOf(typed);
          const value = difference ? celsius * 1.8 : convert({ value: celsius, from: 'degC', to: 'degF' }).value;
          return formatNumber(value, Math.max(difference ? 2 : 3, figuresOf(typed))).replace(/^-/, '−');
        };
        return `${show(low)}${between && high ? `${between}${show(high)}` : ''} °F`;
      },
    );
  if (units.volume === 'galUS') {
    said = said.replace(BOX, (box) =>
      box
        .replace(/\s?cm$/, ' in')
        .replace(new RegExp(NUMBER, 'g'), (typed) =>
          formatNumber(convert({ value: numberOf(typed), from: 'cm', to: 'in' }).value, 3),
        ),
    );
    for (const { pattern, from, to, shown } of VOLUMES)
      said = said.replace(pattern, (_whole: string, low: string, between: string | undefined, high: string | undefined) => {
        const show = (typed: string) =>
          formatNumber(convert({ value: Math.max(0, numberOf(typed)), from, to }).value, figuresOf(typed));
        return `${show(low)}${between && high ? `${between}${show(high)}` : ''} ${shown}`;
      });
  }
  return said;
}

/** Fields that are names or a keeper's own words: they stay as they were typed. */
const TYPED = new Set([
  'name',
  'note',
  'label',
  'reason',
  'marks',
  'id',
  'key',
  'choreKey',
  'code',
  'path',
  'commonName',
  'source',
  'line',
]);

/** A whole reply with every sentence in it in the units of the house. */
export function allInUnits<T>(value: T, units: HouseUnits): T {
  if (units.temperature === 'degC' && units.volume === 'L') return value;
  const walk = (part: unknown, field: string): unknown => {
    if (typeof part === 'string') return TYPED.has(field) || part.length < 3 ? part : inUnits(part, units);
    if (Array.isArray(part)) return part.map((one) => walk(one, field));
    if (part !== null && typeof part === 'object')
      return Object.fromEntries(Object.entries(part).map(([name, inner]) => [name, walk(inner, name)]));
    return part;
  };
  return walk(value, '') as T;
}
