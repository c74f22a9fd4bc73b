import { convert, formatNumber } from '../../units';
import { numberOf, UNITS, VOLUMES } from './jotTokens';
import { fail, MAX_COUNT, type JotPhrase, type Word } from './jotTypes';
import { CHANGED, FILLERS, JOT_READINGS, SHARES, type JotReading } from './jotWords';
import { TankReader } from './TankReader';

/** Amounts in a line: counts, temperatures and other readings, water changes. */
export class AmountReader extends TankReader {
  /** A whole number of animals or eggs. */
  protected wholeOf(word: Word): number {
    const { value = NaN, rest = '' } = numberOf(word) ?? {};
    if (rest || !Number.isInteger(value) || value < 0 || value > MAX_COUNT)
      fail(
        'outOfRange',
        word,
        /^\d+,\d+$/.test(word.text)
          ? `"${word.text}" is read as a decimal: leave a space behind the comma.`
          : `"${word.text}" is not a number of animals: whole, 0 to ${formatNumber(MAX_COUNT, 6)}.`,
      );
    return value;
  }

  /** The current word as a temperature with or without its unit; null when it is none. */
  protected temperature(): { celsius: number; used: number } | null {
    const { word } = this;
    const number = numberOf(word);
    if (!word || !number) return null;
    let unit = /^(°|deg)?([cf])$/.exec(number.rest)?.[2] ?? null;
    let used = 1;
    if (number.rest === '' || number.rest === '°') {
      const next = this.peek();
      const spelled = next && !word.breaks ? /^(?:(?:°|deg)?([cf])|celsius|fahrenheit|degrees?|°)$/.exec(next.low) : null;
      if (spelled) {
        used = 2;
        unit = spelled[1] ?? (spelled[0] === 'celsius' ? 'c' : spelled[0] === 'fahrenheit' ? 'f' : null);
      }
    } else if (!unit) return null;
    const house = this.context.units.temperature;
    const from = unit === 'f' ? 'degF' : unit === 'c' ? 'degC' : house;
    const to = (value: number, of: 'degC' | 'degF') => (of === 'degC' ? value : (value - 32) / 1.8);
    const celsius = to(number.value, from);
    const { low, high } = JOT_READINGS.temperature;
    if (celsius < low || celsius > high) {
      const other = house === 'degC' ? 'degF' : 'degC';
      const fits = !unit && to(number.value, other) >= low && to(number.value, other) <= high;
      const range = house === 'degC' ? '0 to 45 °C' : '32 to 113 °F';
      const asked = `${word.text}${other === 'degF' ? 'F' : 'C'}`;
      fail(
        'outOfRange',
        word,
        `A tank is ${range}; ${word.text} is not.${fits ? ` If you meant ${asked}, write ${asked}.` : ''}`,
      );
    }
    return { celsius: from === 'degC' ? celsius : convert({ value: number.value, from: 'degF', to: 'degC' }).value, used };
  }

  /** A reading that was named: "no3 20", "20 no3", "ph7.1". */
  protected reading(what: JotReading, named: Word, numberAt: number): { phrase: JotPhrase; next: number } {
    if (what === 'temperature') {
      const before = this.i;
      this.i = numberAt;
      const read = this.temperature();
      this.i = before;
      if (!read) fail('incomplete', this.words[numberAt] ?? named, 'After "temp" a temperature is needed, such as 25.5 or 78F.');
      return { phrase: { kind: 'reading', what, value: read?.celsius ?? 0 }, next: numberAt + (read?.used ?? 1) };
    }
    const word = this.words[numberAt];
    const number = numberOf(word);
    if (!word || !number) return fail('incomplete', named, `How much? Write a number behind "${named.text}".`);
    const { low, high } = JOT_READINGS[what];
    if (number.value < low || number.value > high)
      fail('outOfRange', word, `${word.text} is out of range for ${named.text}: ${low} to ${formatNumber(high, 5)}.`);
    let next = numberAt + 1;
    if (number.rest && !UNITS.test(number.rest)) fail('notUnderstood', word, `"${word.text}" is not understood as a number.`);
    if (!number.rest && !word.breaks && UNITS.test(this.words[next]?.low ?? '')) next++;
    return { phrase: { kind: 'reading', what, value: number.value }, next };
  }

  /** A water change, behind its word. */
  protected change(named: Word): { phrase: JotPhrase; next: number } {
    let at = this.i + 1;
    while (FILLERS.has(this.words[at]?.low ?? '') || this.words[at]?.low === 'a') at++;
    const word = this.words[at];
    if (!word || named.breaks)
      return fail('incomplete', named, `How much was changed? Write 30% or 12 L behind "${named.text}".`);
    const share = SHARES[word.low];
    if (share) return { phrase: { kind: 'change', fraction: share }, next: at + 1 };
    const parts = /^(\d+)\/(\d+)$/.exec(word.low);
    if (parts && Number(parts[1]) > 0 && Number(parts[1]) <= Number(parts[2]))
      return { phrase: { kind: 'change', fraction: Number(parts[1]) / Number(parts[2]) }, next: at + 1 };
    const number = numberOf(word);
    if (!number) return fail('incomplete', named, `How much was changed? Write 30% or 12 L behind "${named.text}".`);
    const apart = number.rest === '' && !word.breaks ? (this.words[at + 1]?.low ?? '') : '';
    const unit = number.rest || (VOLUMES[apart] || apart === '%' || /^per ?cent|percent$/.test(apart) ? apart : '');
    const next = at + (number.rest === '' && unit ? 2 : 1);
    if (unit === '%' || unit === 'percent') {
      if (number.value <= 0 || number.value > 100) fail('outOfRange', word, `A change is above 0 and at most 100 %.`);
      return { phrase: { kind: 'change', fraction: number.value / 100 }, next };
    }
    if (!unit) return fail('ambiguous', word, `${word.text} of what? Write ${word.text}% or ${word.text} L.`);
    const size = VOLUMES[unit];
    if (!size) return fail('notUnderstood', word, `"${word.text}" is not understood as a volume.`);
    if (number.value <= 0) fail('outOfRange', word, 'A change is above 0.');
    return { phrase: { kind: 'change', litres: convert({ value: number.value, from: size, to: 'L' }).value }, next };
  }

  /** A change said the other way round: "30% changed", "12 L changed", "half changed". */
  protected changedBefore(): { phrase: JotPhrase; next: number } | null {
    const named = this.words.slice(this.i + 1, this.i + 4).findIndex((word) => CHANGED.has(word.low));
    const amount = this.words.slice(this.i, this.i + 1 + named);
    if (named < 0 || amount.some(({ breaks }) => breaks)) return null;
    const said = amount.map(({ low }) => low).join('');
    if (
      !SHARES[said.replace(/^a(?=third|quarter|fifth|tenth)/, '')] &&
      !/^\d+([.,]\d+)?(%|percent|l|litres?|liters?|ml|gal|gallons?)$/.test(said)
    )
      return null;
    const at = this.i + 1 + named;
    const word = this.words[at] as Word;
    // Read as if the word stood first.
    this.words.splice(
      this.i,
      amount.length + 1,
      { ...word, breaks: false },
      ...amount.map((one, k) => ({ ...one, breaks: k === amount.length - 1 ? word.breaks : one.breaks })),
    );
    return this.change(this.words[this.i] as Word);
  }
}
