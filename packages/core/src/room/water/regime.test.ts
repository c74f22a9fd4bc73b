import fc from 'fast-check';
import { addDays } from '../../time';
import {
  dilution,
  estimateProduction,
  forecastRegime,
  mineralSalts,
  nextChangeDay,
  sourceValues,
  type Analysis,
  type Regime,
} from '../index';

const START = '2026-03-01';
const regime = (more: Partial<Regime> = {}): Regime => ({
  changeFraction: 0.3,
  everyDays: 7,
  ceilingPpm: 40,
  from: START,
  ...more,
});

describe('a change regime', () => {
  it('is due from its first day, then so many days after the last change; never when on demand', () => {
    expect(nextChangeDay(regime(), null)).toBe(START);
    expect(nextChangeDay(regime(), '2026-02-20')).toBe(START);
    expect(nextChangeDay(regime(), '2026-03-04')).toBe('2026-03-11');
    expect(nextChangeDay(regime({ everyDays: null }), '2026-03-04')).toBeNull();
  });

  it('is forecast as the dilution sum has it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.integer({ min: 1, max: 14 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (ppmPerDay, everyDays, changeFraction) => {
          const { curve } = forecastRegime({
            start: { day: START, ppm: 20 },
            ppmPerDay,
            sourcePpm: 4,
            regime: regime({ everyDays, changeFraction }),
            lastChange: START,
            days: 40,
          });
          const { dailyPpm } = dilution({
            startPpm: 20,
            productionPpmPerDay: ppmPerDay,
            sourcePpm: 4,
            changeFraction,
            everyDays,
            days: 40,
          });
          for (const [i, ppm] of dailyPpm.entries()) expect(curve[i + 1]?.ppm).toBeCloseTo(ppm, 9);
        },
      ),
    );
  });

  it('says the first day above its ceiling, before the change of that day', () => {
    const run = (ppmPerDay: number) =>
      forecastRegime({ start: { day: START, ppm: 30 }, ppmPerDay, sourcePpm: 0, regime: regime(), lastChange: START, days: 60 })
        .exceedsOn;
    expect(run(2)).toBe(addDays(START, 6));
    // 30 + 7 x 1 = 37, later lower: it holds.
    expect(run(1)).toBeNull();
  });

  it('finds again what comes in each day, from readings and the changes between them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.array(fc.record({ day: fc.integer({ min: 1, max: 58 }), fraction: fc.double({ min: 0.05, max: 0.9, noNaN: true }) }), {
          maxLength: 8,
        }),
        (ppmPerDay, wishes) => {
          const changes = [...new Map(wishes.map((wish) => [wish.day, wish])).values()].sort((a, b) => a.day - b.day);
          const readings = [];
          let ppm = 12;
          for (let i = 0; i <= 60; i++) {
            if (i > 0) ppm += ppmPerDay;
            if (i % 6 === 0) readings.push({ day: addDays(START, i), ppm });
            const change = changes.find(({ day }) => day === i);
            if (change) ppm = ppm * (1 - change.fraction) + 5 * change.fraction;
          }
          const found = estimateProduction(
            readings,
            changes.map(({ day, fraction }) => ({ day: addDays(START, day), fraction })),
            5,
          );
          expect(found?.ppmPerDay).toBeCloseTo(ppmPerDay, 6);
          expect(found?.stretches).toBe(10);
        },
      ),
    );
    expect(estimateProduction([{ day: START, ppm: 10 }], [], 0)).toBeNull();
    expect(
      estimateProduction(
        [
          { day: START, ppm: 10 },
          { day: addDays(START, 5), ppm: 4 },
        ],
        [],
        0,
      )?.ppmPerDay,
    ).toBe(0);
  });
});

describe('mineral salts', () => {
  it('are in proportion to litres and lift, and two steps weigh what one does', () => {
    const label = { grams: 7, litres: 50, ghDeg: 2.5 };
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (litres, first, second) => {
          const grams = (fromGhDeg: number, toGhDeg: number) => mineralSalts({ litres, fromGhDeg, toGhDeg, label }).grams;
          expect(grams(0, first) + grams(first, first + second)).toBeCloseTo(grams(0, first + second), 6);
        },
      ),
    );
  });
});

describe('a source water', () => {
  const analysis = (day: string, ghDeg: number | null, ph: number | null = null): Analysis => ({
    day,
    tempC: null,
    ghDeg,
    khDeg: null,
    tdsPpm: null,
    ph,
    nitratePpm: null,
  });
  const all = [
    analysis('2025-02-10', 14),
    analysis('2025-07-10', 10, 7.2),
    analysis('2026-01-15', 15),
    analysis('2026-02-20', null, 7.6),
  ];

  it('is reckoned with its newest values, or with the mean of this season over the years', () => {
    expect(sourceValues(all, 'newest', '2026-03-01')).toMatchObject({ ghDeg: 15, ph: 7.6, tdsPpm: null });
    expect(sourceValues(all, 'season', '2026-02-15')).toMatchObject({ ghDeg: 14.5, ph: 7.6 });
    expect(sourceValues(all, 'season', '2026-12-20')).toMatchObject({ ghDeg: 15, ph: null });
    expect(sourceValues(all, 'season', '2026-10-01').ghDeg).toBeNull();
  });
});
