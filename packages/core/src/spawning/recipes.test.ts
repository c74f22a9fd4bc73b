import fc from 'fast-check';
import { breederLimits } from '../stock';
import { METHOD_TEMPLATES, METHODS, resolveSpecies, SHIPPED_SPECIES } from '../species';
import { addDays, daysBetween } from '../time';
import {
  afterSign,
  attemptState,
  checkDays,
  checkRecipe,
  compareRecipes,
  completeRecipe,
  defaultRecipe,
  findClashes,
  freeTanks,
  inSeason,
  seasonWords,
  planAttempt,
  planDays,
  RECIPE_BOOK,
  recipeText,
  shiftPlan,
  shippedRecipe,
  SIGNS,
  stepsWords,
  triggerFor,
  TRIGGER_SCHOOLS,
  withChange,
  type PlanTank,
  type Recipe,
} from './index';

const TODAY = '2026-03-12';
const of = (key: string): Recipe => shippedRecipe(key)?.recipe ?? defaultRecipe('eggScatterer');
const lemon = resolveSpecies(SHIPPED_SPECIES.find(({ key }) => key === 'lemon-tetra') ?? SHIPPED_SPECIES[0]!);
const day = fc.integer({ min: 0, max: 3000 }).map((days) => addDays('2024-01-01', days));

describe('the recipe book', () => {
  it('has a starting recipe for every method, two where keepers disagree, and each can work', () => {
    expect(METHODS.filter((method) => !RECIPE_BOOK.some((one) => one.method === method))).toEqual([]);
    expect(new Set(RECIPE_BOOK.map(({ key }) => key)).size).toBe(RECIPE_BOOK.length);
    for (const { key, method, recipe, why, school } of RECIPE_BOOK) {
      expect([key, checkRecipe(recipe, METHOD_TEMPLATES[method].start)]).toEqual([key, []]);
      expect([key, why.length > 20, school.length > 5, recipe.stopAfterDays !== null]).toEqual([key, true, true, true]);
      expect([key, recipe.steps.length > 0]).toEqual([key, true]);
    }
    const schools = (method: string) => RECIPE_BOOK.filter((one) => one.method === method).length;
    for (const method of ['eggScatterer', 'adhesivePlacer', 'substrateGuarder', 'mouthbrooder', 'shrimpDirect', 'crayfish'])
      expect([method, schools(method) >= 2]).toEqual([method, true]);
  });

  it('leaves eggs of a method to whom it guards, and none to those who eat them', () => {
    for (const { key, method, recipe } of RECIPE_BOOK) {
      const { figures, start } = METHOD_TEMPLATES[method];
      if (start === 'laid' && figures.eggsEatenBy === 'anyAdult')
        expect([key, recipe.eggPlan === 'leaveWithParents']).toEqual([key, false]);
    }
  });

  it('is meant for the months in which its method spawns, and no others', () => {
    const months = Array.from({ length: 12 }, (_, i) => i + 1);
    for (const method of METHODS) {
      const recipes = RECIPE_BOOK.filter((one) => one.method === method && one.recipe.seasons.length > 0);
      const meant = months.filter((month) =>
        recipes.some(({ recipe }) => inSeason(recipe, `2026-${String(month).padStart(2, '0')}-15`)),
      );
      const spawns = breederLimits(method, METHOD_TEMPLATES[method].figures).months ?? [];
      expect([method, meant]).toEqual([method, method === 'pondGroup' ? [3, 4, 5, 6, 7, 8, 9] : []]);
      expect([method, spawns]).toEqual([method, meant]);
    }
  });

  it('is searched by lever, site and own words', () => {
    expect(recipeText(of('scatter-soft'))).toContain('cooler change of 30 %');
    expect(recipeText(of('mop-daily'))).toContain('mop');
    expect(RECIPE_BOOK.filter(({ recipe }) => recipeText(recipe).includes('brush')).map(({ method }) => method)).toContain(
      'pondGroup',
    );
  });
});

