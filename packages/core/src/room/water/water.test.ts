import fc from 'fast-check';
import {
  blend,
  changeForLimit,
  changeToTemperature,
  co2FromPh,
  dilution,
  dripAcclimation,
  freeAmmonia,
  lossFromCooling,
  newWaterTemperature,
  oxygenSaturation,
  phFromCarbonate,
  rewarm,
  shares,
  topOff,
  type SourceWater,
} from '../index';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const part = fc.record({
  litres: number(1, 200),
  tempC: number(4, 32),
  ghDeg: number(0, 30),
  khDeg: number(0.5, 20),
  tdsPpm: number(5, 800),
  ph: number(5.8, 8.4),
  nitratePpm: number(0, 60),
});

describe('a blend', () => {
  it('lies between its waters in everything that is conserved, and keeps what was in them', () => {
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 4 }), (parts) => {
        const mixed = blend({ parts });
        for (const field of ['tempC', 'ghDeg', 'khDeg', 'tdsPpm', 'nitratePpm'] as const) {
          const all = parts.map((one) => one[field]);
          expect(mixed[field]).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
          expect(mixed[field]).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
          expect((mixed[field] ?? 0) * mixed.litres).toBeCloseTo(
            parts.reduce((sum, one) => sum + one.litres * one[field], 0),
            5,
          );
        }
      }),
    );
  });

  it('of a water with itself has its own pH; in the order of its parts nothing changes', () => {
    fc.assert(
      fc.property(part, part, (a, b) => {
        // A pH above what the alkalinity allows counts as no carbon; such a water is left out here.
        const carries = phFromCarbonate({ khDeg: a.khDeg, tempC: a.tempC, co2MgPerL: 0.05, tdsPpm: a.tdsPpm }).ph > a.ph;
        if (carries) expect(blend({ parts: [a, { ...a, litres: 3 }] }).phClosed).toBeCloseTo(a.ph, 5);
        expect(blend({ parts: [a, b] }).phClosed).toBeCloseTo(blend({ parts: [b, a] }).phClosed, 9);
      }),
    );
  });

  it('is no average of pH: two waters of pH 7 can make another', () => {
    const soft = { litres: 50, tempC: 24, ghDeg: 1, khDeg: 0.5, tdsPpm: 20, ph: 7 };
    const hard = { litres: 50, tempC: 24, ghDeg: 15, khDeg: 12, tdsPpm: 400, ph: 8 };
    const { phClosed, phAired } = blend({ parts: [soft, hard] });
    expect(phClosed).toBeGreaterThan(7.6);
    expect(phAired).toBeGreaterThan(phClosed);
  });

  it('of nothing is refused', () => {
    expect(() => blend({ parts: [] })).toThrow(expect.objectContaining({ code: 'emptyParts' }));
    expect(() => blend({ parts: [{ litres: 0, tempC: 20, ghDeg: 1, khDeg: 1, tdsPpm: 20, ph: 7 }] })).toThrow(
      expect.objectContaining({ code: 'outOfRange' }),
    );
  });
});

describe('carbon dioxide and pH', () => {
  it('lead to each other and back', () => {
    fc.assert(
      fc.property(number(0.5, 20), number(5, 35), number(1, 60), (khDeg, tempC, co2MgPerL) => {
        const { ph } = phFromCarbonate({ khDeg, tempC, co2MgPerL });
        expect(co2FromPh({ khDeg, tempC, ph }).co2MgPerL / co2MgPerL).toBeCloseTo(1, 5);
      }),
    );
  });

  it('go against each other: more of the one, less of the other; more alkalinity, more pH', () => {
    const ph = (khDeg: number, co2MgPerL: number) => phFromCarbonate({ khDeg, tempC: 25, co2MgPerL }).ph;
    expect(ph(4, 30)).toBeLessThan(ph(4, 15));
    expect(ph(8, 15)).toBeGreaterThan(ph(4, 15));
  });
});

