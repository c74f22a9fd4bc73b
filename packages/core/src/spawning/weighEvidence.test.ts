import fc from 'fast-check';
import {
  bundled,
  outcomeOf,
  proposeNext,
  recipeFactors,
  sureWords,
  USUAL_RULE,
  weighEvidence,
  type AttemptRecord,
} from './index';
import { completeRecipe } from './recipe';

/** Numbers that look like chance, the same each time. */
function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}
const attempt = (
  i: number,
  worked: boolean | null,
  factors: AttemptRecord['factors'],
  more: Partial<AttemptRecord> = {},
): AttemptRecord => ({
  id: String(i),
  name: `Try ${i}`,
  speciesKey: 'lemon-tetra',
  factors,
  spawnedAfterDays: worked ? 2 : null,
  waitedDays: 20,
  isEnded: worked !== null,
  eggs: null,
  fertile: null,
  hatched: null,
  swimming: null,
  ...more,
});
const tries = (n: number, factorsOf: (i: number) => AttemptRecord['factors'], works: (i: number) => boolean) =>
  Array.from({ length: n }, (_, i) => attempt(i, works(i), factorsOf(i)));

describe('whether an attempt came out well', () => {
  it('by days waits until they are over, unless it was ended', () => {
    const judged = (more: Partial<AttemptRecord>) => outcomeOf({ ...attempt(0, null, {}), isEnded: false, ...more }, USUAL_RULE);
    expect(judged({ spawnedAfterDays: 14 })).toBe(true);
    expect(judged({ spawnedAfterDays: 15 })).toBe(false);
    expect(judged({ waitedDays: 14 })).toBeNull();
    expect(judged({ waitedDays: 14.1 })).toBe(false);
    expect(judged({ waitedDays: 3, isEnded: true })).toBe(false);
  });

  it('by shares is known once eggs were counted, and only for what was seen', () => {
    const by = (outcome: 'fertile' | 'hatched' | 'swimming', more: Partial<AttemptRecord>) =>
      outcomeOf({ ...attempt(0, true, {}), eggs: 100, ...more }, { outcome, withinDays: 14, share: 0.7 });
    expect([by('fertile', { fertile: 70 }), by('fertile', { fertile: 69 })]).toEqual([true, false]);
    expect([by('hatched', {}), by('swimming', { swimming: 90, eggs: null })]).toEqual([null, null]);
  });
});

