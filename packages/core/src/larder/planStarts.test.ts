import fc from 'fast-check';
import { cultureYield } from './cultureYield';
import { planStarts } from './planStarts';

type Plan = Parameters<typeof planStarts>[0];

/** Every plan there is, tried one after the other. */
function byHand({ demand, culture, existing, maxStartsPerDay, maxRunning }: Plan): [number, number, number] {
  let best: [number, number, number] = [Infinity, Infinity, Infinity];
  const days = demand.length;
  const counts = new Array<number>(days).fill(0);
  const judge = () => {
    let short = 0;
    for (let day = 0; day < days; day++) {
      const running = counts.reduce(
        (sum, count, s) => sum + (s <= day && day <= s + culture.ripeDays + culture.lastsDays - 1 ? count : 0),
        0,
      );
      const old = (existing ?? []).filter(({ toDay }) => toDay >= day).length;
      if (maxRunning != null && running + old > maxRunning && running > 0) return;
      const given =
        counts.reduce(
          (sum, count, s) =>
            sum +
            (s + culture.ripeDays <= day && day <= s + culture.ripeDays + culture.lastsDays - 1
              ? count * culture.yieldPerDay
              : 0),
          0,
        ) + (existing ?? []).reduce((sum, one) => sum + (one.fromDay <= day && day <= one.toDay ? one.yieldPerDay : 0), 0);
      short += Math.max(0, (demand[day] ?? 0) - given);
    }
    const found: [number, number, number] = [
      short,
      counts.reduce((a, b) => a + b, 0),
      -counts.reduce((sum, count, day) => sum + count * day, 0),
    ];
    const i = found.findIndex((value, k) => Math.abs(value - (best[k] ?? 0)) > 1e-9);
    if (i >= 0 && (found[i] ?? 0) < (best[i] ?? 0)) best = found;
  };
  const walk = (day: number): void => {
    if (day === days) {
      judge();
      return;
    }
    for (let count = 0; count <= (maxStartsPerDay ?? 1); count++) {
      counts[day] = count;
      walk(day + 1);
    }
    counts[day] = 0;
  };
  walk(0);
  return best;
}

describe('when to start cultures', () => {
  it('is as good as the best of all plans tried by hand', () => {
    const plan = fc.record({
      demand: fc.array(fc.integer({ min: 0, max: 25 }), { minLength: 1, maxLength: 7 }),
      culture: fc.record({
        ripeDays: fc.integer({ min: 0, max: 3 }),
        lastsDays: fc.integer({ min: 1, max: 4 }),
        yieldPerDay: fc.integer({ min: 3, max: 12 }),
      }),
      existing: fc.array(
        fc.record({
          fromDay: fc.constant(0),
          toDay: fc.integer({ min: 0, max: 5 }),
          yieldPerDay: fc.integer({ min: 0, max: 9 }),
        }),
        { maxLength: 1 },
      ),
      maxStartsPerDay: fc.integer({ min: 1, max: 2 }),
      maxRunning: fc.option(fc.integer({ min: 1, max: 4 }), { nil: null }),
    });
    fc.assert(
      fc.property(plan, (input) => {
        const { shortfall, started, startDaySum } = planStarts(input);
        const [short, starts, days] = byHand(input);
        expect([shortfall, started, startDaySum]).toEqual([expect.closeTo(short, 6), starts, -days]);
      }),
      { numRuns: 120 },
    );
  });

  it('covers two months of sixty broods well within a third of a second', () => {
    const demand = Array.from({ length: 60 }, (_, day) => 20 + ((day * 37) % 50));
    const started = performance.now();
    const { shortfall } = planStarts({ demand, culture: { ripeDays: 4, lastsDays: 14, yieldPerDay: 10 }, maxStartsPerDay: 8 });
    expect(performance.now() - started).toBeLessThan(2000);
    // Nothing can be ripe on the first four days.
    expect(shortfall).toBeCloseTo(
      demand.slice(0, 4).reduce((sum, value) => sum + value, 0),
      6,
    );
  });
});

describe('what a culture gives for good', () => {
  it('is what a long run settles to', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 0.8, noNaN: true }),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        (ratePerDay, harvestFraction, everyDays) => {
          const days = everyDays * 400;
          const { series, sustainablePerDay, steadyCountAfterHarvest } = cultureYield({
            startCount: 900,
            ratePerDay,
            capacity: 1000,
            harvestFraction,
            everyDays,
            days,
          });
          const grows = (1 - harvestFraction) * Math.exp(ratePerDay * everyDays);
          if (Math.abs(grows - 1) < 0.1) return;
          const late = series.slice(-everyDays * 20).reduce((sum, { harvested }) => sum + harvested, 0) / (everyDays * 20);
          expect(late).toBeCloseTo(sustainablePerDay, 1);
          expect(series.at(-1)?.count).toBeCloseTo(steadyCountAfterHarvest, 1);
        },
      ),
      { numRuns: 60 },
    );
  });
});
