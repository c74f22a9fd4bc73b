import fc from 'fast-check';
import { resolveSpecies, SHIPPED_SPECIES } from '../species';
import { airlessHours } from './crowding';
import { decideSorting } from './decideSorting';
import { faultRates, type Selection } from './faults';
import { compareGrading, dangerRatio, shareAtRisk, suggestClasses } from './grading';
import { expectedInPond, markRecapture } from './pond';

const species = (key: string) => {
  const profile = SHIPPED_SPECIES.find((one) => one.key === key);
  if (!profile) throw new Error(key);
  return resolveSpecies(profile);
};

describe('sorting by size', () => {
  it('suggests three classes that hold every length once, or one where they are even', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 80, noNaN: true }),
        fc.double({ min: 0.1, max: 0.35, noNaN: true }),
        (mean, spread) => {
          const classes = suggestClasses(mean, spread);
          expect(classes.map(({ name }) => name)).toEqual(['large', 'middle', 'small']);
          const [large, middle, small] = classes;
          expect([large?.fromMm, middle?.fromMm]).toEqual([middle?.toMm, small?.toMm]);
          expect([large?.toMm, small?.fromMm]).toEqual([null, null]);
          for (const { fromMm, toMm, aboutMm } of classes)
            expect(aboutMm >= (fromMm ?? 0) - 0.5 && aboutMm <= (toMm ?? Infinity) + 0.5).toBe(true);
        },
      ),
    );
    expect(suggestClasses(20, 0.05)).toEqual([{ name: 'all', fromMm: null, toMm: null, aboutMm: 20 }]);
  });

  it('adds up, or says what became of the rest; more than booked can only be a wrong count', () => {
    const classes = [{ heads: 20 }, { heads: 26 }];
    expect(decideSorting(46, classes, null)).toEqual({ ok: true, missing: 0 });
    expect(decideSorting(50, classes, 'jumped')).toEqual({ ok: true, missing: 4 });
    expect(decideSorting(50, classes, null)).toMatchObject({
      ok: false,
      field: 'classes',
      message: expect.stringMatching(/^46 counted, 50 in the log: 4 are missing/) as string,
    });
    expect(decideSorting(40, classes, 'eaten')).toMatchObject({ ok: false, field: 'rest' });
    expect(decideSorting(40, classes, 'wrongCount')).toEqual({ ok: true, missing: -6 });
    expect(decideSorting(40, [{ heads: 0 }], 'wrongCount')).toMatchObject({ ok: false, field: 'classes' });
  });

  it('says who is in danger of their own: more the wider they scatter, and soonest where they moult', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.5, noNaN: true }), (cv) => {
        expect(shareAtRisk(cv * 1.2, 3)).toBeGreaterThanOrEqual(shareAtRisk(cv, 3));
        expect(shareAtRisk(cv, 1.3)).toBeGreaterThan(shareAtRisk(cv, 3));
      }),
    );
    expect([dangerRatio(species('yabby')), dangerRatio(species('angelfish'))]).toEqual([1.3, 3]);
    const [bySize, together] = compareGrading(0.3, 3, 1, 60);
    expect(bySize?.atRisk ?? 1).toBeLessThan(together?.atRisk ?? 0);
    expect([bySize?.tanks, together?.tanks, together?.sortings]).toEqual([3, 1, 0]);
  });
});

describe('a pond', () => {
  it('holds about as many as marks say that were caught again, and never fewer than were held', () => {
    // Chapman 1951: (51 × 61 / 13) - 1 of fifty marked, sixty caught, twelve with a mark.
    expect(markRecapture({ marked: 50, caught: 60, recaught: 12 }).estimate).toBeCloseTo((51 * 61) / 13 - 1, 9);
    expect(() => markRecapture({ marked: 5, caught: 9, recaught: 6 })).toThrow(/than you marked/);
    expect(() => markRecapture({ marked: 9, caught: 5, recaught: 6 })).toThrow(/than you caught/);
    expect(() => markRecapture({ marked: 9, caught: 5, recaught: 0 })).toThrow(/draw the seine again/);
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 400 }),
        fc.integer({ min: 5, max: 400 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (marked, caught, part) => {
          const recaught = Math.max(1, Math.floor(Math.min(marked, caught) * part));
          const { estimate, low95, high95 } = markRecapture({ marked, caught, recaught });
          expect(low95 >= marked + caught - recaught && low95 <= Math.max(estimate, low95) && high95 >= estimate).toBe(true);
        },
      ),
    );
  });

  it('covers the true number with nineteen of twenty estimates', () => {
    let seed = 11;
    const random = () => (seed = (seed * 1_664_525 + 1_013_904_223) >>> 0) / 4_294_967_296;
    let inside = 0;
    for (let round = 0; round < 400; round++) {
      const living = 150 + Math.floor(random() * 300);
      const marked = Math.floor(living * 0.25);
      let [caught, recaught] = [0, 0];
      for (let i = 0; i < living; i++)
        if (random() < 0.3) {
          caught++;
          if (i < marked) recaught++;
        }
      if (recaught === 0) continue;
      const { low95, high95 } = markRecapture({ marked, caught, recaught });
      if (low95 <= living && living <= high95) inside++;
    }
    expect(inside / 400).toBeGreaterThan(0.92);
  });

  it('is expected to hold fewer the longer they are out, within what its species keeps', () => {
    const { figures } = species('ranchu-goldfish');
    const [young, old] = [expectedInPond(figures, 240, 30), expectedInPond(figures, 240, 110)];
    expect(old.mid).toBeLessThan(young.mid);
    for (const { low, mid, high } of [young, old]) expect(low < mid && mid < high && high <= 240).toBe(true);
  });
});

describe('water without air', () => {
  it('lasts the shorter the warmer it is and the more live in it', () => {
    const hours = airlessHours(50, 60, 25) ?? 0;
    expect(hours).toBeGreaterThan(5);
    expect(airlessHours(100, 60, 25)).toBeCloseTo(hours / 2, 9);
    expect(airlessHours(50, 60, 30) ?? 99).toBeLessThan(hours * 0.75);
    expect(airlessHours(0, 60, 25)).toBeNull();
  });
});

describe('faults', () => {
  const seen = (cross: string, count: number, faults: Selection['faults']): Selection => ({
    broodId: cross,
    speciesKey: 'angelfish',
    cross,
    seen: count,
    faults,
    decisions: {},
  });
  it('are summed by cross, the most frequent first, with a range that more young narrow', () => {
    const rates = faultRates([
      seen('A × B', 20, { spine: 1 }),
      seen('A × B', 40, { spine: 2, fins: 6 }),
      seen('C × D', 10, { spine: 1 }),
    ]);
    expect(rates.map(({ cross, fault, count, seen: of }) => [cross, fault, count, of])).toEqual([
      ['C × D', 'spine', 1, 10],
      ['A × B', 'fins', 6, 60],
      ['A × B', 'spine', 3, 60],
    ]);
    const width = (i: number) => (rates[i]?.rate.high95 ?? 0) - (rates[i]?.rate.low95 ?? 0);
    expect(width(2)).toBeLessThan(width(0));
  });
});
