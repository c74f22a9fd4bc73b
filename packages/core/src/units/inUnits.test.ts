import fc from 'fast-check';
import { allInUnits, inUnits } from './inUnits';

const AMERICAN = { temperature: 'degF', volume: 'galUS' } as const;
const METRIC = { temperature: 'degC', volume: 'L' } as const;

describe('a sentence in the units of the house', () => {
  it.each([
    ['25.2 °C', '77.4 °F'],
    ['Lemon tetra want 23 – 27 °C; measured Tue 24 Nov 07:12.', 'Lemon tetra want 73.4 – 80.6 °F; measured Tue 24 Nov 07:12.'],
    ['24 to 30 hours at 27 to 28 °C, 36 to 48 at 22 °C.', '24 to 30 hours at 80.6 to 82.4 °F, 36 to 48 at 71.6 °F.'],
    ['half changed with rain, 5 °C cooler', 'half changed with rain, 9 °F cooler'],
    ['raised by 2 °C over a day', 'raised by 3.6 °F over a day'],
    ['shows 26.8 °C, +1.7 °C since', 'shows 80.2 °F, +3.1 °F since'],
    ['Change water 24 L', 'Change water 6.3 gal'],
    ['25 % of 40 L every day', '25 % of 11 gal every day'],
    ['a rack of 450 kg, 60 cm wide', 'a rack of 992 lb, 24 in wide'],
    ['1 mg/L, 3.3 ml, 4.5 mm, 12 g, 1575 cm² of floor', '1 mg/L, 3.3 ml, 4.5 mm, 12 g, 1575 cm² of floor'],
    ['3 Lemon tetras in L2', '3 Lemon tetras in L2'],
    ['−2 °C outside', '28.4 °F outside'],
    ['60 × 30 × 36 cm, water at 28 cm', '23.6 × 11.8 × 14.2 in, water at 11 in'],
  ])('%s', (metric, american) => {
    expect(inUnits(metric, AMERICAN)).toBe(american);
    expect(inUnits(metric, METRIC)).toBe(metric);
  });

  it('holds no Celsius and no litre any more, whatever the figure, and is turned once', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 45, noNaN: true }), fc.double({ min: 0.1, max: 900, noNaN: true }), (c, l) => {
        const said = inUnits(`It is ${c.toFixed(1)} °C in ${l.toFixed(1)} L.`, AMERICAN);
        expect(said).not.toMatch(/°C|\d L\b/);
        expect(inUnits(said, AMERICAN)).toBe(said);
      }),
    );
  });

  it('reaches every sentence of a reply but names and what was typed', () => {
    const reply = { chores: [{ text: 'at 25 °C', why: ['20 L'] }], note: '25 °C', name: 'Tank 20 L', tempC: 25, none: null };
    expect(allInUnits(reply, AMERICAN)).toEqual({
      chores: [{ text: 'at 77 °F', why: ['5.3 gal'] }],
      note: '25 °C',
      name: 'Tank 20 L',
      tempC: 25,
      none: null,
    });
    expect(allInUnits(reply, METRIC)).toBe(reply);
  });
});
