import { formatNumber } from '../../units';
import type { Clause, Draft, PhraseKind } from './clause';
import { fail, type Span } from '../jotTypes';
import { JOT_READINGS, type JotReading } from '../words/terms';

/** "no3 20", "20 no3", "temp 25", "25 °C". */
export const readings: PhraseKind = {
  name: 'reading',
  read(clause) {
    const found: Draft[] = [];
    // "lowered 2 C", "room 22 °C", "added ph 7 buffer": what stands before it says that it is no reading of the tank.
    const isLed = (k: number) =>
      clause.items
        .slice(0, k)
        .some(
          (item, i) => !clause.used[i] && !['filler', 'about', 'number', 'reading', 'celsius', 'names', 'time'].includes(item.is),
        );
    const isTo = clause.has('to') || clause.has('dest');
    for (const { item, k } of clause.free('reading')) {
      if (isLed(k) || isTo) continue;
      const behind = clause.beside(k, 1, 'number', 'celsius');
      const place = behind ?? clause.beside(k, -1, 'number', 'celsius');
      const number = place === null ? null : clause.items[place];
      if (place === null || (number?.is !== 'number' && number?.is !== 'celsius')) continue;
      clause.take(k, place);
      found.push({
        phrase: { kind: 'reading', what: item.what, value: valueOf(clause, item.what, number) },
        at: clause.spanOf(k, place),
      });
    }
    for (const { item, k } of clause.free('celsius')) {
      if (isLed(k) || isTo) continue;
      clause.take(k);
      found.push({ phrase: { kind: 'reading', what: 'temperature', value: item.value }, at: item });
    }
    return found;
  },
};

function valueOf(
  clause: Clause,
  what: JotReading,
  number: { is: 'number' | 'celsius'; value: number; text: string } & Span,
): number {
  if (number.is === 'celsius') return number.value;
  if (what === 'temperature') return celsiusOf(clause.context.units.temperature, number);
  const { low, high } = JOT_READINGS[what];
  if (number.value < low || number.value > high)
    fail('outOfRange', number, `${number.text} can't be right: it goes from ${low} to ${formatNumber(high, 5)}.`);
  return number.value;
}

/** A bare number as a temperature of the house, °C. @throws {JotProblem} when no tank can be so warm or so cold */
export function celsiusOf(unit: 'degC' | 'degF', number: { value: number; text: string } & Span): number {
  const to = (of: 'degC' | 'degF') => (of === 'degC' ? number.value : (number.value - 32) / 1.8);
  const { low, high } = JOT_READINGS.temperature;
  const celsius = to(unit);
  if (celsius < low || celsius > high) {
    const other = unit === 'degC' ? 'degF' : 'degC';
    const asked = `${number.text}${other === 'degF' ? 'F' : 'C'}`;
    const fits = to(other) >= low && to(other) <= high;
    fail(
      'outOfRange',
      number,
      `A tank is ${unit === 'degC' ? '0 to 45 °C' : '32 to 113 °F'}; ${number.text} isn't.${fits ? ` If you meant ${asked}, write ${asked}.` : ''}`,
    );
  }
  return celsius;
}