describe('what cannot work', () => {
  const fields = (patch: Partial<Recipe>, start: 'laid' | 'carried' | 'born' = 'laid') =>
    checkRecipe({ ...of('scatter-soft'), ...patch }, start).map(({ field }) => field);
  it('is said at its field', () => {
    expect(fields({})).toEqual([]);
    expect(fields({ eggPlan: 'pullEggs', cover: [] })).toEqual(['cover']);
    expect(fields({ eggPlan: 'pullEggs', cover: [] }, 'carried')).toEqual([]);
    expect(fields({ fungus: 'dye' })).toEqual(['dyeMgPerL']);
    expect(fields({ males: 0 })).toEqual(['males']);
    expect(fields({ males: 0 }, 'born')).toEqual([]);
    expect(fields({ females: 0 })).toEqual(['females']);
    expect(fields({ daysAhead: 0 })).toEqual(['daysAhead']);
    expect(fields({ steps: [{ lever: 'cooler', day: 0, share: 0.3, degC: null, hours: null }] })).toEqual(['steps']);
  });
});

describe('the difference between two recipes', () => {
  it('is nothing with itself, and names what changed as one would tell it', () => {
    for (const { recipe } of RECIPE_BOOK) expect(compareRecipes(recipe, recipe)).toEqual([]);
    const before = completeRecipe({ ...of('scatter-soft'), females: 1, tempC: 26 });
    const after: Recipe = {
      ...before,
      females: 3,
      tempC: 24,
      cover: [...before.cover, { kind: 'moss', count: 1 }],
      steps: [{ lever: 'cooler', day: 0, share: 0.5, degC: 3, hours: null }],
    };
    expect(compareRecipes(before, after).map(({ words }) => words)).toEqual([
      'cooler change of 50 %, by 3 °C instead of cooler change of 30 %, by 3 °C',
      'no softer water of 30 %',
      'moss added',
      '2 °C cooler',
      '2 females more',
    ]);
  });

  it('turned round names the same fields', () => {
    const pick = fc.constantFrom(...RECIPE_BOOK.map(({ recipe }) => recipe));
    fc.assert(
      fc.property(pick, pick, (a, b) => {
        const labels = (one: Recipe, other: Recipe) =>
          compareRecipes(one, other)
            .map(({ label }) => label)
            .sort();
        expect(labels(a, b)).toEqual(labels(b, a));
        for (const { before, after } of compareRecipes(a, b)) expect(before).not.toEqual(after);
      }),
    );
  });

  it('tells steps in order, those of other days with how many days apart', () => {
    expect(stepsWords(of('tube-rain').steps)).toBe(
      'Level down by 40 %, 3 days before; cooler change of 40 %, by 3 °C; level up again',
    );
    expect(stepsWords(of('cave-pair').steps)).toBe('Softer water of 30 %');
  });
});

