import fc from 'fast-check';
import {
  CULTURE_FOODS,
  CULTURES,
  foodClassOf,
  madeVessel,
  newVessel,
  planTide,
  tideDays,
  type DemandRow,
  type TideClass,
  type TideVessel,
  type TideWishes,
} from './index';

const TODAY = '2026-03-10';
const DAYS = 56;
const infusoria = newVessel('infusoria');
const row = (key: string, from: number, to: number, ml: number): DemandRow => {
  const mid = Array.from({ length: DAYS }, (_, day) => (from <= day && day <= to ? ml : 0));
  return {
    key,
    label: key,
    broodId: null,
    attemptId: null,
    lotId: null,
    tankId: null,
    classKey: 'smallest',
    food: 'infusoria',
    isExpected: true,
    mid,
    low: mid.map((one) => one / 2),
    high: mid.map((one) => one * 2),
  };
};
const running = (id: string, ripeDay: number, lastDay: number, perDay = 300): TideVessel => ({
  ...madeVessel(infusoria, 0, id, 'smallest'),
  state: 'running',
  ripeDay,
  lastDay,
  perDay,
});
const tide = (rows: DemandRow[], vessels: TideVessel[] = []): TideClass => ({
  key: 'smallest',
  rows,
  vessels,
  starts: [infusoria],
  tin: null,
});
const wishes: TideWishes = { food: infusoria, secondSource: true, margin: 0, mostVessels: null };
const withPlan = (of: TideClass, asked = wishes) => {
  const plan = planTide(of, DAYS, asked, TODAY);
  const vessels = [...of.vessels, ...plan.starts.map(({ day }, i) => madeVessel(infusoria, day, `new${i}`, 'smallest'))];
  return { plan, days: tideDays({ ...of, vessels }, DAYS) };
};

describe('supply and demand', () => {
  it('counts on a vessel only from the day it is surely ripe to its last, and hatches what is missing', () => {
    const days = tideDays(tide([row('a', 0, 9, 200)], [running('v', 3, 6)]), DAYS);
    expect(days.map(({ short }) => short).slice(0, 11)).toEqual([200, 200, 200, 0, 0, 0, 0, 200, 200, 200, 0]);
    expect(days[4]).toMatchObject({ demand: 200, low: 100, high: 400, supply: 300, sources: 1 });
  });
});

describe('the plan of starts', () => {
  it('covers every day that can be covered, with two vessels, as late as can be', () => {
    const { plan, days } = withPlan(tide([row('brood', 20, 27, 100)]));
    expect(plan.starts.map(({ day }) => day)).toEqual([20 - infusoria.ripeDays, 20 - infusoria.ripeDays]);
    expect(days.every(({ demand, sources, short }) => demand === 0 || (sources >= 2 && short === 0))).toBe(true);
    expect(plan.starts[0]).toMatchObject({ needKey: 'brood', needFrom: 20 });
    expect(plan.words).toMatch(/^Two starts of infusoria cover it: /);
    expect(plan.offers).toEqual([]);
  });

  it('says what stays short, for whom, and how it is bridged, when it is too late', () => {
    const { plan, days } = withPlan(tide([row('Danio', 0, 12, 100)]));
    expect(days.findIndex(({ short }) => short === 0)).toBe(infusoria.ripeDays);
    expect(plan.tooSoon).toEqual(Array.from({ length: infusoria.ripeDays }, (_, day) => day));
    expect(plan.words).toMatch(/stay short for Danio\.$/);
    expect(plan.offers[0]).toMatch(/^Meanwhile give fine powder/);
  });

  it('is empty when what runs covers it, and when nobody needs anything', () => {
    const two = [running('a', 0, 40), running('b', 0, 40)];
    expect(withPlan(tide([row('brood', 5, 30, 100)], two)).plan).toMatchObject({
      starts: [],
      words: 'You have enough running. Nothing to start.',
    });
    expect(withPlan(tide([])).plan.words).toBe('Nothing needs it in these weeks.');
  });

  it('one crash more makes it start anew; a second source costs one vessel', () => {
    const rows = [row('brood', 14, 24, 100)];
    expect(withPlan(tide(rows, [running('a', 0, 40)])).plan.starts).toHaveLength(1);
    expect(withPlan(tide(rows, [running('a', 0, -1)])).plan.starts).toHaveLength(2);
    expect(withPlan(tide(rows), { ...wishes, secondSource: false }).plan.starts).toHaveLength(1);
  });

  it('keeps to the limit of vessels and covers whatever can be covered, whatever is needed', () => {
    const some = fc.record({
      from: fc.integer({ min: 0, max: 50 }),
      long: fc.integer({ min: 0, max: 14 }),
      ml: fc.integer({ min: 10, max: 900 }),
    });
    fc.assert(
      fc.property(
        fc.array(some, { minLength: 1, maxLength: 4 }),
        fc.option(fc.integer({ min: 2, max: 4 }), { nil: null }),
        (needs, mostVessels) => {
          const of = tide(needs.map(({ from, long, ml }, i) => row(`b${i}`, from, Math.min(DAYS - 1, from + long), ml)));
          const { plan, days } = withPlan(of, { ...wishes, mostVessels });
          const vessels = plan.starts.map(({ day }) => madeVessel(infusoria, day, 'v', 'smallest'));
          for (let day = 0; day < DAYS; day++) {
            const busy = vessels.filter(({ startDay, lastDay }) => startDay <= day && day <= lastDay).length;
            if (mostVessels !== null) expect(busy).toBeLessThanOrEqual(mostVessels);
          }
          if (mostVessels === null)
            expect(
              days.every(
                ({ short, demand }, day) =>
                  demand === 0 || short === 0 || day < infusoria.ripeDays || demand > 9 * infusoria.perDay,
              ),
            ).toBe(true);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('every culture', () => {
  it('is of a class of size, and a new vessel of it gives something', () => {
    for (const food of CULTURE_FOODS) {
      expect([food, foodClassOf(food)]).not.toEqual([food, null]);
      if (!CULTURES[food].batch) expect([food, newVessel(food).perDay > 0]).toEqual([food, true]);
    }
  });
});