describe('shares of source waters', () => {
  const source = fc.record({ ghDeg: number(0, 25), khDeg: number(0, 15), tdsPpm: number(2, 600), tempC: number(5, 25) });
  const named = (list: Omit<SourceWater, 'name'>[]): SourceWater[] => list.map((one, i) => ({ ...one, name: `water ${i + 1}` }));

  it('are never negative, add up, and beat every mixture tried at random', () => {
    fc.assert(
      fc.property(
        fc.array(source, { minLength: 1, maxLength: 4 }),
        number(0, 20),
        number(0, 12),
        fc.array(number(0.001, 1), { minLength: 4, maxLength: 4 }),
        (list, ghDeg, khDeg, random) => {
          const sources = named(list);
          const found = shares({ sources, target: { litres: 60, ghDeg, khDeg } });
          expect(found.litres.every(({ litres }) => litres >= 0)).toBe(true);
          expect(found.litres.reduce((sum, { litres }) => sum + litres, 0)).toBeCloseTo(60, 6);
          const miss = (mixed: { ghDeg: number; khDeg: number }) =>
            ((mixed.ghDeg - ghDeg) / Math.max(ghDeg, 1)) ** 2 + ((mixed.khDeg - khDeg) / Math.max(khDeg, 1)) ** 2;
          const weights = random.slice(0, sources.length);
          const total = weights.reduce((sum, weight) => sum + weight, 0);
          const tried = { ghDeg: 0, khDeg: 0 };
          sources.forEach((one, i) => {
            tried.ghDeg += (one.ghDeg * (weights[i] ?? 0)) / total;
            tried.khDeg += (one.khDeg * (weights[i] ?? 0)) / total;
          });
          expect(miss(found.achieved)).toBeLessThanOrEqual(miss(tried) + 1e-9);
        },
      ),
    );
  });

  it('reach what a mixture of them was, exactly', () => {
    fc.assert(
      fc.property(fc.tuple(source, source), number(0.05, 0.95), ([a, b], share) => {
        const wished = { ghDeg: a.ghDeg * share + b.ghDeg * (1 - share), tdsPpm: a.tdsPpm * share + b.tdsPpm * (1 - share) };
        expect(shares({ sources: named([a, b]), target: { litres: 40, ...wished } }).exact).toBe(true);
      }),
    );
  });

  it('take as much as possible of the first water where it makes no difference', () => {
    const tap = { ghDeg: 10, khDeg: 8, tdsPpm: 300 };
    const found = shares({
      sources: [
        { name: 'tap', ...tap },
        { name: 'aged tap', ...tap },
        { name: 'osmosis', ghDeg: 0, khDeg: 0, tdsPpm: 5 },
      ],
      target: { litres: 100, ghDeg: 5 },
    });
    expect(found.litres.map(({ litres }) => Math.round(litres))).toEqual([50, 0, 50]);
  });
});