describe('a plan', () => {
  it('sets up, settles and conditions ahead of the trigger as the recipe says', () => {
    const recipe = of('scatter-dawn');
    const days = planDays(recipe, '2026-04-20');
    // Dark a day before; the females two days ahead of that; water three days old; a fortnight of food.
    expect(days).toEqual({
      conditioningFrom: '2026-04-03',
      from: '2026-04-14',
      setUpOn: '2026-04-17',
      triggerOn: '2026-04-20',
      to: '2026-04-24',
    });
    const marks = planAttempt({ recipe, days, figures: lemon.figures, start: 'laid' });
    expect(marks.map(({ kind }) => kind).slice(0, 4)).toEqual(['conditioning', 'water', 'site', 'firstIn']);
    expect(marks.find(({ kind }) => kind === 'decide')?.words).toBe('If there are no eggs: cooler change');
    expect(marks.find(({ kind }) => kind === 'hatch')?.day).toBe(
      addDays('2026-04-20', Math.floor(lemon.figures.hatch?.days[0] ?? 0)),
    );
  });

  it('counts back from a wished day so that the latest young are ready by it', () => {
    for (const wish of ['2026-11-01', '2027-05-30']) {
      const trigger = triggerFor(wish, lemon.figures, 'laid');
      const marks = planAttempt({
        recipe: of('scatter-soft'),
        days: planDays(of('scatter-soft'), trigger),
        figures: lemon.figures,
        start: 'laid',
      });
      const sale = marks.find(({ kind }) => kind === 'sale');
      expect(sale && sale.to <= wish && daysBetween(sale.to, wish) <= 2).toBe(true);
    }
  });

  it('keeps its order for every recipe and day, moved or not, and a move there and back is none', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RECIPE_BOOK),
        day,
        fc.constantFrom('conditioning', 'setUp', 'trigger', 'all'),
        fc.integer({ min: -40, max: 40 }),
        ({ recipe }, trigger, held, by) => {
          const days = planDays(recipe, trigger);
          expect(checkDays(days, days.from)).toBeNull();
          expect(shiftPlan(shiftPlan(days, held as 'all', by), held as 'all', -by)).toEqual(days);
          expect(checkDays(shiftPlan(days, 'all', by), '2000-01-01')).toBeNull();
          const marks = planAttempt({ recipe, days, figures: lemon.figures, start: 'laid' });
          expect(marks.map((mark) => mark.day)).toEqual(marks.map((mark) => mark.day).sort());
          expect(marks.every((mark) => mark.to >= mark.day)).toBe(true);
        },
      ),
    );
  });

  it('is refused out of order or in the past, at its field', () => {
    const days = planDays(of('scatter-soft'), '2026-03-20');
    const field = (patch: Partial<typeof days>, isNew = true) => checkDays({ ...days, ...patch }, TODAY, isNew)?.field;
    expect(field({ triggerOn: '2026-03-01' })).toBe('triggerOn');
    expect(field({ setUpOn: '2026-03-21' })).toBe('triggerOn');
    expect(field({ from: '2026-03-30' })).toBe('setUpOn');
    expect(field({ to: '2026-03-19' })).toBe('to');
    expect(field({ conditioningFrom: '2026-03-20' })).toBe('conditioningFrom');
    expect(checkDays(planDays(of('scatter-soft'), '2026-03-05'), TODAY, false)).toBeNull();
  });

  it('says what clashes, and which free tank is nearest to what is wanted', () => {
    const tank = (code: string, more: Partial<PlanTank> = {}): PlanTank => ({
      id: code,
      code,
      litres: 50,
      quarantine: false,
      heads: 0,
      freeOn: TODAY,
      ...more,
    });
    const tanks = [
      tank('A1'),
      tank('A2', { litres: 25 }),
      tank('Q1', { quarantine: true }),
      tank('B1', { heads: 6, freeOn: null }),
      tank('B2', { litres: 48 }),
    ];
    const wanted = { id: 'new', name: 'New', tankId: 'A1', from: '2026-03-15', to: '2026-03-30' };
    const others = [{ id: 'old', name: 'Old', tankId: 'A1', from: '2026-03-20', to: null, parentLotIds: ['sire'] }];
    expect(findClashes(wanted, ['sire'], tanks, others).map(({ what }) => what)).toEqual(['booked', 'parents']);
    expect(findClashes({ ...wanted, tankId: 'Q1' }, [], tanks, others).map(({ what }) => what)).toEqual(['quarantine']);
    expect(findClashes({ ...wanted, tankId: 'B1' }, [], tanks, others).map(({ what }) => what)).toEqual(['livedIn']);
    expect(findClashes({ ...wanted, to: '2026-03-19' }, ['sire'], tanks, others)).toEqual([]);
    expect(freeTanks(wanted, 50, tanks, others).map(({ code }) => code)).toEqual(['B2', 'A2']);
  });
});

