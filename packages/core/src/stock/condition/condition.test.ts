import fc from 'fast-check';
import { breederLimits } from './breederCondition';
import { checkCompany } from './checkCompany';
import { decideBreederReadiness, scoreTrend, type BreederFacts } from './decideBreederReadiness';
import { ripeIn } from './ripeIn';
import { expectedLengthMm, METHOD_TEMPLATES, METHODS } from '../../species';
import { rankAnimals, selectionIntensity } from '../selection/selection';

const limits = breederLimits('caveGuarder', METHOD_TEMPLATES.caveGuarder.figures);
const fit: BreederFacts = {
  sex: 'female',
  ageDays: limits.minDays + 50,
  lengthMm: limits.minMm + 5,
  score: { value: 4, daysAgo: 2 },
  daysSinceSpawn: 60,
  month: 6,
  males: 1,
  females: 2,
};
const unmet = (facts: BreederFacts) =>
  decideBreederReadiness(facts, limits)
    .checks.filter(({ state }) => state === 'unmet')
    .map(({ what }) => what);

describe('readiness of a breeder', () => {
  it('holds when all is met, and names the one thing that is not', () => {
    expect(decideBreederReadiness(fit, limits).state).toBe('ready');
    expect(unmet({ ...fit, ageDays: limits.minDays - 1 })).toEqual(['age']);
    expect(unmet({ ...fit, lengthMm: limits.minMm - 1 })).toEqual(['size']);
    expect(unmet({ ...fit, score: { value: 3, daysAgo: 1 } })).toEqual(['score']);
    expect(unmet({ ...fit, daysSinceSpawn: limits.femaleRestDays - 1 })).toEqual(['rest']);
    expect(unmet({ ...fit, sex: 'mixed', females: 9 })).toEqual(['ratio']);
    expect(unmet({ ...fit, sex: 'mixed', males: 0 })).toEqual(['ratio']);
  });

  it('turns the year round for a house in the south', () => {
    const pond = breederLimits('pondGroup', METHOD_TEMPLATES.pondGroup.figures);
    const months = (isSouth: boolean) =>
      Array.from({ length: 12 }, (_, i) => i + 1).filter((month) =>
        decideBreederReadiness({ ...fit, month, isSouth }, pond).checks.every(({ what }) => what !== 'season'),
      );
    const [north, south] = [months(false), months(true)];
    expect(south).toEqual(north.map((month) => ((month + 5) % 12) + 1).sort((a, b) => a - b));
    const words = (month: number) =>
      decideBreederReadiness({ ...fit, month, isSouth: true }, pond).checks.find(({ what }) => what === 'season')?.words;
    expect(north).toEqual([3, 4, 5, 6, 7, 8, 9]);
    expect(words(6)).toMatch(/Sep.*Mar/);
    expect(words(6)).not.toContain('Jun');
  });

  it('lets a male rest less long than a female', () => {
    expect(limits.maleRestDays).toBeLessThan(limits.femaleRestDays);
    expect(unmet({ ...fit, sex: 'male', daysSinceSpawn: limits.maleRestDays })).toEqual([]);
    expect(unmet({ ...fit, sex: 'female', daysSinceSpawn: limits.maleRestDays })).toEqual(['rest']);
  });

  it('is not known until somebody looks, or looks again', () => {
    expect(decideBreederReadiness({ ...fit, score: null }, limits).state).toBe('unknown');
    expect(decideBreederReadiness({ ...fit, score: { value: 5, daysAgo: 30 } }, limits).state).toBe('unknown');
    expect(decideBreederReadiness({ ...fit, sex: 'unsexed' }, limits).state).toBe('unknown');
  });

  it('names who is due for replacement without keeping them from spawning', () => {
    const old = decideBreederReadiness({ ...fit, ageDays: limits.maxDays + 1 }, limits);
    expect(old).toMatchObject({ state: 'ready', isDueForReplacement: true });
  });

  it('waits for the season only where there is one', () => {
    const pond = breederLimits('pondGroup', METHOD_TEMPLATES.pondGroup.figures);
    const facts = { ...fit, ageDays: pond.minDays, lengthMm: pond.minMm };
    expect(decideBreederReadiness({ ...facts, month: 11 }, pond).state).toBe('notReady');
    expect(decideBreederReadiness({ ...facts, month: 5 }, pond).state).toBe('ready');
  });

  it('has signs and sensible limits for every method', () => {
    for (const method of METHODS) {
      expect(METHOD_TEMPLATES[method].conditionSigns.length).toBeGreaterThan(2);
      const { minDays, maxDays, femalesPerMale } = breederLimits(method, METHOD_TEMPLATES[method].figures);
      expect(maxDays).toBeGreaterThan(minDays * 2);
      expect(femalesPerMale[0]).toBeLessThanOrEqual(femalesPerMale[1]);
    }
    expect(breederLimits('caveGuarder', METHOD_TEMPLATES.caveGuarder.figures, { minScore: 3 }).minScore).toBe(3);
  });
});

