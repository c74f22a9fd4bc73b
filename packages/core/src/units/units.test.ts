import fc from 'fast-check';
import { convert, formatNumber, formatRange, parseQuantity, unitFamily, UNITS, type Unit } from './index';

const units = Object.keys(UNITS) as Unit[];
const pairs = units.flatMap((from) => units.filter((to) => unitFamily(from, to) !== null).map((to) => [from, to] as const));

describe('converting', () => {
  it('there and back gives the same value, for every pair of units', () => {
    fc.assert(
      fc.property(fc.constantFrom(...pairs), fc.double({ min: 0, max: 1e6, noNaN: true }), ([from, to], value) => {
        const factor = { factorPpmPerUScm: 0.64 };
        const there = convert({ value, from, to, ...factor }).value;
        expect(convert({ value: there, from: to, to: from, ...factor }).value).toBeCloseTo(value, 6);
      }),
    );
  });

  it('keeps the order of values', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...pairs),
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.double({ min: 1e-3, max: 1e5, noNaN: true }),
        ([from, to], value, more) => {
          const of = (amount: number) => convert({ value: amount, from, to, factorPpmPerUScm: 0.5 }).value;
          expect(of(value + more)).toBeGreaterThan(of(value));
        },
      ),
    );
  });

  it('refuses hardness as alkalinity: they are different quantities', () => {
    expect(() => convert({ value: 1, from: 'dGH', to: 'dKH' })).toThrow(expect.objectContaining({ code: 'incompatibleUnits' }));
  });
});

describe('reading a typed quantity', () => {
  it.each([
    ['26', 'temperature', 26],
    ['78F', 'temperature', 25.5556],
    ['24,5 °C', 'temperature', 24.5],
    ['20 gal', 'volume', 75.7082],
    ['500ml', 'volume', 0.5],
    ['24 in', 'length', 60.96],
    ['6mm', 'length', 0.6],
    ['2 lb', 'mass', 0.9072],
    ['.5', 'mass', 0.5],
  ] as const)('%s as %s is %d in base units', (text, kind, value) => {
    const parsed = parseQuantity(text, kind);
    expect(parsed.ok && parsed.value).toBeCloseTo(value, 3);
  });

  it('takes the house’s unit when none is typed', () => {
    const parsed = parseQuantity('78', 'temperature', 'degF');
    expect(parsed.ok && parsed.value).toBeCloseTo(25.5556, 3);
  });

  it.each([
    ['', 'A value is needed.'],
    ['warm', '"warm" is not a number with a unit.'],
    ['26 stone', '"stone" is not a unit of temperature.'],
    ['-500 C', 'Nothing is colder than absolute zero.'],
    ['1.2.3', '"1.2.3" is not a number with a unit.'],
  ])('says what is wrong with "%s"', (text, message) => {
    expect(parseQuantity(text, 'temperature')).toEqual({ ok: false, message });
  });
});

describe('showing a number', () => {
  it.each([
    [0, '0'],
    [0.04567, '0.046'],
    [3.14159, '3.1'],
    [99.6, '100'],
    [1234.5, '1235'],
    [250_000, '250\u202f000'],
    [-12.34, '-12'],
  ])('%d as %s, never falsely precise', (value, text) => {
    expect(formatNumber(value)).toBe(text);
  });

  it('gives one number for a range whose ends look alike', () => {
    expect(formatRange([3.01, 3.04])).toBe('3');
    expect(formatRange([3, 4.5])).toBe('3 – 4.5');
  });
});

describe('inches with fractions', () => {
  it.each([
    ['20 1/4 in', 51.435],
    ['20 1/4"', 51.435],
    ['3/8 in', 0.9525],
  ])('%s are read', (text, cm) => {
    const parsed = parseQuantity(text, 'length');
    expect(parsed.ok && parsed.value).toBeCloseTo(cm, 6);
  });

  it('are not read when they divide by nothing', () => {
    expect(parseQuantity('1/0 in', 'length').ok).toBe(false);
  });
});