describe('seasons, states and signs', () => {
  it('a season may go over the year’s end', () => {
    const months = (seasons: Recipe['seasons']) =>
      Array.from({ length: 12 }, (_, i) => `2026-${String(i + 1).padStart(2, '0')}-10`).filter((on) => inSeason({ seasons }, on))
        .length;
    expect([
      months([]),
      months([[3, 5]]),
      months([[11, 2]]),
      months([
        [3, 5],
        [8, 9],
      ]),
    ]).toEqual([12, 3, 4, 5]);
    // Spring in the south is September to November.
    expect([inSeason({ seasons: [[3, 5]] }, '2026-10-10', true), inSeason({ seasons: [[3, 5]] }, '2026-04-10', true)]).toEqual([
      true,
      false,
    ]);
  });

  it('an attempt stands where its log says', () => {
    const state = (more: object) =>
      attemptState(
        {
          from: '2026-03-10',
          conditioningFrom: null,
          setUpOn: '2026-03-10',
          triggered: false,
          clutches: 0,
          alive: 0,
          outcome: null,
          ...more,
        },
        TODAY,
      );
    expect(state({})).toBe('set up');
    expect(state({ from: '2026-03-20', setUpOn: '2026-03-21' })).toBe('planned');
    expect(state({ from: '2026-03-20', setUpOn: '2026-03-21', conditioningFrom: '2026-03-11' })).toBe('conditioning');
    expect(state({ triggered: true })).toBe('triggered');
    expect(state({ clutches: 1 })).toBe('spawning');
    expect(state({ clutches: 1, alive: 40 })).toBe('with a brood');
    expect(state({ clutches: 1, alive: 40, outcome: 'spawned' })).toBe('spawned');
    expect(state({ clutches: 1, outcome: 'spawned', restUntil: addDays(TODAY, 3) })).toBe('resting');
    expect(state({ clutches: 1, outcome: 'spawned', restUntil: TODAY })).toBe('spawned');
    expect(state({ outcome: 'failed', restUntil: addDays(TODAY, 3) })).toBe('failed');
  });

  it('every sign but cleaning up asks for something, and a trigger that was done is not asked for', () => {
    const told = SIGNS.map((sign) => afterSign(sign, { nextLever: 'cooler' }, false));
    expect(told.every((words) => words !== null && words.endsWith('.'))).toBe(true);
    expect(afterSign('colour', { nextLever: null }, true)).not.toContain('trigger');
    expect(afterSign('nothing', { nextLever: null }, false)).toBeNull();
  });
});

describe('one change made in a recipe', () => {
  it('is the only difference, there and back', () => {
    const flags = ['lever:cooler', 'lever:dark', 'lever:softer', 'bareTank', 'covered', 'femalesFirst'];
    for (const { recipe } of RECIPE_BOOK)
      for (const factor of flags) {
        const set = withChange(recipe, { factor, set: true });
        const unset = withChange(set, { factor, set: false });
        expect(compareRecipes(unset, set).length).toBeGreaterThan(0);
        expect(compareRecipes(unset, set).length).toBeLessThanOrEqual(3);
        expect(TRIGGER_SCHOOLS).toContain(set.trigger);
      }
    expect(withChange({ ...of('glass-rain') }, { factor: 'lever:cooler', set: false }).trigger).toBe('stable');
  });

  it('an old recipe is filled up with what was not asked for then', () => {
    const old = { eggPlan: 'pullEggs', fungus: 'flow', trigger: 'stable', dailyChangeFraction: 0.5 } as const;
    const full = completeRecipe(old);
    expect(full).toMatchObject({ ...old, daysAhead: 1, agedDays: 0, flow: 'gentle', divider: 'none', phSchool: 'leave' });
    expect(full).toMatchObject({ tankSchool: 'mature', covered: false, firstIn: 'together', cover: [], steps: [], seasons: [] });
    expect(Object.keys(full)).toHaveLength(37);
    expect(Object.values(full).filter((value) => value === null)).toHaveLength(22);
  });
});

describe('the words of a season', () => {
  it.each<[readonly (readonly [number, number])[], boolean, string]>([
    [[[3, 5]], false, 'Mar to May'],
    [[[3, 5]], true, 'Sep to Nov'],
    [[[10, 2]], false, 'Oct to Feb'],
    [[[10, 2]], true, 'Apr to Aug'],
    [
      [
        [4, 6],
        [9, 10],
      ],
      true,
      'Oct to Dec, Mar to Apr',
    ],
    [[], true, ''],
  ])('%j, south %s: %s', (seasons, isSouth, words) => {
    expect(seasonWords(seasons, isSouth)).toBe(words);
    // Said and judged are one.
    for (const [from] of seasons) {
      const month = isSouth ? ((from + 5) % 12) + 1 : from;
      expect(inSeason({ seasons }, `2026-${String(month).padStart(2, '0')}-15`, isSouth)).toBe(true);
    }
  });
});