describe('the trend of a score', () => {
  it('compares with about a week before', () => {
    expect(
      scoreTrend([
        { day: 0, value: 2 },
        { day: 7, value: 3 },
        { day: 13, value: 5 },
        { day: 14, value: 4 },
      ]),
    ).toBe(1);
    expect(
      scoreTrend([
        { day: 13, value: 5 },
        { day: 14, value: 4 },
      ]),
    ).toBeNull();
    expect(scoreTrend([])).toBeNull();
  });
});

describe('company in a tank', () => {
  it('gets worse, never better, in room with each animal more', () => {
    fc.assert(
      fc.property(fc.nat(20), fc.nat(20), fc.double({ min: 5, max: 500, noNaN: true }), (males, females, litres) => {
        const company = { males, females, unsexed: 0, litres, floorM2: litres / 300, shelters: 4 };
        const met = (more: number) =>
          checkCompany({ ...company, unsexed: more }, limits).filter(({ what, isMet }) => what !== 'ratio' && isMet).length;
        expect(met(3)).toBeLessThanOrEqual(met(0));
      }),
    );
  });

  it('says which sex is missing and how many hiding places', () => {
    const checks = checkCompany({ males: 0, females: 2, unsexed: 0, litres: 60, floorM2: 0.2, shelters: 1 }, limits);
    expect(checks.filter(({ isMet }) => !isMet).map(({ words }) => words)).toEqual([
      'Only females here.',
      '1 hiding places for 2; at least 2.',
    ]);
  });
});

describe('selection', () => {
  it('puts colour before pattern: the first criterion decides', () => {
    const animals = [
      { id: 'a', scores: [3, 5] },
      { id: 'b', scores: [4, 1] },
      { id: 'c', scores: [4, 2] },
      { id: 'd', scores: [3, 5] },
    ];
    expect(rankAnimals(animals).map(({ id }) => id)).toEqual(['c', 'b', 'a', 'd']);
  });

  it('is the stronger the fewer are kept', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 200 }), (of) => {
        const strength = Array.from({ length: of }, (_, i) => selectionIntensity({ kept: i + 1, of }).intensity);
        for (let i = 1; i < of; i++) expect(strength[i]).toBeLessThanOrEqual((strength[i - 1] ?? 0) + 1e-9);
        expect(strength.at(-1)).toBe(0);
      }),
    );
  });
});

describe('young stock', () => {
  const { figures } = METHOD_TEMPLATES.caveGuarder;
  it('is ripe when old enough and long enough, whichever is later', () => {
    const [early, late] = figures.maturityDays;
    expect(ripeIn({ ageDays: 60, lengthMm: null }, figures)).toEqual({ fromDays: early - 60, toDays: late - 60, by: 'age' });
    const runt = ripeIn({ ageDays: early - 5, lengthMm: figures.maturityMm[0] / 2 }, figures);
    expect(runt?.by).toBe('both');
    expect(runt?.fromDays).toBeGreaterThan(5);
  });

  it('of a length grows to the least length of a breeder on the day the curve says', () => {
    const lengthMm = expectedLengthMm(figures, 40);
    const ripe = ripeIn({ ageDays: null, lengthMm }, figures);
    const mm = expectedLengthMm(figures, 40 + (ripe?.fromDays ?? 0));
    expect(Math.abs(mm - figures.maturityMm[0])).toBeLessThan(0.3);
  });

  it('says nothing of animals of which nothing is known, or that could be ripe', () => {
    expect(ripeIn({ ageDays: null, lengthMm: null }, figures)).toBeNull();
    expect(ripeIn({ ageDays: figures.maturityDays[0], lengthMm: null }, figures)).toBeNull();
  });
});