describe('what worked', () => {
  it('finds a planted effect and leaves a belief alone', () => {
    const roll = dice(5);
    const found = weighEvidence(
      tries(
        40,
        (i) => ({ 'lever:cooler': i % 2 === 0, fullMoon: i % 7 === 0, tempC: 24 + (i % 5) / 2 }),
        (i) => roll() < (i % 2 === 0 ? 0.85 : 0.25),
      ),
      USUAL_RULE,
    );
    expect(found.rows[0]).toMatchObject({ factor: 'lever:cooler', claim: true, with: { trials: 20 }, without: { trials: 20 } });
    expect(sureWords(found.rows[0]!)).toMatch(/^Works better in your tanks \(almost certain\)$/);
    const moon = found.rows.find(({ factor }) => factor === 'fullMoon');
    expect([moon?.claim, moon && sureWords(moon)]).toEqual([false, expect.not.stringContaining('likely')]);
  });

  it('claims falsely in no more houses than it says, where nothing matters', () => {
    const roll = dice(11);
    let houses = 0;
    for (let house = 0; house < 60; house++) {
      const records = tries(
        30,
        () => Object.fromEntries(Array.from({ length: 10 }, (_, k) => [`tag:${k}`, roll() < 0.5])),
        () => roll() < 0.5,
      );
      if (weighEvidence(records, USUAL_RULE).rows.some(({ claim }) => claim)) houses++;
    }
    // Where all are null any claim is a false one; Fisher's test is careful, so it stays well below a tenth.
    expect(houses / 60).toBeLessThanOrEqual(0.1);
  });

  it('names what always went together, tells it once, and proposes to part it', () => {
    const records = tries(
      20,
      (i) => ({ 'lever:cooler': i % 2 === 0, 'lever:flow': i % 2 === 0, bareTank: i % 2 === 1 }),
      (i) => i % 2 === 0,
    );
    const { rows } = weighEvidence(records, USUAL_RULE);
    expect(rows.find(({ factor }) => factor === 'lever:cooler')?.together.sort()).toEqual(['bareTank', 'lever:flow']);
    expect(bundled(rows)).toHaveLength(1);
    const next = proposeNext(rows, records[0]?.factors ?? {});
    expect(next).toMatchObject({ aim: 'teach', factor: 'lever:flow', set: false });
    expect(next?.words).toContain('with cooler change but without more flow');
  });

  it('says what only mostly went with something surer', () => {
    const roll = dice(3);
    const records = tries(
      60,
      (i) => ({ 'lever:cooler': i % 2 === 0, 'tag:rainy': roll() < 0.8 ? i % 2 === 0 : i % 2 === 1 }),
      (i) => i % 2 === 0,
    );
    const { rows } = weighEvidence(records, USUAL_RULE);
    expect(rows.map(({ factor, often }) => [factor, often])).toEqual([
      ['lever:cooler', []],
      ['tag:rainy', ['lever:cooler']],
    ]);
  });

  it('proposes what helped and was left out, before what is little known', () => {
    const records = tries(
      24,
      (i) => ({ 'lever:cooler': i >= 12, 'lever:dark': i % 12 === 0 }),
      (i) => i >= 12,
    );
    const { rows } = weighEvidence(records, USUAL_RULE);
    expect(proposeNext(rows, { 'lever:cooler': false, 'lever:dark': false })).toMatchObject({
      factor: 'lever:cooler',
      set: true,
      aim: 'succeed',
    });
    expect(proposeNext(rows, { 'lever:cooler': true, 'lever:dark': false })).toMatchObject({
      factor: 'lever:dark',
      aim: 'teach',
    });
    expect(proposeNext([], {})).toBeNull();
  });

  it('parts a number at its middle, and leaves out what never changed', () => {
    const records = tries(
      10,
      (i) => ({ tempC: 20 + i, ph: 7, covered: true }),
      (i) => i > 5,
    );
    const { rows } = weighEvidence(records, USUAL_RULE);
    expect(rows.map(({ factor }) => factor)).toEqual(['tempC']);
    expect(rows[0]).toMatchObject({ withWords: '25 °C or more', withoutWords: 'less', with: { successes: 4, trials: 5 } });
  });

  it('counts every judged attempt once on one side at most, whatever is known of it', () => {
    const known = fc.option(fc.boolean(), { nil: null });
    fc.assert(
      fc.property(
        fc.array(fc.record({ worked: fc.boolean(), a: known, b: fc.option(fc.integer({ min: 0, max: 9 }), { nil: null }) }), {
          maxLength: 40,
        }),
        (made) => {
          const { rows, tried, worked } = weighEvidence(
            made.map(({ worked, a, b }, i) => attempt(i, worked, { a, b })),
            USUAL_RULE,
          );
          expect([tried, worked]).toEqual([made.length, made.filter((one) => one.worked).length]);
          for (const row of rows) expect(row.with.trials + row.without.trials).toBeLessThanOrEqual(tried);
        },
      ),
    );
  });
});

describe('what a recipe says of an attempt', () => {
  it('is its steps, its school where no step was written down, and its site', () => {
    const recipe = completeRecipe({ eggPlan: 'pullEggs', fungus: 'flow', trigger: 'coolChange', dailyChangeFraction: 0.5 });
    expect(recipeFactors(recipe)).toMatchObject({ 'lever:cooler': true, 'lever:dark': false, bareTank: false });
    expect(Object.keys(recipeFactors(recipe)).some((name) => name.startsWith('cover:'))).toBe(false);
    expect(recipeFactors({ ...recipe, cover: [{ kind: 'mop', count: 2 }] })).toMatchObject({
      'cover:mop': true,
      'cover:cave': false,
    });
  });
});
