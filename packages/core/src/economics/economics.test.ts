import fc from 'fast-check';
import { costPerFish, shelf } from './index';

const money = fc.integer({ min: 0, max: 100_000 }).map((cents) => cents / 100);
const costs = fc.array(fc.record({ kind: fc.constantFrom('food', 'eggs', 'salt'), amount: money }), { maxLength: 8 });
const heating = fc.record({
  lossWPerK: fc.double({ min: 0, max: 20, noNaN: true }),
  meanAirC: fc.double({ min: 5, max: 35, noNaN: true }),
  targetC: fc.double({ min: 18, max: 30, noNaN: true }),
  days: fc.integer({ min: 0, max: 365 }),
  pricePerKwh: fc.double({ min: 0, max: 1, noNaN: true }),
});

describe('what a fish cost', () => {
  it('is the sum of its parts over those that are ready', () => {
    fc.assert(
      fc.property(costs, fc.nat(400), money, fc.option(heating), fc.nat(300), (some, tankDays, rate, warm, ready) => {
        const told = costPerFish({ costs: some, tankDays, tankDayRate: rate, heating: warm, fishReady: ready });
        expect(told.total).toBeCloseTo(told.directCost + told.tankCost + told.heatingCost, 6);
        if (ready === 0) expect(told.perFish).toBeNull();
        else expect(told.perFish! * ready).toBeCloseTo(told.total, 6);
      }),
    );
  });

  it('has no heat in it where the room is as warm as the tank, and twice as much for twice the days', () => {
    fc.assert(
      fc.property(heating, (warm) => {
        const of = (days: number, meanAirC = warm.meanAirC) =>
          costPerFish({ costs: [], tankDays: 0, tankDayRate: 0, heating: { ...warm, days, meanAirC }, fishReady: 1 }).heatingKwh;
        expect(of(warm.days, warm.targetC + 1)).toBe(0);
        expect(of(2 * warm.days)).toBeCloseTo(2 * of(warm.days), 6);
      }),
    );
    // 5 W for each of 6 degrees over ten days: 0.03 kW for 240 h.
    const week = { lossWPerK: 5, meanAirC: 20, targetC: 26, days: 10, pricePerKwh: 0.25 };
    expect(costPerFish({ costs: [], tankDays: 0, tankDayRate: 0, heating: week, fishReady: 6 })).toMatchObject({
      heatingKwh: 7.2,
      heatingCost: 1.8,
      perFish: 0.3,
    });
  });
});

describe('what a shelf earns', () => {
  it('is told for each litre and week; without room there is nothing to tell', () => {
    expect(
      shelf({
        tanks: [
          { litres: 54, days: 70 },
          { litres: 20, days: 7 },
        ],
        income: [{ amount: 100 }],
        costs: [{ amount: 44 }],
      }),
    ).toEqual({ litreWeeks: 560, net: 56, perLitreWeek: 0.1 });
    expect(shelf({ tanks: [], income: [{ amount: 3 }], costs: [] })).toMatchObject({ net: 3, perLitreWeek: null });
  });

  it('does not change when a tank is written as two of half its time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 200 }), costs, (litres, days, some) => {
        const whole = shelf({ tanks: [{ litres, days: 2 * days }], income: [], costs: some });
        const halves = shelf({
          tanks: [
            { litres, days },
            { litres, days },
          ],
          income: [],
          costs: some,
        });
        expect(halves.perLitreWeek).toBeCloseTo(whole.perLitreWeek!, 10);
        expect(halves.net).toBe(whole.net);
      }),
    );
  });
});