describe('warmth', () => {
  it('by changing water leads where it says, both ways round', () => {
    fc.assert(
      fc.property(
        number(20, 300),
        number(20, 30),
        number(5, 19),
        number(0.01, 0.99),
        (tankLitres, tankTempC, newTempC, share) => {
          const targetTempC = tankTempC + (newTempC - tankTempC) * share;
          const { changeLitres, fraction } = changeToTemperature({ tankLitres, tankTempC, newTempC, targetTempC });
          expect(fraction).toBeCloseTo(share, 9);
          expect(newWaterTemperature({ tankLitres, tankTempC, targetTempC, changeLitres }).newTempC).toBeCloseTo(newTempC, 5);
        },
      ),
    );
  });

  it('comes back by the heater as a step-by-step walk says', () => {
    fc.assert(
      fc.property(
        number(20, 200),
        number(15, 24),
        number(0.5, 5),
        number(50, 300),
        number(1, 6),
        (litres, fromC, step, heaterW, lossWPerK) => {
          const airC = 19;
          const found = rewarm({ litres, fromC, toC: fromC + step, heaterW, airC, lossWPerK });
          if (found.hours === null) {
            expect(airC + heaterW / lossWPerK).toBeLessThanOrEqual(fromC + step + 1e-9);
            return;
          }
          let [tempC, seconds] = [fromC, 0];
          while (tempC < fromC + step && seconds < 3600 * 400) {
            tempC += ((heaterW - lossWPerK * (tempC - airC)) / (4186 * litres)) * 30;
            seconds += 30;
          }
          if (seconds < 3600 * 400) expect(seconds / 3600).toBeCloseTo(found.hours, 0);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('lost overnight tells the loss that rewarming then uses', () => {
    const { lossWPerK } = lossFromCooling({ litres: 100, startC: 26, endC: 24, hours: 10, airC: 19 });
    expect(lossWPerK).toBeCloseTo(3.9, 1);
    expect(rewarm({ litres: 100, fromC: 24, toC: 26, heaterW: 100, airC: 19, lossWPerK }).hours).toBeGreaterThan(2);
  });

  it('is not promised where the heater is too weak', () => {
    expect(rewarm({ litres: 100, fromC: 20, toC: 30, heaterW: 25, airC: 18, lossWPerK: 4 })).toMatchObject({
      hours: null,
      canReach: false,
      ceilingC: 24.25,
    });
  });
});

describe('change regimes', () => {
  it('settle at the peak and trough they promise', () => {
    fc.assert(
      fc.property(
        number(0, 80),
        number(0.1, 5),
        number(0, 20),
        number(0.1, 1),
        fc.integer({ min: 1, max: 14 }),
        (startPpm, productionPpmPerDay, sourcePpm, changeFraction, everyDays) => {
          const found = dilution({ startPpm, productionPpmPerDay, sourcePpm, changeFraction, everyDays, days: everyDays * 200 });
          expect(found.dailyPpm.at(-1)).toBeCloseTo(found.steadyTroughPpm ?? NaN, 3);
        },
      ),
    );
  });

  it('for a ceiling hold exactly it', () => {
    const { changeFraction } = changeForLimit({ productionPpmPerDay: 2, sourcePpm: 5, everyDays: 7, limitPpm: 30 });
    expect(
      dilution({ startPpm: 5, productionPpmPerDay: 2, sourcePpm: 5, changeFraction, everyDays: 7, days: 7 }).steadyPeakPpm,
    ).toBeCloseTo(30, 9);
    expect(() => changeForLimit({ productionPpmPerDay: 2, sourcePpm: 30, everyDays: 7, limitPpm: 30 })).toThrow(
      'holds as much already',
    );
  });

  it('with pure water topped off leave the salts as they were', () => {
    expect(topOff({ litresFull: 60, evaporatedLitres: 6, tdsPpm: 150, topOffTdsPpm: 0 }).tdsAfterPpm).toBe(150);
    expect(topOff({ litresFull: 60, evaporatedLitres: 6, tdsPpm: 150, topOffTdsPpm: 250 }).tdsAfterPpm).toBe(175);
  });
});

describe('dripping', () => {
  it('ends with the deciding value just within its tolerance', () => {
    fc.assert(
      fc.property(
        number(0.2, 3),
        number(0.2, 5),
        number(0, 600),
        number(0, 600),
        number(5, 60),
        (bagLitres, dripLitresPerHour, from, to, allowed) => {
          const found = dripAcclimation({
            bagLitres,
            dripLitresPerHour,
            bag: { tdsPpm: from },
            tank: { tdsPpm: to },
            tolerance: { tdsPpm: allowed },
          });
          const left = (Math.abs(from - to) * bagLitres) / found.finalLitres;
          expect(left).toBeLessThanOrEqual(allowed + 1e-6);
          expect(found.limitedBy === null ? found.hours : left).toBeCloseTo(found.limitedBy === null ? 0 : allowed, 6);
        },
      ),
    );
  });

  it('cannot be decided by pH', () => {
    expect(() =>
      dripAcclimation({ bagLitres: 1, dripLitresPerHour: 1, bag: { ph: 7 }, tank: { ph: 6 }, tolerance: { ph: 0.2 } }),
    ).toThrow(expect.objectContaining({ code: 'notConservative' }));
  });
});

describe('gases', () => {
  it('ammonia is the more poisonous the higher pH and warmth', () => {
    const share = (tempC: number, ph: number) => freeAmmonia({ totalAmmoniaNPpm: 1, tempC, ph }).fraction;
    expect(share(25, 8)).toBeCloseTo(0.0538, 4);
    expect(share(25, 7)).toBeCloseTo(0.00566, 5);
    expect(share(28, 8)).toBeGreaterThan(share(25, 8));
  });

  it.each([
    [0, 14.62],
    [10, 11.29],
    [20, 9.09],
    [25, 8.26],
    [30, 7.56],
  ])('water of %d °C holds %d mg of oxygen per litre', (tempC, published) => {
    expect(oxygenSaturation({ tempC }).mgPerL).toBeCloseTo(published, 2);
  });

  it('thin and salty air and water hold less', () => {
    const fresh = oxygenSaturation({ tempC: 25 }).mgPerL;
    expect(oxygenSaturation({ tempC: 25, altitudeM: 1500 }).mgPerL).toBeLessThan(fresh);
    expect(oxygenSaturation({ tempC: 25, salinityPpt: 15 }).mgPerL).toBeLessThan(fresh);
  });
});
